"""The year: where each section is, whether it fits, and what the week brings."""
