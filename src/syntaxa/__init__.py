"""Syntaxa: received drawings become geometry that can be trusted."""

__version__ = "0.1.0"
