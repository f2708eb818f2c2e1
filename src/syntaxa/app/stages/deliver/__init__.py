"""The stage Deliver in the window."""
