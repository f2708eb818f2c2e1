"""What is there in every stage: a feature a module."""
