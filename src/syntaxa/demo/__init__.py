"""The made-up demo: sheet-metal parts of a solar water pump for a hillside orchard."""
