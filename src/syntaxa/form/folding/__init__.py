"""Views of one thing on a drawing, found, laid on their planes in space, and read for how deep what they show goes."""
