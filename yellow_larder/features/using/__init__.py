"""Using food up: opening, taking, closing again, pouring over, and whatever else happens to a package on its way."""
