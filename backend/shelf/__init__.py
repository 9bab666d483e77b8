"""The shelf: what one clinic works with. The library without what it hides, and the activities and things it made."""
