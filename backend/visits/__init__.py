"""The days: who is seen where and when, how it went, the travel order, and a feed for the therapist's own calendar."""
