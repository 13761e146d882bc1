"""The demo household, made by calling the use cases."""
