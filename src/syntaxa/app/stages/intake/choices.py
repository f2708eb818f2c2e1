"""What is taken of the drawing that is looked at: sheet, layers, kinds, part, reading, presets."""

from __future__ import annotations

from collections.abc import Sequence
from pathlib import Path

import msgspec
from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtWidgets import (
    QCheckBox,
    QComboBox,
    QGridLayout,
    QHBoxLayout,
    QInputDialog,
    QLineEdit,
    QTableWidgetItem,
    QVBoxLayout,
    QWidget,
)

from syntaxa.app.lengths import LengthFormat
from syntaxa.app.sentences import said
from syntaxa.app.stages.intake.look import Preview, Viewing
from syntaxa.app.stages.intake.reading import ReadingFields
from syntaxa.app.widgets.labels import button, cell, label, narrow, table
from syntaxa.app.words import counted, tr
from syntaxa.drawing.units import UNIT_NAMES
from syntaxa.intake.steps import KINDS, TakeIn

KIND_NAMES = {
    "curves": tr("Curves"),
    "text": tr("Texts"),
    "dimension": tr("Dimensions"),
    "hatch": tr("Hatches"),
    "point": tr("Points"),
    "image": tr("Pictures"),
    "construction": tr("Construction lines"),
    "leader": tr("Leaders"),
}

_NAME = Qt.ItemDataRole.UserRole

#: What a box takes: in the list, and in a sentence.
_PARTS = {
    "inside": (tr("inside it"), tr("what lies inside the box")),
    "touching": (tr("touched by it"), tr("what the box touches")),
    "cut": (tr("cut at it"), tr("cut at the box")),
}


