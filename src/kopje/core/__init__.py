"""Pure rules of the job: values in, values and reasons out. No I/O, clock, chance or logging."""
