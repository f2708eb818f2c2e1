"""What was taken in: the sources with their links, the import report, and what a changed file would change."""

from __future__ import annotations

from collections.abc import Sequence
from pathlib import Path

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtWidgets import QFrame, QGridLayout, QHBoxLayout, QMenu, QSlider, QVBoxLayout, QWidget

from syntaxa.app.canvas.views import RECEIVED
from syntaxa.app.sentences import said
from syntaxa.app.session.session import Session
from syntaxa.app.widgets.labels import button, cell, label, table
from syntaxa.app.words import counted, tr
from syntaxa.counting import plural
from syntaxa.intake.report import CURVE_KINDS, IntakeRecord, sentences
from syntaxa.intake.views import RECORDS
from syntaxa.job.model import Source

_LINKS = {"held": tr("held in the job"), "linked": tr("linked to its file"), "paused": tr("link paused")}


class SourcesPage(QWidget):
    """The sources of the open job."""

    change_wanted = pyqtSignal(int)
    select_wanted = pyqtSignal(int)
    replace_wanted = pyqtSignal(int)
    relink_wanted = pyqtSignal(int)
    pause_wanted = pyqtSignal(int)
    detach_wanted = pyqtSignal(int)
    remove_wanted = pyqtSignal(int)
    add_wanted = pyqtSignal()
    report_wanted = pyqtSignal()
    copy_wanted = pyqtSignal()
    fade_chosen = pyqtSignal(float)

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.changes = ChangesView(session)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(7)
        column.addWidget(self.changes)
        self._sources = QVBoxLayout()
        self._sources.setSpacing(6)
        column.addLayout(self._sources)
        self._trouble = label("", "warning", wrap=True)
        column.addWidget(self._trouble)
        column.addLayout(self._make_fade())
        column.addWidget(label(tr("What is in it, by layer"), "heading"))
        self._what = table(tr("What was read, by layer"), (tr("Layer"), tr("Curves"), tr("Mostly"), tr("Notes")), 0)
        column.addWidget(self._what)
        row = QHBoxLayout()
        for text, name, signal in (
            (tr("Save the report…"), tr("Save the import report"), self.report_wanted),
            (tr("Copy it"), tr("Copy the import report"), self.copy_wanted),
        ):
            made = button(text, name)
            made.clicked.connect(signal)
            row.addWidget(made)
        row.addStretch()
        column.addLayout(row)
        self._shown: tuple[object, ...] = ()

    def _make_fade(self) -> QHBoxLayout:
        row = QHBoxLayout()
        self._fade_label = label(tr("Pictures"), "dim")
        self._fade = QSlider(Qt.Orientation.Horizontal)
        self._fade.setAccessibleName(tr("How strongly pictures show"))
        self._fade.setRange(5, 100)
        self._fade.setValue(60)
        self._fade.valueChanged.connect(lambda v: self.fade_chosen.emit(v / 100))
        self._fade_label.setBuddy(self._fade)
        row.addWidget(self._fade_label)
        row.addWidget(self._fade, 1)
        return row

    def records(self) -> Sequence[IntakeRecord]:
        """The report of each source, of what was taken of it."""
        return self.session.view(RECORDS) or ()

    def refresh(self) -> None:
        """Shows what the session holds now."""
        job, records = self.session.job, self.records()
        self.changes.refresh()
        # While a change is worked out the job may have other sources than the records that are known.
        if job is None or len(records) != len(job.sources) or (job.sources, records) == self._shown:
            return
        self._shown = (job.sources, records)
        self._fill_sources(job.sources, records)
        lines = [line for record in records for line in sentences(record)]
        self._trouble.setText(
            "\n".join(
                lines[:14] + ([tr("… and {0} more; see the report.", len(lines) - 14)] if len(lines) > 14 else [])
            )
        )
        self._trouble.setVisible(bool(lines))
        received = self.session.peek(RECEIVED)
        pictures = received is not None and any(n.kind == "image" for n in received[1])
        self._fade_label.setVisible(pictures)
        self._fade.setVisible(pictures)
        self._fill_layers(records)

    def _fill_sources(self, sources: Sequence[Source], records: Sequence[IntakeRecord]) -> None:
        while (item := self._sources.takeAt(0)) is not None:
            old = item.widget()
            if old is not None:
                old.hide()
                old.deleteLater()
        for source, record in zip(sources, records, strict=True):
            self._sources.addWidget(self._card(source, record, len(sources) > 1))

    def _card(self, source: Source, record: IntakeRecord, several: bool) -> QFrame:
        card = QFrame()
        card.setObjectName("card")
        grid = QGridLayout(card)
        grid.setContentsMargins(10, 8, 8, 8)
        grid.setVerticalSpacing(2)
        name = label(source.name, "heading", wrap=True)
        name.setToolTip(source.path or source.name)
        grid.addWidget(name, 0, 0, 1, 2)
        size = tr("{0:,.0f} kB", len(source.data) / 1024).replace(",", "\u202f")
        form = record.version if record.format == "image" else f"{record.format.upper()} {record.version}"
        facts = [form.strip(), size, _LINKS[source.link]]
        if source.path and Path(source.path).name != source.name:
            facts[-1] = tr("linked to {0}", Path(source.path).name)
        if record.blocks:
            facts.insert(2, counted(record.blocks, "block insertion"))
        grid.addWidget(label(", ".join(facts), "dim", wrap=True), 1, 0, 1, 2)
        change = button(tr("Change what is taken…"), tr("Change what is taken of {0}", source.name))
        change.clicked.connect(lambda: self.change_wanted.emit(source.number))
        more = button(tr("More"), tr("More about {0}", source.name))
        more.setMenu(self._menu(source, several))
        grid.addWidget(change, 2, 0)
        grid.addWidget(more, 2, 1)
        grid.setColumnStretch(0, 1)
        return card

    def _menu(self, source: Source, several: bool) -> QMenu:
        menu = QMenu(self)
        entries = [
            (tr("Select its curves"), self.select_wanted),
            (tr("Replace one layer from a revised file…"), self.replace_wanted),
        ]
        if source.link == "linked":
            entries.append((tr("Pause the link"), self.pause_wanted))
        elif source.link == "paused":
            entries.append((tr("Resume the link"), self.pause_wanted))
        entries.append((tr("Link to another file…"), self.relink_wanted))
        if source.link != "held":
            entries.append((tr("Detach from its file"), self.detach_wanted))
        if several:
            entries.append((tr("Remove from the job"), self.remove_wanted))
        for text, signal in entries:
            action = menu.addAction(text)
            assert action is not None, "a menu gives the action that it was asked for"
            action.triggered.connect(lambda _checked, s=signal: s.emit(source.number))
        return menu

    def _fill_layers(self, records: Sequence[IntakeRecord]) -> None:
        rows = [(layer, record) for record in records for layer in record.layers if layer.counts]
        self._what.setRowCount(len(rows))
        for k, (layer, record) in enumerate(rows):
            curves = {kind: layer.counts[kind] for kind in CURVE_KINDS if kind in layer.counts}
            notes = {kind: n for kind, n in layer.counts.items() if kind not in CURVE_KINDS}
            tip = tr("{0} ({1}) of {2}", layer.name, layer.state, record.file)
            self._what.setItem(k, 0, cell(layer.name, tip=tip))
            self._what.setItem(k, 1, cell(str(sum(curves.values()) or "–"), figure=True))
            mostly = cell(_short(curves), tip=_long(curves))
            mostly.setTextAlignment(Qt.AlignmentFlag.AlignRight | Qt.AlignmentFlag.AlignVCenter)
            self._what.setItem(k, 2, mostly)
            self._what.setItem(k, 3, cell(str(sum(notes.values()) or "–"), figure=True, tip=_long(notes)))
        self._what.setFixedHeight(34 + 28 * min(max(len(rows), 1), 9))


