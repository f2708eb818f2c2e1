"""The page on which the program is played: what the bench machine says, the player, and the line that is done."""

from __future__ import annotations

from collections.abc import Sequence
from typing import TYPE_CHECKING

from PyQt6.QtCore import QElapsedTimer, Qt, QTimer, pyqtSignal
from PyQt6.QtWidgets import QCheckBox, QComboBox, QSlider, QVBoxLayout, QWidget

from syntaxa.app.sentences import said
from syntaxa.app.stages.cut.operations_page import clock
from syntaxa.app.widgets.labels import button, label, lines_kept, roomy, row_of, set_role
from syntaxa.app.widgets.rows import Column, RowsView
from syntaxa.app.words import counted, tr
from syntaxa.cut.bench.verdict import FOUND_KINDS, Found, plain_figure
from syntaxa.cut.views import Made

if TYPE_CHECKING:
    from syntaxa.cut.bench.timeline import Standing, Timeline
    from syntaxa.cut.proving import Proven

#: Steps of the slider, milliseconds between two pictures, and how many times as fast as on the machine.
_STEPS, _FRAME, _SPEEDS = 2000, 40, (1, 2, 5, 10, 25, 100)

#: Lines of the program that are shown before and behind the one that is done.
_AROUND = 3

#: Pixels of height of the list of findings.
_HEIGHT = 130


