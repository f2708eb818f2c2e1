"""Copies the libraries that the program needs to run, as they are installed here, into a folder."""

from __future__ import annotations

import re
import shutil
import sys
from importlib.metadata import Distribution, PackageNotFoundError, distribution
from pathlib import Path


def needed(name: str) -> dict[str, Distribution]:
    """The distributions that one needs, itself left out, by their names in lower case."""
    found: dict[str, Distribution] = {}
    waiting = [name]
    while waiting:
        one = distribution(waiting.pop())
        for requirement in one.requires or ():
            wanted, _, condition = requirement.partition(";")
            if "extra ==" in condition:
                continue
            key = re.split(r"[ <>=!~\[(]", wanted.strip())[0].lower().replace("_", "-")
            if key in found:
                continue
            try:
                found[key] = distribution(key)
            except PackageNotFoundError:
                # What another system or an older Python needs is not here.
                continue
            waiting.append(key)
    return found


def copy(one: Distribution, folder: Path) -> None:
    """Its files, but for programs of its own and what Python makes again."""
    for file in one.files or ():
        if ".." in file.parts or "__pycache__" in file.parts:
            continue
        source, goal = Path(str(one.locate_file(file))), folder / file
        if source.is_file():
            goal.parent.mkdir(parents=True, exist_ok=True)
            shutil.copy2(source, goal)


def main() -> int:
    """Copies all of them; says how many."""
    folder = Path(sys.argv[1])
    libraries = needed("syntaxa")
    for one in libraries.values():
        copy(one, folder)
    print(f"{len(libraries)} libraries")
    return 0


if __name__ == "__main__":
    sys.exit(main())
