"""The Intake stage by its widgets: drawings are seen, chosen of, taken in, compared and carried over."""

from __future__ import annotations

import json
import os
import shutil
from pathlib import Path

import ezdxf
import msgspec
import pytest
from PyQt6.QtCore import QMimeData, QPoint, QPointF, Qt, QUrl
from PyQt6.QtGui import QDropEvent, QWheelEvent
from PyQt6.QtWidgets import QAbstractButton, QApplication, QComboBox, QLineEdit, QPushButton
from reportlab.lib.pdfencrypt import StandardEncryption
from reportlab.pdfgen.canvas import Canvas

from syntaxa.demo.formats import write_drawings
from syntaxa.drawing.model import extents_of
from syntaxa.intake.model import ReadOptions
from syntaxa.intake.paste import from_text
from syntaxa.intake.steps import TakeIn
from syntaxa.job.revise import relinked

COUNT = 11


@pytest.fixture
def drawings(tmp_path):
    folder = tmp_path / "drawings"
    folder.mkdir()
    write_drawings(folder)
    return folder


@pytest.fixture
def read(qtbot, window):
    """Waits until the drawing that is looked at is there, or refused."""

    def wait():
        qtbot.waitUntil(lambda: not window.look.lane.busy, timeout=60_000)
        QApplication.processEvents()

    return wait


@pytest.fixture
def shelf(window, drawings, read):
    window.browse(drawings)
    read()
    return window.shelf


def button(parent, text):
    return next(b for b in parent.findChildren(QPushButton) if b.text() == text and b.isVisibleTo(parent))


def look_at(window, name, read):
    window.look.go(next(k for k, p in enumerate(window.look.paths) if p.name == name))
    read()
    return window.look.preview


def wheel(down, modifiers=Qt.KeyboardModifier.NoModifier):
    return QWheelEvent(
        QPointF(200, 200), QPointF(200, 200), QPoint(), QPoint(0, -120 if down else 120),
        Qt.MouseButton.NoButton, modifiers, Qt.ScrollPhase.NoScrollPhase, False,
    )  # fmt: skip


def test_a_folder_of_drawings_is_shown_as_pictures(qtbot, window, shelf):
    assert shelf.list.count() == COUNT
    qtbot.waitUntil(lambda: not shelf.thumbnails.busy, timeout=90_000)
    icons = [shelf.list.item(k).icon().pixmap(168, 126).toImage() for k in range(COUNT)]
    colours = [{image.pixel(x, y) for x in range(0, 168, 3) for y in range(0, 126, 3)} for image in icons]
    # A picture of a drawing has paper and ink; a blank one has one colour.
    assert all(len(c) > 2 for c in colours)
    kept = list(window.settings.pictures_folder.glob("*.png"))
    assert len(kept) == COUNT


def test_pictures_come_from_the_cache_the_second_time(qtbot, window, shelf, drawings):
    qtbot.waitUntil(lambda: not shelf.thumbnails.busy, timeout=90_000)
    shelf.thumbnails.stop()
    ready = []
    shelf.thumbnails.ready.connect(lambda name, _picture: ready.append(Path(name).name))
    window.browse(drawings)
    assert len(ready) == COUNT
    assert not shelf.thumbnails.busy


def test_a_file_that_gives_no_picture_is_marked_with_the_reason(qtbot, window, drawings):
    (drawings / "broken.svg").write_bytes(b"<svg")
    window.browse(drawings)
    qtbot.waitUntil(lambda: not window.shelf.thumbnails.busy, timeout=90_000)
    item = next(i for k in range(COUNT + 1) if (i := window.shelf.list.item(k)).text() == "broken.svg")
    assert "broken.svg is damaged" in item.toolTip()


