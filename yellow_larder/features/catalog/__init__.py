"""What can be named: foods, containers, ingredients, fresh produce."""
