"""A run of packing against the clock of the absorbers, step by step."""
