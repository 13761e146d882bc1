"""The bench: from a typed line to the verdict, the plan, and the containers that are packed."""
