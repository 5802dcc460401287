"""Classroom instruments: what is set up and what can be played."""
