"""The order of steps of each thing a teacher does, one module a thing."""
