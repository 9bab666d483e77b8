"""What a finished run leads to: estimates, next steps, notes, goals."""
