"""What the Intake stage is made of: the shelf of drawings, the choices, and what was taken in."""
