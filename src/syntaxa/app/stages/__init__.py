"""One panel a stage."""
