"""From closed profiles to a program that is proven before it runs: operations, offsets, toolpaths, the bench
machine.
"""
