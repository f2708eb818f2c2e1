"""Cut: operations, their paths, and the program played before it runs."""
