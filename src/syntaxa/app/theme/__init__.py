"""Colours, fonts, icons, glyphs and the style sheet."""