class Choices(QWidget):
    """Shows and changes the choices of a `Viewing`."""

    take_wanted = pyqtSignal()
    add_wanted = pyqtSignal()
    box_wanted = pyqtSignal()

    def __init__(self, look: Viewing) -> None:
        super().__init__()
        self.look = look
        self._lengths = LengthFormat("mm")
        self._sketches: Sequence[str] | None = None
        self._marked = 1
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(7)
        self._facts = label("", "dim", wrap=True)
        self._why = label("", "good", wrap=True)
        column.addWidget(self._facts)
        column.addLayout(self._make_buttons())
        column.addWidget(self._why)
        self._trouble = label("", "warning", wrap=True)
        self._trouble.hide()
        column.addWidget(self._trouble)
        self._password = self._make_password(column)
        # All that can be chosen is there only while there is a drawing to choose of.
        self._details = QWidget()
        column.addWidget(self._details)
        column.addStretch(1)
        column = QVBoxLayout(self._details)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(7)
        self._sheet_title, self._sheet = label(tr("Page or layout"), "heading"), narrow(QComboBox())
        self._sheet.setAccessibleName(tr("Page or layout"))
        self._sheet.activated.connect(lambda _k: self._choose_sheet())
        column.addWidget(self._sheet_title)
        column.addWidget(self._sheet)
        self._layers_title = label(tr("Layers"), "heading")
        column.addLayout(self._make_layer_row())
        self._layers = table(tr("Layers of the drawing"), (tr("Layer"), tr("Curves"), tr("Notes")), 0)
        self._layers.itemChanged.connect(self._layer_switched)
        column.addWidget(self._layers)
        self._hidden = QCheckBox(tr("Leave hidden and frozen layers"))
        self._hidden.toggled.connect(lambda on: self._set(skip_hidden=on))
        column.addWidget(self._hidden)
        column.addWidget(label(tr("Take"), "heading"))
        column.addLayout(self._make_kinds())
        self._blocks = QCheckBox(tr("Keep blocks together"))
        self._blocks.setToolTip(tr("Curves remember which block they came in with"))
        self._blocks.toggled.connect(lambda on: self._set(dissolve=not on))
        column.addWidget(self._blocks)
        self._make_part(column)
        self._into_title, self._into = label(tr("Goes to"), "heading"), narrow(QComboBox())
        self._into.setAccessibleName(tr("Which sketch its curves go to"))
        self._into.activated.connect(lambda _k: self._set(into=self._into.currentData()))
        column.addWidget(self._into_title)
        column.addWidget(self._into)
        self._reading_title = label(tr("Reading"), "heading")
        column.addWidget(self._reading_title)
        self._reading = ReadingFields()
        self._reading.chosen.connect(self.look.choose_reading)
        column.addWidget(self._reading)
        self._make_presets(column)
        look.moved.connect(self._moved)
        look.shown.connect(self.refresh)
        look.refused.connect(self._refused)
        self._moved()

    # ------------------------------------------------------------------ making

    def _make_buttons(self) -> QHBoxLayout:
        self._take = button(tr("Take it in"), primary=True)
        self._take.clicked.connect(self.take_wanted)
        self._add = button(tr("Add to this job"))
        self._add.clicked.connect(self.add_wanted)
        row = QHBoxLayout()
        row.addWidget(self._take)
        row.addWidget(self._add)
        row.addStretch()
        return row

    def _make_password(self, column: QVBoxLayout) -> QLineEdit:
        field = QLineEdit()
        field.setAccessibleName(tr("Password of the drawing"))
        field.setPlaceholderText(tr("Password"))
        field.setEchoMode(QLineEdit.EchoMode.Password)
        field.returnPressed.connect(
            lambda: self.look.choose_reading(msgspec.structs.replace(self.look.choice.read, password=field.text()))
        )
        field.hide()
        column.addWidget(field)
        return field

    def _make_layer_row(self) -> QHBoxLayout:
        row = QHBoxLayout()
        row.addWidget(self._layers_title, 1)
        for text, name, run in ((tr("All"), tr("Take all layers"), True), (tr("None"), tr("Leave all layers"), False)):
            made = button(text, name)
            made.clicked.connect(lambda _checked, on=run: self._all_layers(on))
            row.addWidget(made)
        return row

    def _make_kinds(self) -> QGridLayout:
        grid = QGridLayout()
        grid.setVerticalSpacing(2)
        self._kinds: dict[str, QCheckBox] = {}
        for kind in KINDS:
            box = QCheckBox(KIND_NAMES[kind])
            box.toggled.connect(lambda on, k=kind: self._kind_switched(k, on))
            self._kinds[kind] = box
        self._kind_grid = grid
        return grid

    def _make_part(self, column: QVBoxLayout) -> None:
        column.addWidget(label(tr("Part of it"), "heading"))
        self._part = label("", "dim", wrap=True)
        column.addWidget(self._part)
        row = QHBoxLayout()
        self._draw_box = button(tr("Draw a box"))
        self._draw_box.clicked.connect(self.box_wanted)
        self._mode = narrow(QComboBox())
        self._mode.setAccessibleName(tr("What the box takes"))
        for mode, (words, _) in _PARTS.items():
            self._mode.addItem(words, mode)
        self._mode.activated.connect(lambda _k: self._set(box_mode=self._mode.currentData()))
        self._whole = button(tr("All of it"), tr("Take all of it again"))
        self._whole.clicked.connect(lambda: self._set(box=None, ids=None))
        row.addWidget(self._draw_box)
        row.addWidget(self._mode, 1)
        row.addWidget(self._whole)
        column.addLayout(row)

    def _make_presets(self, column: QVBoxLayout) -> None:
        column.addWidget(label(tr("Preset"), "heading"))
        row = QHBoxLayout()
        self._presets = narrow(QComboBox())
        self._presets.setAccessibleName(tr("Preset"))
        self._presets.activated.connect(lambda _k: self._use_preset())
        save, drop = button(tr("Save…"), tr("Save as a preset")), button(tr("Drop"), tr("Drop this preset"))
        save.clicked.connect(lambda: self.save_preset())
        drop.clicked.connect(self._drop_preset)
        self._drop = drop
        row.addWidget(self._presets, 1)
        row.addWidget(save)
        row.addWidget(drop)
        column.addLayout(row)
        self._always = QCheckBox(tr("Use it for every new file, without asking"))
        self._always.toggled.connect(self._set_always)
        column.addWidget(self._always)

    @property
    def marked_several(self) -> bool:
        """Whether several drawings are marked, to be taken in together."""
        return self._marked > 1 and self.look.editing is None

    # ------------------------------------------------------------------ showing

    def show_with(self, lengths: LengthFormat, sketches: Sequence[str] | None, marked: int) -> None:
        """Takes a display unit, the sketches of the open job if one is open, and how many drawings are marked."""
        self._lengths, self._sketches, self._marked = lengths, sketches, marked
        self.refresh()

    def _moved(self) -> None:
        self._trouble.hide()
        self._password.hide()
        self._password.clear()
        self.refresh()

    def _refused(self, says: str, locked: bool) -> None:
        self._trouble.setText(says)
        self._trouble.show()
        self._password.setVisible(locked)
        if locked:
            self._password.setFocus()
        self.refresh()

    def refresh(self) -> None:
        """Shows the choices as they are."""
        preview, choice = self.look.preview, self.look.choice
        there = preview is not None
        self._details.setVisible(there)
        editing = self.look.editing is not None
        several = self._marked if self.marked_several else 0
        self._take.setText(
            tr("Use these choices") if editing else tr("Take in all {0}", several) if several else tr("Take it in")
        )
        self._take.setEnabled(there)
        self._add.setText(tr("Add all {0} to this job", several) if several else tr("Add to this job"))
        self._add.setVisible(self._sketches is not None and not editing)
        self._add.setEnabled(there)
        if preview is None:
            waits = self.look.path is not None or editing
            self._facts.setText(tr("Reading…") if waits else tr("No drawing is looked at."))
            self._facts.setVisible(self._trouble.isHidden())
            self._why.hide()
            return
        self._trouble.hide()
        self._password.hide()
        self._facts.show()
        self._show_facts(preview)
        self._why.setText(said(self.look.why))
        self._why.setVisible(bool(self.look.why))
        self._fill_sheets(preview)
        self._fill_layers(preview, choice)
        self._fill_kinds(preview, choice)
        self._show_part(choice)
        self._fill_into(preview, choice)
        form = preview.received.report.format
        if preview.received.drawing.meshes and form != "stl":
            form = tr("{0} mesh", form)
        self._reading.show_for(form, choice.read)
        self._reading_title.setVisible(self._reading.isVisibleTo(self))
        self._fill_presets()

    def _show_facts(self, preview: Preview) -> None:
        report = preview.received.report
        says = (
            tr("says {0}", said(UNIT_NAMES[report.declared]))
            if report.declared
            else tr("probably {0}", said(UNIT_NAMES[preview.unit]))
        )
        if report.declared and report.declared != preview.unit:
            says += tr(", but probably {0}", said(UNIT_NAMES[preview.unit]))
        size = self._lengths.size(preview.box)
        lines = [tr("{0}, unit: {1}", size, says)]
        missing = sum(n.count for n in report.not_read)
        if missing:
            lines.append(
                tr("{0} could not be read; the report says why once it is taken in.", counted(missing, "thing"))
            )
        self._facts.setText("\n".join(lines))

    def _fill_sheets(self, preview: Preview) -> None:
        sheets = preview.received.report.sheets
        self._sheet.clear()
        for sheet in sheets:
            self._sheet.addItem(sheet.title, sheet.name)
        self._sheet.setCurrentIndex(max(0, self._sheet.findData(preview.received.report.sheet)))
        for part in (self._sheet, self._sheet_title):
            part.setVisible(len(sheets) > 1)

    def _fill_layers(self, preview: Preview, choice: TakeIn) -> None:
        layers = [x for x in preview.layers if x[1] or x[2]]
        self._layers_title.setText(f"{counted(len(layers), 'layer')}")
        self._layers.blockSignals(True)
        self._layers.setRowCount(len(layers))
        for k, (name, curves, notes, shown) in enumerate(layers):
            item = QTableWidgetItem(name if shown else tr("{0}  · hidden", name))
            item.setData(_NAME, name)
            item.setFlags(item.flags() | Qt.ItemFlag.ItemIsUserCheckable)
            taken = (choice.only is None or name in choice.only) and name not in choice.left_out
            taken = taken and (shown or not choice.skip_hidden)
            item.setCheckState(Qt.CheckState.Checked if taken else Qt.CheckState.Unchecked)
            item.setToolTip(name if shown else tr("{0}: its author had it hidden", name))
            if not shown:
                font = item.font()
                font.setItalic(True)
                item.setFont(font)
            self._layers.setItem(k, 0, item)
            self._layers.setItem(k, 1, cell(str(curves or "–"), figure=True))
            self._layers.setItem(k, 2, cell(str(notes or "–"), figure=True))
        self._layers.blockSignals(False)
        self._layers.setFixedHeight(34 + 28 * min(max(len(layers), 1), 7))
        hidden = any(not shown for *_, shown in layers)
        self._check(self._hidden, choice.skip_hidden)
        self._hidden.setVisible(hidden)

    def _fill_kinds(self, preview: Preview, choice: TakeIn) -> None:
        place = 0
        for kind, box in self._kinds.items():
            count = preview.kinds.get(kind, 0)
            box.setVisible(count > 0)
            if count:
                box.setText(f"{KIND_NAMES[kind]} ({count})")
                self._check(box, kind not in choice.skip_kinds)
                self._kind_grid.addWidget(box, place // 2, place % 2)
                place += 1
        self._blocks.setVisible(preview.received.drawing.blocks > 0)
        self._blocks.setText(tr("Keep blocks together ({0})", preview.received.drawing.blocks))
        self._check(self._blocks, not choice.dissolve)

    def _show_part(self, choice: TakeIn) -> None:
        says = []
        if choice.ids is not None:
            says.append(tr("only the {0}", counted(len(choice.ids), "picked curve")))
        if choice.box is not None:
            says.append(_PARTS[choice.box_mode][1])
        text = " and ".join(says)
        self._part.setText(
            f"{text[:1].upper()}{text[1:]}." if says else tr("All of it. Drag over curves to pick some.")
        )
        self._mode.setCurrentIndex(max(0, self._mode.findData(choice.box_mode)))
        self._mode.setVisible(choice.box is not None)
        self._whole.setVisible(bool(says))

    def _fill_into(self, preview: Preview, choice: TakeIn) -> None:
        """Where the curves of a further source go: to a sketch a layer, one of their own, or one that is there."""
        own = Path(preview.source.name).stem
        self._into.clear()
        self._into.addItem(tr("a sketch a layer"), "")
        for name in dict.fromkeys((own, *(self._sketches or ()))):
            self._into.addItem(tr("a sketch of its own, {0}", name) if name == own else tr("sketch {0}", name), name)
        self._into.setCurrentIndex(max(0, self._into.findData(choice.into)))
        for part in (self._into, self._into_title):
            part.setVisible(self._sketches is not None)

    def _fill_presets(self) -> None:
        kept = self.look.kept
        current = self._presets.currentData()
        self._presets.clear()
        self._presets.addItem(tr("None"), "")
        for name in kept.names:
            self._presets.addItem(name, name)
        self._presets.setCurrentIndex(max(0, self._presets.findData(current)))
        name = self._presets.currentData()
        self._drop.setEnabled(bool(name))
        self._always.setEnabled(bool(name))
        self._check(self._always, bool(name) and kept.always == name)

    @staticmethod
    def _check(box: QCheckBox, on: bool) -> None:
        box.blockSignals(True)
        box.setChecked(on)
        box.blockSignals(False)

    # ------------------------------------------------------------------ choosing

    def _set(self, **changes: object) -> None:
        self.look.choose(msgspec.structs.replace(self.look.choice, **changes))

    def _choose_sheet(self) -> None:
        name = str(self._sheet.currentData())
        read = self.look.choice.read
        paged = name.isdigit()
        self.look.choose_reading(
            msgspec.structs.replace(read, page=int(name) if paged else 1, layout="" if paged else name)
        )

    def _all_layers(self, on: bool) -> None:
        preview = self.look.preview
        if preview is not None:
            self._set(left_out=() if on else tuple(x[0] for x in preview.layers), only=None)

    def _layer_switched(self, item: QTableWidgetItem) -> None:
        preview, choice = self.look.preview, self.look.choice
        if item.column() or preview is None:
            return
        left = set(choice.left_out)
        if choice.only is not None:
            left |= {x[0] for x in preview.layers} - set(choice.only)
        (left.discard if item.checkState() == Qt.CheckState.Checked else left.add)(str(item.data(_NAME)))
        self._set(left_out=tuple(sorted(left)), only=None)

    def _kind_switched(self, kind: str, on: bool) -> None:
        skipped = [k for k in self.look.choice.skip_kinds if k != kind]
        self._set(skip_kinds=tuple(skipped if on else [*skipped, kind]))

    # ------------------------------------------------------------------ presets

    def _use_preset(self) -> None:
        preset = self.look.kept.preset(str(self._presets.currentData()))
        if preset is not None:
            own = self.look.choice
            read = msgspec.structs.replace(
                preset.read, page=own.read.page, layout=own.read.layout, password=own.read.password
            )
            self.look.choose(msgspec.structs.replace(preset, source=own.source, into=own.into, read=read))
        self._fill_presets()

    def save_preset(self, name: str = "") -> None:
        """Keeps the choices under a name, asked for if it is not given."""
        if not name:
            name, sure = QInputDialog.getText(self, tr("Save as a preset"), tr("Name of the preset:"))
            name = name.strip()
            if not sure or not name:
                return
        self.look.kept.save_preset(name, self.look.choice)
        self._fill_presets()
        self._presets.setCurrentIndex(self._presets.findData(name))
        self._fill_presets()

    def _drop_preset(self) -> None:
        self.look.kept.drop_preset(str(self._presets.currentData()))
        self._presets.setCurrentIndex(0)
        self._fill_presets()

    def _set_always(self, on: bool) -> None:
        self.look.kept.always = str(self._presets.currentData()) if on else ""
