"""The open job, and what is computed of it in the background."""
