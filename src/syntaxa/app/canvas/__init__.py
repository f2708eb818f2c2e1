"""The drawing surface: scene, view, rulers and overlays."""