def test_wheel_and_arrow_keys_step_through_the_drawings(qtbot, window, shelf, read):
    assert window.look.at == 0
    QApplication.sendEvent(shelf.preview, wheel(down=True))
    read()
    assert window.look.at == 1
    qtbot.keyClick(shelf.preview, Qt.Key.Key_Right)
    read()
    qtbot.keyClick(shelf.preview, Qt.Key.Key_Down)
    read()
    assert window.look.at == 3
    assert shelf.list.currentRow() == 3
    qtbot.keyClick(shelf.preview, Qt.Key.Key_Left)
    QApplication.sendEvent(shelf.list.viewport(), wheel(down=False))
    read()
    assert window.look.at == 1
    scale = shelf.preview.view.scale
    QApplication.sendEvent(shelf.preview, wheel(down=False, modifiers=Qt.KeyboardModifier.ControlModifier))
    assert shelf.preview.view.scale > scale
    assert window.look.at == 1


def mark(qtbot, shelf, *rows):
    """Clicks the first of some drawings in the list, and the others with Ctrl held down."""
    for k, row in enumerate(rows):
        item = shelf.list.item(row)
        shelf.list.scrollToItem(item)
        held = Qt.KeyboardModifier.ControlModifier if k else Qt.KeyboardModifier.NoModifier
        place = shelf.list.visualItemRect(item).center()
        qtbot.mouseClick(shelf.list.viewport(), Qt.MouseButton.LeftButton, held, place)


def test_marks_on_the_shelf_stay_and_all_marked_are_added(qtbot, window, shelf, read, settled):
    names = [p.name for p in window.look.paths]
    wanted = [k for k, name in enumerate(names) if name.endswith((".dxf", ".svg"))][:3]
    mark(qtbot, shelf, *wanted)
    read()
    assert [p.name for p in shelf.chosen_paths()] == [names[k] for k in wanted]
    button(window.intake.choices, "Take in all 3").click()
    settled()
    assert sorted(s.name for s in window.session.job.sources) == sorted(names[k] for k in wanted)
    window.browse(window.look.paths[0].parent)
    read()
    mark(qtbot, shelf, *wanted[:2])
    read()
    button(window.intake.choices, "Add all 2 to this job").click()
    settled()
    assert len(window.session.job.sources) == 5


def test_return_takes_in_what_is_seen_and_it_is_remembered(qtbot, window, shelf, read, settled):
    look_at(window, "float-gauge.svg", read)
    window.intake.choices._layers.item(1, 0).setCheckState(Qt.CheckState.Unchecked)
    read()
    qtbot.keyClick(shelf.preview, Qt.Key.Key_Return)
    settled()
    assert {s.name for s in window.session.state.sketches} == {"Cut"}
    assert window.session.job.taking().left_out == ("Engrave",)
    assert window.settings.recent_paths()[0].name == "float-gauge.svg"
    window.browse(window.look.folder)
    read()
    look_at(window, "float-gauge.svg", read)
    assert window.look.choice.left_out == ("Engrave",)
    assert window.intake.choices._why.text() == "As you chose for this file last time."


def test_kinds_hidden_layers_and_blocks_are_chosen(qtbot, window, tmp_path, read, settled):
    document = ezdxf.new()
    document.layers.add("ICE").freeze()
    block = document.blocks.new("NUT")
    block.add_circle((0, 0), 2)
    space = document.modelspace()
    space.add_blockref("NUT", (5, 5))
    space.add_line((0, 0), (9, 0), {"layer": "ICE"})
    space.add_text("NOTE", height=2)
    space.add_point((1, 1))
    path = tmp_path / "kinds.dxf"
    document.saveas(path)
    window.look_at([path])
    read()
    choices = window.intake.choices
    assert {k for k, box in choices._kinds.items() if box.isVisible()} == {"curves", "text", "point"}
    choices._kinds["text"].click()
    read()
    choices._hidden.click()
    read()
    choices._blocks.click()
    read()
    button(choices, "Take it in").click()
    settled()
    (taken,) = window.session.evaluation.first.taken
    assert [c.block for c in taken.drawing.curves] == [""]
    assert taken.drawing.annotation_counts() == {"point": 1}
    assert "ICE" not in {x.name for x in taken.drawing.layers}
    assert window.ledger.list.item(0).text() == "Take in: no text, nothing hidden"


