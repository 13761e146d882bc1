"""Loads in the dryer: planned, weighed, tested, conditioned."""
