"""The view in space: what is in it, where it is looked at from, and who draws it."""
