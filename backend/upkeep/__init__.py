"""What keeps a Pollicor running: backups made by themselves, and how it is said that all is well."""
