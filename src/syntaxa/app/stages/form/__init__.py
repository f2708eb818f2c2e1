"""Form in the window: the view of solids in space, and the panel that makes them."""
