"""What is due today, and the figures along the top edge."""
