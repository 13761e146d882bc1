"""What is in the freezer against insects: in, thawed, opened."""
