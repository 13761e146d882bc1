"""What a person does, in their words: use cases that join the core to the store."""
