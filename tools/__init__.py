"""What developers run beside the application."""
