"""The window and what holds it together; it knows stages by their interface only."""
