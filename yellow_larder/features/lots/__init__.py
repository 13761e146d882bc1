"""What is in the house and not packed yet, and what was made here."""
