"""The bench machine: plays a program that it knows nothing of, and judges what it would make.

What reads (`words`, `expressions`, `interpreter`, `moves`) needs nothing but the standard library and shares nothing
with what writes.
"""
