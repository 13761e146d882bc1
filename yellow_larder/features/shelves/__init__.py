"""What stands where, how much of its life is left, and what was found when it was looked over."""
