"""The stage Mend in the window."""