def drag(qtbot, canvas, start, end, modifiers=Qt.KeyboardModifier.NoModifier):
    a, b = (QPointF(*canvas.view.to_pixels(*p)).toPoint() for p in (start, end))
    qtbot.mousePress(canvas, Qt.MouseButton.LeftButton, modifiers, a)
    qtbot.mouseMove(canvas, b)
    qtbot.mouseRelease(canvas, Qt.MouseButton.LeftButton, modifiers, b)


def test_curves_are_picked_with_windows_and_taken_alone(qtbot, window, shelf, read, settled):
    look_at(window, "float-gauge.svg", read)
    qtbot.waitUntil(lambda: not shelf.preview.painting, timeout=20_000)
    # Left to right takes what lies inside: the two holes at the left.
    drag(qtbot, shelf.preview, (2, 2), (20, 88))
    inside = set(window.look.choice.ids)
    assert len(inside) == 2
    # Right to left takes what is touched: the outline as well. Ctrl adds and takes away.
    drag(qtbot, shelf.preview, (116.5, 30), (110, 60), Qt.KeyboardModifier.ControlModifier)
    drag(qtbot, shelf.preview, (20, 19), (8, 5), Qt.KeyboardModifier.ControlModifier)
    assert len(window.look.choice.ids) == 2
    assert set(window.look.choice.ids) - inside
    assert "Only the 2 picked curves" in window.intake.choices._part.text()
    window.take_in()
    settled()
    assert sum(len(s.curves) for s in window.session.state.sketches) == 2


@pytest.mark.parametrize(("mode", "kinds"), [("inside", ["circle"]), ("touching", ["circle", "polyline"]),
                                             ("cut", ["circle", "polyline"])])  # fmt: skip
def test_a_crop_box_takes_cuts_or_touches(qtbot, window, shelf, read, settled, mode, kinds):
    look_at(window, "float-gauge.svg", read)
    qtbot.waitUntil(lambda: not shelf.preview.painting, timeout=20_000)
    button(window.intake.choices, "Draw a box").click()
    drag(qtbot, shelf.preview, (0, 60), (20, 90))
    combo = window.intake.choices._mode
    combo.setCurrentIndex(combo.findData(mode))
    combo.activated.emit(combo.currentIndex())
    assert window.look.choice.box == pytest.approx((0, 60, 20, 90), abs=1)
    window.take_in()
    settled()
    curves = list(window.session.state.curves())
    assert sorted(c.shape.kind for c in curves) == kinds
    if mode == "cut":
        assert max(c.shape.length for c in curves) < 60


def test_presets_are_saved_and_used_on_the_next_file_without_a_question(
    qtbot, window, chosen, shelf, read, settled, drawings
):
    look_at(window, "orchard-pump-panels.dxf", read)
    choices = window.intake.choices
    for name in ("TITLE-BLOCK", "NOTES"):
        row = next(k for k in range(choices._layers.rowCount()) if choices._layers.item(k, 0).text() == name)
        choices._layers.item(row, 0).setCheckState(Qt.CheckState.Unchecked)
        read()
    choices.save_preset("Only parts")
    assert choices._presets.currentText() == "Only parts"
    choices._always.click()
    # Another file: the preset is there from the first look, and opening it asks nothing.
    chosen.path = drawings / "orchard-pump-panels-rev-b.dxf"
    window.ask_open()
    settled()
    assert window.session.job.taking().left_out == ("NOTES", "TITLE-BLOCK")
    assert window.middle.currentWidget() is window.canvas
    kept = json.loads(window.settings.choices_path.read_text())
    assert kept["always"] == "Only parts"
    window.browse(drawings)
    read()
    look_at(window, "valve-plate.dwg", read)
    assert window.look.why == "By the preset “Only parts”."
    choices._drop.click()
    assert window.look.kept.always == ""


