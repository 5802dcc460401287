"""A song becomes a dance: its form as performed, a move for each part of it, what the room needs."""
