"""Practice made from songs and tone sets: echoes, rows, games."""
