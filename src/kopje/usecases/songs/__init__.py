"""The songbook: what comes in, what is asked of it, what is printed."""
