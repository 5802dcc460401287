"""The made-up school: songs as files, the rest computed from a seed."""
