"""The drawing: curves with ids, layers and styles, and what else was in the file."""
