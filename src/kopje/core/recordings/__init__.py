"""Recorded pieces: music that is listened to, moved to and played along with."""
