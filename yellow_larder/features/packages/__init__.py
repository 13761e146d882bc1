"""Packages: containers with food in them, whoever packed them; what happens to one, and how it stands."""
