"""The stage Measure in the window."""
