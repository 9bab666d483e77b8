"""What a home has, what was measured of it, what can be made at home."""
