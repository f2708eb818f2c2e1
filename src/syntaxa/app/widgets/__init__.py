"""Small parts that several panels use."""
