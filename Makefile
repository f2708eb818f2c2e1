# `make demo` shows the program, `make test` proves it; both run `make setup` first.

PYTHON ?= python3.11
VENV := .venv
BIN := $(VENV)/bin
STAMP := $(VENV)/.ready

export PIP_DISABLE_PIP_VERSION_CHECK := 1

.PHONY: setup demo test check style types lock screenshots bench package clean

setup: $(STAMP)

$(STAMP): requirements.lock pyproject.toml setup.py tools/debian_packages.sh $(wildcard src/heart/*)
	bash tools/debian_packages.sh
	"$$(command -v $(PYTHON) || command -v python3)" -m venv $(VENV)
	$(BIN)/python -m pip install --quiet --requirement requirements.lock
	$(BIN)/python -m pip install --quiet --no-build-isolation --no-deps --editable .
	touch $(STAMP)

demo: setup
	bash tools/demo.sh

check: style types

style: setup
	$(BIN)/ruff check src tests tools benchmarks
	$(BIN)/clang-format --dry-run --Werror src/heart/*
	$(BIN)/lint-imports

types: setup
	$(BIN)/mypy

test: style
	bash tools/test.sh

lock: setup
	$(BIN)/python tools/lock.py

screenshots: setup
	bash tools/screenshots.sh

bench: setup
	bash tools/bench.sh

package: setup
	bash tools/package.sh

clean:
	rm -rf $(VENV) build .mypy_cache .ruff_cache .import_linter_cache