def test_the_ground_is_switched_for_the_preview_alone(window, shelf):
    before = shelf.preview.tokens.name
    shelf._ground.click()
    assert shelf.preview.tokens.name != before
    assert window.canvas.tokens.name == before


def test_a_locked_pdf_asks_for_its_password(qtbot, window, tmp_path, read):
    path = tmp_path / "locked.pdf"
    canvas = Canvas(str(path), pagesize=(300, 200), encrypt=StandardEncryption("key", ownerPassword="boss"))
    canvas.circle(100, 100, 30)
    canvas.save()
    window.look_at([path])
    read()
    choices = window.intake.choices
    assert "is locked by its author" in choices._trouble.text()
    assert choices._password.isVisible()
    qtbot.keyClicks(choices._password, "key")
    qtbot.keyClick(choices._password, Qt.Key.Key_Return)
    read()
    assert window.look.preview is not None
    assert not choices._password.isVisible()


def test_pages_and_reading_are_chosen_by_format(qtbot, window, tmp_path, read):
    path = tmp_path / "two.pdf"
    canvas = Canvas(str(path), pagesize=(300, 200))
    canvas.circle(100, 100, 30)
    canvas.showPage()
    for k in range(12):
        canvas.line(20 + 8 * k, 50, 25 + 8 * k, 50)
    canvas.save()
    window.look_at([path])
    read()
    choices = window.intake.choices
    assert choices._sheet.isVisible()
    choices._sheet.setCurrentIndex(1)
    choices._sheet.activated.emit(1)
    read()
    assert len(window.look.preview.scene) == 12
    dashes = next(b for b in choices._reading.findChildren(QAbstractButton) if b.text().startswith("Join dashes"))
    dashes.click()
    read()
    assert len(window.look.preview.scene) == 1
    assert window.look.choice.read == ReadOptions(page=2, join_dashes=True)
    flat = next(b for b in choices._reading.findChildren(QAbstractButton) if b.text().startswith("Lay tilted"))
    assert not flat.isVisible()


def test_the_width_of_a_scan_is_typed(qtbot, window, shelf, read, settled):
    look_at(window, "pulley-sketch-scan.png", read)
    field = next(f for f in window.intake.choices.findChildren(QLineEdit) if f.accessibleName() == "Width in mm")
    qtbot.keyClicks(field, "420")
    qtbot.keyClick(field, Qt.Key.Key_Return)
    read()
    assert window.look.preview.box[2] == pytest.approx(420)
    window.take_in()
    settled()
    assert window.canvas.notes.notes[0].box()[2] == pytest.approx(420)
    slider = window.intake.taken._fade
    assert slider.isVisible()
    slider.setValue(20)
    assert window.canvas.pictures._fade == pytest.approx(0.2)


def test_several_drawings_dropped_at_once_become_one_job(qtbot, window, drawings, read, settled):
    data = QMimeData()
    paths = [drawings / n for n in ("valve-plate.dwg", "float-gauge.svg", "shaft-sleeve.stl")]
    data.setUrls([QUrl.fromLocalFile(str(p)) for p in paths])
    window.dropEvent(
        QDropEvent(
            QPointF(9, 9), Qt.DropAction.CopyAction, data, Qt.MouseButton.LeftButton, Qt.KeyboardModifier.NoModifier
        )
    )
    read()
    assert window.intake.choices._take.text() == "Take in all 3"
    button(window.intake.choices, "Take in all 3").click()
    settled()
    assert [s.name for s in window.session.job.sources] == [p.name for p in paths]
    names = [s.name for s in window.session.state.sketches]
    assert names[-2:] == ["float-gauge", "shaft-sleeve"]
    assert len({c.id for c in window.session.state.curves()}) == sum(1 for _ in window.session.state.curves())


