"""The stage Route in the window."""
