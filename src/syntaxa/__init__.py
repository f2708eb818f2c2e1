"""Syntaxa: received drawings become geometry that can be trusted."""

import os

__version__ = "0.1.0"

# Matrices here are small: threads of the linear algebra would wait for each other longer than they work, and what they
# sum in another order would differ in the last bit. It is read when the library is loaded, so it is said before that.
os.environ.setdefault("OPENBLAS_NUM_THREADS", "1")
