"""What tests of the core share: the command line as a call."""

from __future__ import annotations

import sys

import pytest

from syntaxa.program import main


@pytest.fixture
def run(monkeypatch, capsys):
    """Runs the program with arguments: (exit status, what it printed, what it complained)."""

    def call(*arguments):
        monkeypatch.setattr(sys, "argv", ["syntaxa", *map(str, arguments)])
        status = main()
        return status, *capsys.readouterr()

    return call
