"""Loads in the freeze dryer."""
