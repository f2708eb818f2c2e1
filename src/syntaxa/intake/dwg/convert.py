"""The child process that reads a DWG: `python -m syntaxa.intake.dwg.convert FILE`.

It writes one line of JSON (`reader.Converted`) and then the drawing as DXF, and touches nothing else. What native code
does with a damaged file, it does here, where it can be ended. It loads no more than it must: that is what takes time.
"""

from __future__ import annotations

import json
import resource
import sys

import cadkit


def main(path: str, memory: int, seconds: int) -> int:
    """Converts one file within limits of memory (bytes) and time (seconds of the processor)."""
    resource.setrlimit(resource.RLIMIT_AS, (memory, memory))
    resource.setrlimit(resource.RLIMIT_CPU, (seconds, seconds))
    try:
        document = cadkit.read(path)
        content = json.loads(document.to_json())
        dxf = document.to_dxf_bytes()
    except BaseException as error:  # noqa: BLE001  native code raises what it likes; the parent tells it in words
        sys.stderr.write(f"{type(error).__name__}: {error}\n")
        return 3
    models = [m for m in content["models"] if m["kind"] == "model"]
    entities = [e for m in models[:1] for e in m["entities"]]
    unknown: dict[str, int] = {}
    for entity in entities:
        if entity["kind"]["type"] == "unknown":
            name = str(entity["kind"].get("type_name", "?")).rpartition(".")[2]
            unknown[name] = unknown.get(name, 0) + 1
    head = {
        "version": str(content["source"]["version"]),
        "unit": str(content["units"]["unit"]),
        "entities": [(str(e["kind"]["type"]), f"{e['id']:X}") for e in entities],
        "unknown": unknown,
        "warnings": [str(w.get("message", w)) for w in content.get("warnings", [])],
    }
    sys.stdout.buffer.write(json.dumps(head).encode() + b"\n" + dxf)
    return 0


if __name__ == "__main__":
    sys.exit(main(sys.argv[1], int(sys.argv[2]), int(sys.argv[3])))
