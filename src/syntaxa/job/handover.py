"""One package with everything that leaves the house: files, account, received drawings, digests, and a page of them.

The package is put together in memory and written whole or not at all.
"""

from __future__ import annotations

import hashlib
import io
import re
import tempfile
import zipfile
from collections.abc import Callable, Sequence
from dataclasses import dataclass, field, replace
from html import escape
from pathlib import Path, PurePosixPath

from syntaxa.cut.part import Planned
from syntaxa.define.part import Defined
from syntaxa.deliver.formats import Format, format_of, write_format
from syntaxa.deliver.out import put_out
from syntaxa.deliver.sheets.model import Sheets
from syntaxa.deliver.write import Output
from syntaxa.drawing.state import State
from syntaxa.errors import DeliverError, Progress, no_progress
from syntaxa.form.part import Formed
from syntaxa.geometry.shapes import Circle
from syntaxa.job.evaluate import Evaluation, Evaluator
from syntaxa.job.model import Job

#: What can be in a package besides the formats, and what it is called.
BESIDE = {
    "sheets": "sheets as PDF", "nc": "programs", "setup": "setup sheets", "account": "account", "received": "received",
}  # fmt: skip

#: What is in a package where nothing is said, as far as there is any of it.
USUAL = ("dxf", "svg", "pdf", "step", "sheets", "nc", "account", "received")

#: How files are called where nothing is said.
PATTERN = "{job}"

_FIELDS = {"job", "sketch", "rev", "kind"}

#: Characters that a name of a file should not have on any system.
_FORBIDDEN = re.compile(r'[<>:"/\\|?*\x00-\x1f]')

#: Names that one common system keeps for itself.
_RESERVED = {"con", "prn", "aux", "nul", *(f"{n}{k}" for n in ("com", "lpt") for k in range(1, 10))}


@dataclass
class Package:
    """Files by their names in the package, and what is to be told."""

    files: dict[str, bytes] = field(default_factory=dict)
    notes: list[str] = field(default_factory=list)

    def put(self, name: str, data: bytes) -> None:
        """A file under a name that none has yet."""
        path, number = PurePosixPath(name), 2
        while str(path) in self.files:
            path = PurePosixPath(name).with_stem(f"{PurePosixPath(name).stem}-{number}")
            number += 1
        self.files[str(path)] = data

    def digests(self) -> list[tuple[str, int, str]]:
        """(name, bytes, SHA-256) of each file."""
        return [(name, len(data), hashlib.sha256(data).hexdigest()) for name, data in self.files.items()]


@dataclass(frozen=True, slots=True)
class Handover:
    """What is wanted in a package.

    kinds    keys of formats, and of what there is besides
    pattern  of the names of files, with {job}, {sketch}, {rev} and {kind}; rev  what stands for {rev}
    """

    kinds: tuple[str, ...] = USUAL
    pattern: str = PATTERN
    rev: str = ""
    output: Output = Output()  # noqa: RUF009  frozen, so one for all is right


def check_wanted(wanted: Handover) -> None:
    """Raises DeliverError where a kind is none, or a pattern cannot be."""
    for kind in wanted.kinds:
        if kind not in BESIDE:
            format_of(kind)
    if not wanted.kinds:
        raise DeliverError("Nothing is wanted in the package.", suggestion="Choose at least one kind of file.")
    unknown = set(re.findall(r"\{([^}]*)\}", wanted.pattern)) - _FIELDS
    if unknown or not wanted.pattern.strip():
        what = f"“{{{sorted(unknown)[0]}}}” stands for nothing." if unknown else "A name needs at least one letter."
        raise DeliverError(what, suggestion=f"Use {', '.join('{' + f + '}' for f in sorted(_FIELDS))}.")