def test_a_drawing_is_added_to_the_job_and_removed_again(qtbot, demo, chosen, drawings, read, settled):
    before = len(demo.session.state.sketches)
    chosen.path = drawings / "float-gauge.svg"
    demo.ask_add()
    read()
    into = demo.intake.choices._into
    assert into.isVisible()
    assert into.findData("BASE-PLATE") > 0
    into.setCurrentIndex(into.findData("float-gauge"))
    into.activated.emit(into.currentIndex())
    button(demo.intake.choices, "Add to this job").click()
    settled()
    assert demo.session.state.sketches[-1].name == "float-gauge"
    box = demo.session.state.sketches[-1].curves
    # Placed at the same origin, each in its own unit.
    assert min(c.shape.start.x for c in box) < 20
    demo.session.sources.remove(2)
    settled()
    assert len(demo.session.state.sketches) == before
    demo.undo()
    settled()
    assert len(demo.session.job.sources) == 2


def test_what_is_taken_can_be_changed_later(qtbot, demo, read, settled):
    demo.change_source(1)
    read()
    choices = demo.intake.choices
    assert choices._take.text() == "Use these choices"
    button(choices, "None").click()
    read()
    choices._layers.item(0, 0).setCheckState(Qt.CheckState.Checked)
    read()
    demo.take_in()
    settled()
    assert [s.name for s in demo.session.state.sketches] == ["MOTOR-BRACKET"]
    demo.undo()
    settled()
    assert len(demo.session.state.sketches) > 1


def test_a_linked_file_that_changes_is_shown_before_anything_happens(qtbot, window, drawings, settled):
    path = drawings / "orchard-pump-panels.dxf"
    window.open_path(path)
    settled()
    before = window.session.state
    # As many programs save: a new file takes the place of the old.
    fresh = drawings / "saving.tmp"
    shutil.copy(drawings / "orchard-pump-panels-rev-b.dxf", fresh)
    os.replace(fresh, path)
    qtbot.waitUntil(lambda: window.session.sources.revision is not None, timeout=20_000)
    assert window.session.state is before
    assert "1 added, 2 removed, 2 moved or changed" in window.banner.sentence
    view = window.intake.taken.changes
    assert view.isVisible()
    rows = {
        view._table.item(k, 0).text(): [view._table.item(k, j).text() for j in range(1, 5)]
        for k in range(view._table.rowCount())
    }
    assert rows["BASE-PLATE"] == ["1", "–", "–", "37"]
    assert rows["COUPLING-GUARD"] == ["–", "2", "–", "24"]
    marks = window.stage("intake")._changes.marks
    assert (len(marks.added), len(marks.removed), len(marks.moved)) == (1, 2, 2)
    button(view, "Take the new one over").click()
    settled()
    assert window.session.sources.revision is None
    assert window.stage("intake")._changes.marks is None
    # The banner had asked; the ledger says what was done, and nobody can switch that off.
    assert not window.banner.isVisible()
    row = window.ledger.list.item(window.ledger.list.count() - 1)
    assert row.text() == "Take over the changed orchard-pump-panels.dxf"
    assert not row.flags() & Qt.ItemFlag.ItemIsUserCheckable
    assert "1 added, 2 removed, 2 moved or changed" in row.toolTip()
    assert "5 changed" in row.data(257)
    assert len(next(s for s in window.session.state.sketches if s.name == "BASE-PLATE").curves) == 38
    window.undo()
    settled()
    assert len(next(s for s in window.session.state.sketches if s.name == "BASE-PLATE").curves) == 37


def test_staying_with_the_old_is_not_asked_again(qtbot, window, drawings, settled):
    path = drawings / "orchard-pump-panels.dxf"
    window.open_path(path)
    settled()
    shutil.copy(drawings / "orchard-pump-panels-rev-b.dxf", path)
    window.check_sources()
    qtbot.waitUntil(lambda: window.session.sources.revision is not None, timeout=20_000)
    button(window.intake.taken.changes, "Stay with the old").click()
    assert window.session.sources.revision is None
    window.check_sources()
    settled()
    assert window.session.sources.revision is None
    assert len(next(s for s in window.session.state.sketches if s.name == "BASE-PLATE").curves) == 37


