"""The stages, a folder each; none knows another."""