class ChangesView(QFrame):
    """What a changed file would change, layer by layer, with the two ways out."""

    accept_wanted = pyqtSignal()
    stay_wanted = pyqtSignal()

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.setObjectName("changes")
        column = QVBoxLayout(self)
        column.setContentsMargins(12, 10, 12, 10)
        column.setSpacing(6)
        self._title = label("", "heading", wrap=True)
        self._says = label("", "", wrap=True)
        self._table = table(
            tr("What changed, by layer"), (tr("Layer"), tr("new"), tr("gone"), tr("moved"), tr("same")), 0
        )
        row = QHBoxLayout()
        accept = button(tr("Take the new one over"), primary=True)
        stay = button(tr("Stay with the old"))
        accept.clicked.connect(self.accept_wanted)
        stay.clicked.connect(self.stay_wanted)
        row.addWidget(accept)
        row.addWidget(stay)
        row.addStretch()
        for part in (self._title, self._says, self._table):
            column.addWidget(part)
        column.addLayout(row)
        self.hide()

    def refresh(self) -> None:
        """Shows the revision that waits, if one does."""
        revised = self.session.sources.revision
        self.setVisible(revised is not None)
        if revised is None:
            return
        changes = revised.changes
        self._title.setText(tr("{0} changed on disk", revised.new.name))
        self._says.setText(tr("{0}. Nothing is changed until you say so.", said(changes.sentence())))
        changed = [x for x in changes.layers if x.added or x.removed or x.moved]
        self._table.setRowCount(len(changed))
        for k, layer in enumerate(changed):
            self._table.setItem(k, 0, cell(layer.layer, tip=layer.layer))
            for j, count in enumerate((layer.added, layer.removed, layer.moved, layer.same), start=1):
                self._table.setItem(k, j, cell(str(count or "–"), figure=True))
        self._table.setFixedHeight(34 + 28 * min(max(len(changed), 1), 7))


def _short(counts: dict[str, int]) -> str:
    names = sorted(counts, key=lambda k: -counts[k])
    return tr(plural(names[0])) if names else "–"


def _long(counts: dict[str, int]) -> str:
    return ", ".join(counted(n, kind) for kind, n in counts.items())
