"""The words of the trade, for the front end."""
