"""Units, witnesses, scale and origin: the drawing at its true size."""
