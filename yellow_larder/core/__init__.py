"""The rules of the job: pure functions, SI floats whose names carry the unit, a source for every number."""
