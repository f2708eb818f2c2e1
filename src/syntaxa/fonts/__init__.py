"""The fonts that are shipped, for the window and for what goes out; their licences lie beside them."""
