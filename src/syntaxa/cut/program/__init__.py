"""From runs to the lines of a program; nothing here is known to what reads programs."""
