"""The page on which edges are rounded and bevelled."""

from __future__ import annotations

from typing import Literal

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QComboBox, QWidget

from syntaxa.app.sentences import said
from syntaxa.app.shell.panel import Filling
from syntaxa.app.stages.form.make_page import free_feature, refill
from syntaxa.app.widgets.labels import button, label, lines_kept, roomy, row_of
from syntaxa.app.widgets.value_field import ValueField
from syntaxa.app.words import counted, tr
from syntaxa.form.edges import RULE_WORDS, TreatEdges
from syntaxa.form.model import EdgeKey
from syntaxa.form.part import Formed


class EdgesPage(QWidget):
    """Which edges, how large, and what is done with them."""

    wanted = pyqtSignal(object)

    def __init__(self) -> None:
        super().__init__()
        self._part, self._keys, self._body = Formed(), tuple[EdgeKey, ...](), ""
        column = Filling(self)
        column.setContentsMargins(0, 8, 0, 0)
        column.setSpacing(7)
        self.what = lines_kept(label("", wrap=True), 2)
        self.rule, self.body, self.feature = QComboBox(), roomy(QComboBox()), roomy(QComboBox())
        self.rule.setAccessibleName(tr("Which edges"))
        self.rule.addItem(tr("the chosen ones"), "")
        for rule, words in RULE_WORDS.items():
            self.rule.addItem(said(words), rule)
        self.rule.currentIndexChanged.connect(lambda _index: self._show())
        self.body.setAccessibleName(tr("Body whose edges are meant"))
        self.feature.setAccessibleName(tr("Feature whose edges alone are meant"))
        self.length = ValueField(tr("Radius of the fillet, or setback of the chamfer"))
        self.length.show_value("2", 2.0, "")
        self.length.setMaximumWidth(110)
        self.fillet, self.chamfer = (
            button(tr("Round"), tr("Round the edges: a fillet")),
            button(tr("Bevel"), tr("Bevel: a chamfer")),
        )
        self.fillet.clicked.connect(lambda: self._do("fillet"))
        self.chamfer.clicked.connect(lambda: self._do("chamfer"))
        column.addWidget(self.what)
        column.addLayout(row_of(label(tr("Edges"), "dim"), self.rule, None))
        column.addLayout(row_of(label(tr("of"), "dim"), self.body, label(tr("made by"), "dim"), self.feature))
        column.addLayout(
            row_of(label(tr("Size"), "dim"), self.length, label("mm", "dim"), None, self.chamfer, self.fillet)
        )
        column.addStretch(1)

    def show_parts(self, part: Formed) -> None:
        """Shows what there is."""
        self._part = part
        refill(self.body, [b.name for b in reversed(part.bodies)])
        refill(self.feature, [tr("anything"), *(f.name for f in part.features if f.kind in ("raise", "turn"))])
        self._show()

    def show_edges(self, body: str, keys: tuple[EdgeKey, ...]) -> None:
        """The edges that are chosen, all of one body."""
        self._body, self._keys = body, keys
        if keys:
            self.rule.setCurrentIndex(0)
        self._show()

    def _show(self) -> None:
        by_hand = self.rule.currentData() == ""
        if not self._part.bodies:
            self.what.setText(tr("There is no body yet: raise a region first."))
        elif by_hand:
            chosen = tr("{0} of {1} chosen.", counted(len(self._keys), "edge"), self._body)
            self.what.setText(
                chosen
                if self._keys
                else tr("Click an edge, or a face for all of its edges, Ctrl for several; or take a rule.")
            )
        else:
            self.what.setText(
                tr("{0}, whatever the numbers become.", said(RULE_WORDS[self.rule.currentData()]).capitalize())
            )
        for widget in (self.body, self.feature):
            widget.setEnabled(not by_hand and bool(self._part.bodies))
        can = bool(self._part.bodies) and (not by_hand or bool(self._keys))
        self.fillet.setEnabled(can)
        self.chamfer.setEnabled(can)

    def _do(self, kind: Literal["fillet", "chamfer"]) -> None:
        names = frozenset(f.name for f in self._part.features)
        feature = free_feature(tr("Fillet") if kind == "fillet" else tr("Chamfer"), names)
        size = self.length.text().strip() or "0"
        if self.rule.currentData() == "":
            self.wanted.emit(TreatEdges(feature, kind, size, self._body, self._keys))
            return
        of = self.feature.currentText() if self.feature.currentIndex() > 0 else ""
        self.wanted.emit(TreatEdges(feature, kind, size, self.body.currentText(), rule=self.rule.currentData(), of=of))
