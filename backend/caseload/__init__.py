"""Children, their profiles, homes and estimates."""
