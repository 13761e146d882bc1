"""What leaves the larder on paper and in files."""
