"""What belongs to a child: taken out whole, deleted on request, kept as long as is said; and who saw what."""
