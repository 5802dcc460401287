"""What a tune is made of, by exact rules. `analyse` is the door."""
