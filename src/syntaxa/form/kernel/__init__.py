"""What the solid kernel does: nothing else imports its bindings, and the window's process never does."""
