"""The stage Intake in the window."""
