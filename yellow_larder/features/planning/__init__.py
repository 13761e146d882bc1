"""What to store, cook, buy and eat."""
