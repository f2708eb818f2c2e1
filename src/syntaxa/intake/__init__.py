"""Readers: every format becomes a `Drawing` and a report of what was and was not read."""
