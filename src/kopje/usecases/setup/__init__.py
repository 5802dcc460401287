"""Setting a school up: who signs in, classes, children, calendar, sequence."""
