"""The clues about the unit of a drawing, one kind to a module; each says how probable what it sees would be."""
