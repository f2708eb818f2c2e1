"""DXF of any age, ASCII or binary."""
