"""What is done with a line beside reading it: change it, write it, sing it from signs."""
