"""Runs and their events, each kept once, in whatever order they arrive."""
