"""What a song contains in terms of the sequence, and how it fits a class and a purpose."""
