"""What only choirs need: the ladder of reading."""
