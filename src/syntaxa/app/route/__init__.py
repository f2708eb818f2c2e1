"""What Route shows: what came in and where it goes, the sketches, what is picked, and recipes."""
