"""The window: everything Qt, and no geometry."""