def test_links_are_paused_pointed_elsewhere_and_detached(qtbot, window, chosen, drawings, settled):
    window.open_path(drawings / "orchard-pump-panels.dxf")
    settled()
    window.pause_link(1)
    settled()
    assert window.session.job.source.link == "paused"
    shutil.copy(drawings / "orchard-pump-panels-rev-b.dxf", drawings / "orchard-pump-panels.dxf")
    window.check_sources()
    settled()
    assert window.session.sources.revision is None
    chosen.path = drawings / "orchard-pump-panels-rev-b.dxf"
    window.ask_relink(1)
    qtbot.waitUntil(lambda: window.session.sources.revision is not None, timeout=20_000)
    window.session.sources.decline_revision()
    window.detach_source(1)
    settled()
    assert (window.session.job.source.link, window.session.job.source.path) == ("held", "")


def test_one_layer_is_replaced_from_a_revised_file(qtbot, demo, chosen, drawings, settled):
    chosen.layer = "BASE-PLATE"
    chosen.path = drawings / "orchard-pump-panels-rev-b.dxf"
    demo.ask_replace_layer(1)
    settled()
    counts = {s.name: len(s.curves) for s in demo.session.state.sketches}
    assert counts["BASE-PLATE"] == 38
    assert counts["COUPLING-GUARD"] == 26
    chosen.layer = "COUPLING-GUARD"
    chosen.path = drawings / "valve-plate.dwg"
    demo.ask_replace_layer(1)
    settled()
    assert "has no layer “COUPLING-GUARD”. It has: " in demo.banner.sentence
    assert {s.name: len(s.curves) for s in demo.session.state.sketches} == counts


def test_curves_are_copied_and_pasted_at_a_point_with_the_unit_checked(qtbot, demo, drawings, settled):
    canvas = demo.canvas
    canvas.selection.choose(frozenset(c.id for c in demo.session.state.sketches[2].curves))
    canvas.selection.changed.emit()
    assert demo.menus.actions["copy_curves"].isEnabled()
    demo.copy_curves()
    held = from_text(QApplication.clipboard().text().encode())
    assert (held.unit, held.certain, len(held.curves)) == ("in", False, 14)
    demo.open_path(drawings / "valve-plate.dwg")
    settled()
    before = sum(len(s.curves) for s in demo.session.state.sketches)
    demo.paste_curves()
    # What the demo says of its unit contradicts the clues, and nobody has decided.
    assert "nobody has settled the unit yet" in demo.banner.sentence
    button(demo.banner, "Paste them all the same").click()
    qtbot.waitUntil(lambda: not canvas.painting, timeout=20_000)
    qtbot.mouseClick(canvas, Qt.MouseButton.LeftButton, pos=QPointF(*canvas.view.to_pixels(200.0, 50.0)).toPoint())
    settled()
    sketch = demo.session.state.sketches[-1]
    assert sketch.name.startswith("from ")
    assert sum(len(s.curves) for s in demo.session.state.sketches) == before + 14
    assert min(c.shape.start.x for c in sketch.curves) == pytest.approx(200, abs=3)
    assert demo.ledger.list.item(0).text().startswith("Paste 14 curves")
    demo.undo()
    settled()
    assert sum(len(s.curves) for s in demo.session.state.sketches) == before


def test_a_clipboard_without_curves_is_told(demo):
    QApplication.clipboard().setText("hello")
    demo.paste_curves()
    assert demo.banner.sentence == "The clipboard holds no curves. Copy some in a job first."


