"""The larder on disk: one SQLite file, an append-only journal, and the state that follows from it."""
