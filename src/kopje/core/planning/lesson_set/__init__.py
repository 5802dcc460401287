"""Lesson sets: the next lessons of a section, or of the sections of a grade together."""
