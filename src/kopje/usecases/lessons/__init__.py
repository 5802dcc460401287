"""The next lesson: proposed, changed, read."""
