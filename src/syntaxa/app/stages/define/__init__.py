"""Define: what holds, what is free, and what it measures."""
