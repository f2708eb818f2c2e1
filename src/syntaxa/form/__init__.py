"""Form: solids from the regions of sketches, and from the views of a drawing folded into space."""
