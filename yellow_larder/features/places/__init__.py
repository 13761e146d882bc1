"""Places: put right, measured, counted, and what was seen in them."""
