"""A made-up clinic, loaded through the same actions as real use."""
