"""Settings, routes, and the assembly of the API."""
