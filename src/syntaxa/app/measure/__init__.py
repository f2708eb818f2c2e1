"""What Measure shows: the unit with its witnesses, scale, turning, origin, and measured values."""