def hand_over(
    job: Job, evaluation: Evaluation, evaluator: Evaluator, wanted: Handover, path: Path, made: str,
    progress: Progress = no_progress, is_asked: bool = True,
) -> Package:  # fmt: skip
    """Writes the package; raises DeliverError and writes nothing where anything that was asked for cannot be made.

    made      day and time for the account
    is_asked  whether all kinds were asked for; else those of which there is nothing are left out
    """
    check_wanted(wanted)
    package = Package()
    name = Path(job.source.name).stem
    makers: dict[str, Callable[[Package], None]] = {
        "sheets": lambda p: _sheets(p, evaluation, wanted, name),
        "nc": lambda p: _programs(p, evaluation.state, wanted, name, setup=False),
        "setup": lambda p: _programs(p, evaluation.state, wanted, name, setup=True),
        "account": lambda p: _account(p, job, evaluator, wanted, name, made),
        "received": lambda p: _received(p, job),
    }
    for k, kind in enumerate(wanted.kinds):
        progress(0.95 * k / len(wanted.kinds))
        if not is_asked and not there_is(kind, evaluation.state):
            continue
        if kind in makers:
            makers[kind](package)
        else:
            _format(package, format_of(kind), evaluation, wanted, name)
    if not package.files:
        raise DeliverError("There is nothing to hand over.", file=str(path), suggestion="Take at least one layer.")
    package.put("index.html", _index(package, name).encode())
    put_out(path, _zipped(package))
    progress(1.0)
    return package


def there_is(kind: str, state: State) -> bool:
    """Whether there is anything of a kind in a job."""
    if kind == "sheets":
        return bool(state.part(Sheets).sheets)
    if kind in ("nc", "setup"):
        return any(o.enabled for o in state.part(Planned).operations)
    if kind in BESIDE:
        return True
    form = format_of(kind)
    if form.holds == "bodies" or form.table == "bodies":
        return any(not b.hidden for b in state.part(Formed).bodies)
    if form.table == "holes":
        # Whether one of them is a hole shows when the table is made.
        return any(isinstance(c.shape, Circle) for s in state.profiles() for c in s.curves)
    if form.table == "dimensions":
        return bool(state.part(Defined).measures)
    return any(s.curves for s in state.profiles())


def file_name(wanted: Handover, job: str, kind: str, ending: str, sketch: str = "") -> str:
    """A name by the pattern, that every system allows; a gap that nothing fills closes up."""
    text = wanted.pattern
    for key, value in (("job", job), ("sketch", sketch), ("rev", wanted.rev), ("kind", kind)):
        text = text.replace(f"{{{key}}}", value)
    text = text.removesuffix(ending)
    text = re.sub(r"([-_ .])[-_ .]+", r"\1", _FORBIDDEN.sub("-", text)).strip("-_ .") or job or "file"
    return f"{text}_{ending}" if text.lower() in _RESERVED else f"{text}{ending}"


# ---------------------------------------------------------------------- what is in it


def _format(package: Package, form: Format, evaluation: Evaluation, wanted: Handover, job: str) -> None:
    """A format; profiles in a file a sketch where the names tell sketches apart."""
    state = evaluation.state
    output = replace(wanted.output, release=form.release)
    each = form.holds == "profiles" and "{sketch}" in wanted.pattern
    parts = [(s.name, _alone(state, s.name)) for s in state.profiles() if s.curves] if each else [("", state)]
    with tempfile.TemporaryDirectory() as folder:
        for sketch, part in parts:
            name = file_name(wanted, job, form.key, form.ending, sketch)
            written = write_format(form, part, Path(folder) / name, output, evaluation.context())
            where = {"profiles": "profiles", "bodies": "bodies", "table": "tables"}[form.holds]
            kind = f"-{form.table}" if form.table and "{kind}" not in wanted.pattern else ""
            for path in written.files:
                package.put(f"{where}/{path.stem}{kind}{form.ending}", path.read_bytes())
            package.notes += [f"{name}: {note}" for note in written.notes]


def _alone(state: State, sketch: str) -> State:
    """A state of which one sketch alone goes out."""
    kept = tuple(
        s if s.name == sketch or s.purpose != "profile" else replace(s, purpose="reference") for s in state.sketches
    )
    return replace(state, sketches=kept)


