"""What canvases show, a kind a module."""
