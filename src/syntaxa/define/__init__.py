"""What holds in a sketch, what is free, and what it measures: constraints, dimensions, solving."""
