"""DWG, read in a process of its own."""
