"""Writes the man page and the shell completion from the parser, so that neither says anything that is not so."""

from __future__ import annotations

import argparse
import shlex
import sys
from collections.abc import Iterator
from pathlib import Path

from syntaxa import __version__
from syntaxa.cli.arguments import parser

FOLDER = Path(__file__).parent.parent / "desktop"


def commands(top: argparse.ArgumentParser) -> dict[str, argparse.ArgumentParser]:
    """The parsers of all commands by their names."""
    found: dict[str, argparse.ArgumentParser] = {}
    for action in top._actions:
        if isinstance(action, argparse._SubParsersAction):
            found |= action.choices
    return found


def helps(top: argparse.ArgumentParser) -> dict[str, str]:
    """What each command is for."""
    return {
        choice.dest: choice.help or ""
        for action in top._actions if isinstance(action, argparse._SubParsersAction)
        for choice in action._choices_actions
    }  # fmt: skip


def man_page() -> str:
    """The page, section 1."""
    top = parser()
    lines = [
        f'.TH SYNTAXA 1 "" "syntaxa {__version__}" "User commands"',
        ".SH NAME", f"syntaxa \\- {_plain(top.description or '').rstrip('.').lower()}",
        ".SH SYNOPSIS", ".B syntaxa", "[\\fIcommand\\fR] [\\fIoptions\\fR] [\\fIfiles\\fR]",
        ".SH DESCRIPTION",
        "Without a command, or with files alone, the window opens.",
        "Every command can print JSON with \\fB\\-\\-json\\fR.",
        "It exits with 0 when done, 1 where \\fB\\-\\-strict\\fR forbids what was found, 2 for bad usage or input, and",
        "130 when stopped.",
    ]  # fmt: skip
    says = helps(top)
    for name, command in commands(top).items():
        lines += [f'.SH "SYNTAXA {name.upper()}"', f"{_plain(says.get(name, '')).capitalize()}."]
        for action in command._actions:
            if action.dest != "help":
                lines += [".TP", _option(action), _plain(action.help or action.dest.replace("_", " "))]
    lines += [
        ".SH FILES",
        ".TP", ".I ~/.config/syntaxa/machines", "Machines of your own, as TOML.",
        ".SH SEE ALSO", "The guide opens with F1 in the window.",
    ]  # fmt: skip
    return "\n".join(lines) + "\n"


def _option(action: argparse.Action) -> str:
    names = ", ".join(f"\\fB{_plain(o)}\\fR" for o in action.option_strings) or f"\\fI{_plain(str(action.metavar))}\\fR"
    takes = action.nargs != 0 and action.option_strings
    value = action.metavar or ("|".join(map(str, action.choices)) if action.choices else action.dest.upper())
    return f"{names} \\fI{_plain(str(value))}\\fR" if takes else names


def _plain(text: str) -> str:
    return text.replace("\\", "\\\\").replace("-", "\\-").replace("%%", "%")


def completion() -> str:
    """For bash: commands, their options, values that are one of a few, and files."""
    top = parser()
    names = " ".join(commands(top))
    return "\n".join([
        "# Completion of syntaxa for bash, made from its parser.",
        "_syntaxa() {",
        '    local word="${COMP_WORDS[COMP_CWORD]}" before="${COMP_WORDS[COMP_CWORD-1]}" command="${COMP_WORDS[1]}"',
        "    if [ \"$COMP_CWORD\" -eq 1 ]; then",
        f"        COMPREPLY=($(compgen -W {shlex.quote(names)} -- \"$word\") $(compgen -f -- \"$word\"))",
        "        return",
        "    fi",
        '    case "$command $before" in',
        *_values(top),
        "    esac",
        '    case "$command" in',
        *_options(top),
        "    esac",
        '    [ "${#COMPREPLY[@]}" -gt 0 ] || COMPREPLY=($(compgen -f -- "$word"))',
        "}",
        "complete -o filenames -F _syntaxa syntaxa",
    ]) + "\n"  # fmt: skip


def _values(top: argparse.ArgumentParser) -> Iterator[str]:
    for name, command in commands(top).items():
        for action in command._actions:
            for option in action.option_strings if action.choices else ():
                words = shlex.quote(" ".join(map(str, action.choices or ())))
                yield f'        "{name} {option}") COMPREPLY=($(compgen -W {words} -- "$word")); return ;;'


def _options(top: argparse.ArgumentParser) -> Iterator[str]:
    for name, command in commands(top).items():
        words = " ".join(o for action in command._actions for o in action.option_strings)
        yield f'        {name}) [[ "$word" == -* ]] && COMPREPLY=($(compgen -W {shlex.quote(words)} -- "$word")) ;;'


def main() -> int:
    """Writes both; with --check says whether they are as they should be."""
    wanted = {FOLDER / "syntaxa.1": man_page(), FOLDER / "syntaxa.bash": completion()}
    if "--check" in sys.argv:
        old = [p.name for p, text in wanted.items() if not p.exists() or p.read_text() != text]
        if old:
            print(f"{', '.join(old)} is not as the parser has it: run python tools/manual.py.")
        return 1 if old else 0
    for path, text in wanted.items():
        path.write_text(text)
    return 0


if __name__ == "__main__":
    sys.exit(main())