def _sheets(package: Package, evaluation: Evaluation, wanted: Handover, job: str) -> None:
    from syntaxa.deliver.sheets.contents import Sources
    from syntaxa.deliver.sheets.making import made_sheet
    from syntaxa.deliver.sheets.writing import page_bytes

    state, context = evaluation.state, evaluation.context()
    sheets = state.part(Sheets).sheets
    if not sheets:
        raise DeliverError("The job has no sheet.", suggestion="Add one in Deliver.")
    sources = Sources(state, context, evaluation.changes)
    made = [made_sheet(s, state, context, job, sources) for s in sheets]
    package.put(f"sheets/{file_name(wanted, job, 'sheets', '.pdf')}", page_bytes([m.leaf for m in made], ".pdf"))
    package.notes += [note for m in made for note in m.told()]


def _programs(package: Package, state: State, wanted: Handover, job: str, *, setup: bool) -> None:
    """The programs of all sheets that are cut, or their setup sheets."""
    from syntaxa.cut.proving import proven
    from syntaxa.cut.sheets import on_sheet
    from syntaxa.deliver.cutting import deliver_program
    from syntaxa.deliver.setup_sheet import setup_sheet

    names = [name for name, _ in state.part(Planned).sheets] or [""]
    for number, sheet in enumerate(names, 1):
        done = proven(on_sheet(state, sheet), f"{job} {sheet}".strip())
        wrong = done.verdict.wrong_count
        if wrong:
            package.notes.append(f"{sheet or job}: {wrong} thing{'s are' if wrong != 1 else ' is'} wrong.")
        kind = "setup" if setup else "nc"
        name = file_name(wanted, job, kind, ".html" if setup else ".nc")
        if len(names) > 1:
            path = PurePosixPath(name)
            name = str(path.with_stem(f"{path.stem}-{number}"))
        if setup:
            package.put(f"programs/{name}", setup_sheet(done, state.part(Planned)).encode())
            continue
        with tempfile.TemporaryDirectory() as folder:
            (path_there,) = deliver_program(done, Path(folder) / name)
            package.put(f"programs/{name}", path_there.read_bytes())


def _account(package: Package, job: Job, evaluator: Evaluator, wanted: Handover, name: str, made: str) -> None:
    from syntaxa.job.account import account_of, report_bytes

    accounted = account_of(job, name, evaluator)
    for ending in (".html", ".json"):
        package.put(f"account/{file_name(wanted, name, 'account', ending)}", report_bytes(accounted, ending, made))


def _received(package: Package, job: Job) -> None:
    for source in job.sources:
        package.put(f"received/{_FORBIDDEN.sub('-', source.name)}", source.data)


def _index(package: Package, job: str) -> str:
    from syntaxa.deliver.report import HtmlPage, Section, Table, page_with

    rows = [(name, f"{size:,}", digest) for name, size, digest in package.digests()]
    table = Table(("File", "Bytes", "SHA-256"), frozenset({1, 2}), rows)
    sections = [Section("Files", ("Each digest is that of the file as it is in this package.",), table)]
    if package.notes:
        sections.append(Section("To be known", tuple(package.notes)))
    page = HtmlPage(job, "Handed over", f"{len(rows)} files.", not package.notes, tuple(sections))
    links = "".join(f'<li><a href="{escape(name)}">{escape(name)}</a></li>' for name in package.files)
    return page_with(page, "What is in it", [f"<ul>{links}</ul>"])


def _zipped(package: Package) -> bytes:
    stream = io.BytesIO()
    with zipfile.ZipFile(stream, "w", zipfile.ZIP_DEFLATED) as archive:
        for name, data in package.files.items():
            archive.writestr(zipfile.ZipInfo(name), data, zipfile.ZIP_DEFLATED)
    return stream.getvalue()


def kinds_in(texts: Sequence[str]) -> tuple[str, ...]:
    """Kinds that were named, each once."""
    return tuple(dict.fromkeys(t.strip() for t in texts if t.strip()))
