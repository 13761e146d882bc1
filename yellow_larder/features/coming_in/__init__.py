"""What is in the house already comes in: typed line by line, read and shown at once, put away in one go."""
