"""What is made for the instruments of the room."""