class RunPage(QWidget):
    """The verdict, the findings, and the player."""

    #: Where the player stands (None: nothing is played), a finding that is chosen, and what is to be seen changed.
    stood = pyqtSignal(object)
    found_chosen = pyqtSignal(int)
    seen_changed = pyqtSignal()

    def __init__(self) -> None:
        super().__init__()
        self._made: Proven | None = None
        self.timeline: Timeline | None = None
        self._seconds = 0.0
        self._since = QElapsedTimer()
        self._ticks = QTimer(self)
        self._ticks.setInterval(_FRAME)
        self._ticks.timeout.connect(self._tick)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 8, 0, 0)
        column.setSpacing(7)
        self.verdict = lines_kept(label("", "dim", wrap=True), 3)
        column.addWidget(self.verdict)
        self.found = RowsView(
            tr("What the bench machine found"),
            (
                Column(tr("What"), lambda f: said(FOUND_KINDS[f.kind]), figure=False, tip=lambda f: said(f.says)),
                Column(tr("Line"), lambda f: str(f.line or "")),
                Column("", lambda f: tr("wrong" if f.wrong else "note"), figure=False),
            ),
        )
        self.found.setFixedHeight(_HEIGHT)
        self.found.selection().selectionChanged.connect(lambda *_: self._choose())
        column.addWidget(self.found)
        self.says = lines_kept(label("", "dim", wrap=True), 2)
        column.addWidget(self.says)
        column.addWidget(label(tr("Play"), "heading"))
        column.addLayout(self._player())
        self.slider = QSlider(Qt.Orientation.Horizontal)
        self.slider.setAccessibleName(tr("Time in the program"))
        self.slider.setRange(0, _STEPS)
        self.slider.setPageStep(_STEPS // 20)
        self.slider.valueChanged.connect(self._slid)
        column.addWidget(self.slider)
        self.state = lines_kept(label("", "figure", wrap=True), 2)
        column.addWidget(self.state)
        self.lines = label("", "figure")
        self.lines.setTextFormat(Qt.TextFormat.PlainText)
        self.lines.setMinimumHeight((2 * _AROUND + 1) * self.lines.fontMetrics().lineSpacing() + 4)
        self.lines.setAlignment(Qt.AlignmentFlag.AlignTop)
        column.addWidget(self.lines)
        column.addStretch(1)

    def _player(self) -> QVBoxLayout:
        self.play = button(tr("Play"), tr("Play the program, or stand still (the bench machine's own time)"))
        back, ahead = button("◂", tr("One move back")), button("▸", tr("One move ahead"))
        start = button(tr("To the start"))
        self.play.clicked.connect(self.toggle)
        back.clicked.connect(lambda: self.step(-1))
        ahead.clicked.connect(lambda: self.step(1))
        start.clicked.connect(lambda: self.go_to(0.0))
        self.speed = roomy(QComboBox())
        self.speed.setAccessibleName(tr("Speed of playing"))
        for times in _SPEEDS:
            self.speed.addItem(f"{times} x", times)
        self.speed.setCurrentIndex(3)
        self.stock, self.paths, self.part = (
            QCheckBox(tr("Stock, by depth")),
            QCheckBox(tr("Paths")),
            QCheckBox(tr("Part alone")),
        )
        self.space = QCheckBox(tr("In space"))
        self.space.setToolTip(tr("The stock seen at a slant, in the place of the drawing"))
        self.part.setToolTip(tr("What lies outside of the parts is left out of the picture of the stock"))
        self.stock.setChecked(True)
        self.paths.setChecked(True)
        for box in (self.stock, self.paths, self.part, self.space):
            box.toggled.connect(lambda _on: self.seen_changed.emit())
        column = QVBoxLayout()
        column.setSpacing(7)
        column.addLayout(row_of(self.play, back, ahead, start, None))
        column.addLayout(row_of(label(tr("Pace"), "dim"), self.speed, None, self.space))
        column.addLayout(row_of(self.stock, self.part, self.paths, None))
        return column

    # ------------------------------------------------------------------ showing

    def show_made(self, made: Made | None) -> None:
        """What has come of the operations."""
        if made is None:
            self.verdict.setText(tr("Cutting…"))
            set_role(self.verdict, "dim")
            return
        if made.proven is self._made and made.proven is not None:
            return
        self.pause()
        self._made = made.proven
        self.setEnabled(made.proven is not None)
        if made.proven is None:
            self.timeline = None
            self.found.model_.show_rows(())
            self.says.setText("")
            self.verdict.setText(said(made.why))
            set_role(self.verdict, "dim")
            self.state.setText("")
            self.lines.setText("")
            self.stood.emit(None)
            return
        done = made.proven
        self.timeline = made.timeline
        self.says.setText("")
        for widget in (self.found, self.says):
            widget.setVisible(bool(done.verdict.found))
        self.found.model_.show_rows(sorted(done.verdict.found, key=lambda f: not f.wrong))
        self._show_verdict(done)
        self.go_to(made.timeline.total if made.timeline is not None else 0.0)

    def _show_verdict(self, done: Proven) -> None:
        verdict, wrong = done.verdict, done.verdict.wrong_count
        exact = tr("Exact to 0.000001 mm where the tool reaches")
        near = tr("Off by at most {0} mm", plain_figure(verdict.deviation)) if verdict.deviation > 1e-6 else exact
        parts = [tr("{0}; {1} on the {2}.", near, clock(verdict.seconds) or "0 s", done.machine.name)]
        if wrong:
            parts.insert(0, tr("{0} wrong: do not run it.", counted(wrong, "thing is", "things are")))
        else:
            parts.insert(0, tr("✓ Nothing is wrong with the program."))
        if verdict.left > 1e-6:
            parts.append(tr("{0} mm² stay where the tool does not reach.", plain_figure(verdict.left)))
        if verdict.untold_count:
            parts.append(tr("{0} more are not listed.", verdict.untold_count))
        parts += [f"{name}: {said(why)}" for name, why in done.work.failed]
        parts += map(said, done.work.told[:3])
        self.verdict.setText(" ".join(parts))
        set_role(self.verdict, "warning" if wrong or done.work.failed else "good")

    @property
    def findings(self) -> Sequence[Found]:
        """What is listed, in its order."""
        return self.found.model_.rows

    def _choose(self) -> None:
        at = self.found.chosen_row()
        self.says.setText(self.findings[at].says if 0 <= at < len(self.findings) else "")
        self.found_chosen.emit(at)

    # ------------------------------------------------------------------ playing

    @property
    def standing(self) -> Standing | None:
        """Where the player stands."""
        return None if self.timeline is None else self.timeline.at(self._seconds)

    def toggle(self) -> None:
        """Plays, or stands still."""
        if self._ticks.isActive():
            self.pause()
        elif self.timeline is not None and self.timeline.total > 0:
            if self._seconds >= self.timeline.total:
                self.go_to(0.0)
            self.play.setText(tr("Pause"))
            self._since.start()
            self._ticks.start()

    def pause(self) -> None:
        """Stands still."""
        self._ticks.stop()
        self.play.setText(tr("Play"))

    def step(self, by: int) -> None:
        """A move ahead or back."""
        standing = self.standing
        if standing is None or self.timeline is None:
            return
        self.pause()
        move = standing.move + (by if by > 0 or standing.share < 1 else 0)
        if by > 0 and standing.share < 1:
            move = standing.move
        elif by < 0:
            move = standing.move - 1
        self.go_to(self.timeline.end_of(move) if move >= 0 else 0.0)

    def go_to(self, seconds: float) -> None:
        """Stands at a time."""
        if self.timeline is None:
            return
        self._seconds = min(max(seconds, 0.0), self.timeline.total)
        share = self._seconds / self.timeline.total if self.timeline.total > 0 else 0.0
        self.slider.blockSignals(True)
        self.slider.setValue(round(share * _STEPS))
        self.slider.blockSignals(False)
        self._show_standing()

    def _tick(self) -> None:
        if self.timeline is None:
            self.pause()
            return
        passed = self._since.restart() / 1000.0
        self.go_to(self._seconds + passed * float(self.speed.currentData()))
        if self._seconds >= self.timeline.total:
            self.pause()

    def _slid(self, value: int) -> None:
        if self.timeline is not None:
            self.go_to(self.timeline.total * value / _STEPS)

    def _show_standing(self) -> None:
        standing, done = self.standing, self._made
        if standing is None or done is None or standing.move < 0:
            return
        move = done.played.moves[standing.move]
        x, y, z = standing.place
        way = "rapid" if move.kind == "rapid" else tr("feed {0:g}", move.feed) if move.kind == "feed" else move.kind
        height = "" if done.machine.is_flat else f" Z {z:.3f}"
        total = self.timeline.total if self.timeline is not None else 0.0
        now, whole = (clock(t) or "0 s" for t in (self._seconds, total))
        tool = f"T{move.tool}   " if move.tool else ""
        self.state.setText(tr("{0} of {1}   {2}{3}\nX {4:.3f} Y {5:.3f}{6}", now, whole, tool, way, x, y, height))
        first = max(move.line - 1 - _AROUND, 0)
        shown = done.played.text[first : first + 2 * _AROUND + 1]
        self.lines.setText("\n".join(f"{'▸' if first + k + 1 == move.line else ' '} {t}" for k, t in enumerate(shown)))
        self.stood.emit(standing)
