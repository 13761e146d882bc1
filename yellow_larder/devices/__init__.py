"""Instruments on the bench: read over a wire, simulated where there is none."""
