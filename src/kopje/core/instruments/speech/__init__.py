"""Words that become a rhythm."""
