"""Exercises to read, made by their rules: figures first, then tones, then the other parts."""
