"""Who lives here, how they like to see things, and the larder itself: its file, its clock, its safe copies."""
