"""What a caller asked for and cannot have."""


class NotThere(ValueError):
    """A rung, grade, activity or thing that does not exist; the text says what to choose instead.

    Apart from other errors of value, which are faults of the program and never shown as the user's.
    """