def test_the_report_is_saved_as_text_and_as_json(demo, chosen, tmp_path):
    chosen.path = tmp_path / "report.txt"
    demo.ask_report()
    text = chosen.path.read_text()
    assert "MOTOR-BRACKET" in text
    assert "Everything was read." in text
    chosen.path = tmp_path / "report.json"
    demo.ask_report()
    assert json.loads(chosen.path.read_text())[0]["curves"]["line"] == 83
    demo.copy_report()
    assert "orchard-pump-panels.dxf: DXF" in QApplication.clipboard().text()


def test_texts_and_pictures_are_hidden_and_shown(demo):
    assert {n.kind for n in demo.canvas.notes.notes} == {"text"}
    demo.menus.actions["toggle_notes"].trigger()
    assert not demo.canvas.notes.notes
    demo.menus.actions["toggle_notes"].trigger()
    assert demo.canvas.notes.notes


def test_choices_of_a_file_are_kept_without_its_password(window, tmp_path):
    choice = TakeIn(read=ReadOptions(password="secret", page=2), left_out=("A",))
    window.look.kept.remember(tmp_path / "x.pdf", "digest", choice)
    window.look.kept.save_preset("P", choice)
    assert "secret" not in window.settings.choices_path.read_text()
    assert window.look.kept.last_for(tmp_path / "x.pdf", "other").left_out == ("A",)


def test_every_control_of_the_stage_has_a_name(window, shelf):
    widgets = [w for kind in (QComboBox, QLineEdit, QAbstractButton) for w in window.findChildren(kind)]
    for widget in widgets:
        name = widget.accessibleName() or (widget.text() if isinstance(widget, QAbstractButton) else "")
        inner = widget.objectName().startswith("qt_") or isinstance(widget.parent(), QComboBox)
        assert name or inner, widget


def test_a_job_with_several_linked_sources_opens_again(window, drawings, tmp_path, settled):
    window.session.files.open_several(
        [(drawings / "valve-plate.dwg", TakeIn()), (drawings / "float-gauge.svg", TakeIn(into="gauge"))]
    )
    settled()
    path = tmp_path / "two.sxj"
    window.session.files.save(path)
    settled()
    sketches = [(s.name, len(s.curves)) for s in window.session.state.sketches]
    window.open_path(path)
    settled()
    assert [(s.name, len(s.curves)) for s in window.session.state.sketches] == sketches
    assert [s.link for s in window.session.job.sources] == ["linked", "linked"]
    assert relinked(window.session.job.source, path).path == str(path)
    assert msgspec.json.encode(window.session.job.taking(2))


def test_one_source_is_scaled_to_a_size_and_moved_apart_from_the_others(qtbot, window, tmp_path, settled):
    """A part that came at half its size, and whose origin is elsewhere, beside one that is right."""
    for name, at, side in (("right.dxf", 0.0, 40.0), ("half.dxf", 100.0, 20.0)):
        document = ezdxf.new()
        document.units = 4
        corners = [(at, at), (at + side, at), (at + side, at + side), (at, at + side)]
        document.modelspace().add_lwpolyline(corners, close=True)
        document.saveas(tmp_path / name)
    window.open_paths([tmp_path / "right.dxf", tmp_path / "half.dxf"])
    settled()
    menu = window.intake.taken._menu(window.session.job.sources[1], True)
    next(a for a in menu.actions() if a.text() == "Select its curves").trigger()
    assert [c.source for c in window.canvas.selection.curves()] == [2]
    for key, points, value in (("width", ("100, 100",), "40"), ("move", ("100, 100", "50, 0"), "")):
        window.select_source(2)
        window.take_tool(key)
        for text in points:
            window.draw_strip.point.setText(text)
            qtbot.keyClick(window.draw_strip.point, Qt.Key.Key_Return)
        if value:
            window.draw_strip.value.setText(value)
            qtbot.keyClick(window.draw_strip.value, Qt.Key.Key_Return)
        settled()
    boxes = {c.source: extents_of([c]) for c in window.session.state.curves()}
    assert boxes[1] == pytest.approx((0, 0, 40, 40))
    assert boxes[2] == pytest.approx((50, 0, 90, 40))
