"""Drawing and changing by hand in the window."""
