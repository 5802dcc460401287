"""Evidence, and what may be said from it about a child and about a section."""
