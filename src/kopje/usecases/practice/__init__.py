"""What a class reads, and what its readings say."""
