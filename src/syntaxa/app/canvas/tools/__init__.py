"""What a hand can do on a canvas."""
