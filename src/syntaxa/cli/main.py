"""Runs a command; every failure is one plain sentence."""

from __future__ import annotations

import sys
from collections.abc import Callable, Sequence
from typing import TYPE_CHECKING

from syntaxa.cli.arguments import UsageError, parser
from syntaxa.errors import SyntaxaError

if TYPE_CHECKING:
    import argparse

    import msgspec

#: Opens the window on files; opens it on the demo, or walks through it into a folder. Both return the exit status.
OpenWindow = Callable[[Sequence[str]], int]
OpenDemo = Callable[[str | None], int]


def run(arguments: Sequence[str], open_window: OpenWindow, open_demo: OpenDemo) -> int:
    """The exit status: 0 done, 1 findings left that --strict forbids, 2 bad usage or input, 130 stopped by Ctrl-C."""
    try:
        return _run(arguments, open_window, open_demo)
    except SyntaxaError as error:
        print(f"syntaxa: {error}", file=sys.stderr)
        return 2
    except KeyboardInterrupt:
        print("syntaxa: Stopped.", file=sys.stderr)
        return 130
    except BrokenPipeError:
        # Whoever reads the output has seen enough.
        sys.stderr.close()
        return 0
    except Exception as error:  # noqa: BLE001  the outermost layer: whatever comes, users see a sentence
        name = type(error).__name__
        print(f"syntaxa: A fault in the program stopped it ({name}: {error}). Nothing was written.", file=sys.stderr)
        return 2


def _run(arguments: Sequence[str], open_window: OpenWindow, open_demo: OpenDemo) -> int:
    options = parser().parse_args(arguments)
    if options.command == "demo":
        return open_demo(options.walk)
    work = _COMMANDS.get(options.command)
    return open_window(getattr(options, "files", [])) if work is None else work(options)


# What a command needs is loaded when it is asked for: help and bad usage are told at once.


def _inspect(options: argparse.Namespace) -> int:
    from syntaxa.cli.inspect import inspected, print_inspected, reported
    from syntaxa.intake.report import as_text

    if options.report:
        report = reported(options)
        _say(report, options.json, lambda: print(as_text(report), end=""))
    else:
        seen = inspected(options)
        _say(seen, options.json, lambda: print_inspected(seen))
    return 0


def _mend(options: argparse.Namespace) -> int:
    from syntaxa.cli.mend import in_doubt, mended_file, print_mended

    done = mended_file(options)
    _say(done, options.json, lambda: print_mended(done))
    return 1 if options.strict and in_doubt(done) else 0


def _define(options: argparse.Namespace) -> int:
    from syntaxa.cli.define import defined_file, in_doubt, print_defined

    done = defined_file(options)
    _say(done, options.json, lambda: print_defined(done, propose=options.propose))
    return 1 if options.strict and in_doubt(done) else 0


def _form(options: argparse.Namespace) -> int:
    from syntaxa.cli.form import formed_file, in_doubt, print_formed

    done = formed_file(options)
    _say(done, options.json, lambda: print_formed(done))
    return 1 if options.strict and in_doubt(done) else 0


def _cut(options: argparse.Namespace) -> int:
    from syntaxa.cli.cut import cut_file, print_cut

    done = cut_file(options)
    _say(done, options.json, lambda: print_cut(done))
    return 1 if options.strict and (done.check.wrong or not done.unit_settled) else 0


def _check(options: argparse.Namespace) -> int:
    from syntaxa.cli.check import checked_file, print_checked

    done = checked_file(options)
    _say(done, options.json, lambda: print_checked(done))
    return 1 if options.strict and done.check.wrong else 0


def _sheet(options: argparse.Namespace) -> int:
    from syntaxa.cli.sheet import in_doubt, print_sheet, sheet_file

    done = sheet_file(options)
    _say(done, options.json, lambda: print_sheet(done))
    return 1 if options.strict and in_doubt(done) else 0


def _pack(options: argparse.Namespace) -> int:
    from syntaxa.cli.pack import pack_file, print_packed

    done = pack_file(options)
    _say(done, options.json, lambda: print_packed(done))
    return 0


def _sweep(options: argparse.Namespace) -> int:
    from syntaxa.cli.sweep import print_swept, swept_file

    swept = swept_file(options)
    _say(swept, options.json, lambda: print_swept(swept))
    return 0


def _run_recipe(options: argparse.Namespace) -> int:
    from syntaxa.cli.run import print_summary, run_files

    summary = run_files(options)
    _say(summary, options.json, lambda: print_summary(summary, options.output))
    if summary.failed:
        raise UsageError(f"{summary.failed} of {len(summary.outcomes)} drawings failed; the others are written.")
    return 1 if options.strict and any(o.findings_left or o.notes for o in summary.outcomes) else 0


_COMMANDS: dict[str, Callable[[argparse.Namespace], int]] = {
    "inspect": _inspect,
    "mend": _mend,
    "define": _define,
    "form": _form,
    "cut": _cut,
    "check": _check,
    "sheet": _sheet,
    "pack": _pack,
    "sweep": _sweep,
    "run": _run_recipe,
}


def _say(record: msgspec.Struct, as_json: bool, for_people: Callable[[], None]) -> None:
    if as_json:
        import msgspec

        print(msgspec.json.format(msgspec.json.encode(record), indent=2).decode())
    else:
        for_people()
