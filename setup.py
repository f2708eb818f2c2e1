"""Builds the compiled heart; everything else stands in pyproject.toml."""

import os
from pathlib import Path

from pybind11.setup_helpers import ParallelCompile, Pybind11Extension
from setuptools import setup

# How hard the compiler tries; less is enough for whoever only asks whether all is there.
_LEVEL = os.environ.get("SYNTAXA_BUILD_LEVEL", "2")

ParallelCompile("SYNTAXA_BUILD_JOBS", default=2).install()

_SOURCES = sorted(path.as_posix() for path in Path("src/heart").glob("*.cpp"))
_HEADERS = sorted(path.as_posix() for path in Path("src/heart").glob("*.hpp"))

setup(
    ext_modules=[
        # The same rounding on every machine: no fused products.
        Pybind11Extension(
            "syntaxa.heart",
            _SOURCES,
            depends=_HEADERS,
            cxx_std=17,
            extra_compile_args=[f"-O{_LEVEL}", "-ffp-contract=off"],
        )
    ]
)
