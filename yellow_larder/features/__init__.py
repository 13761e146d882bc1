"""What a person does, one folder a subject: use cases that join the core to the journal."""
