"""What there is to pack with."""
