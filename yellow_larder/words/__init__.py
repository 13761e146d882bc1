"""Reading what people type, and saying figures back."""
