"""The whole window, driven by its widgets: each stage does what it says, and nothing is lost."""

from __future__ import annotations

import errno
import math
import os

import ezdxf
import pypdfium2
import pytest
from PyQt6.QtCore import QMimeData, QPointF, Qt, QUrl
from PyQt6.QtGui import QDropEvent, QFontInfo
from PyQt6.QtWidgets import (
    QAbstractButton,
    QAbstractItemView,
    QApplication,
    QComboBox,
    QLineEdit,
    QMessageBox,
    QPushButton,
)

from syntaxa.app.session.recovery import orphans
from syntaxa.app.session.surveyed import findings, surveyed
from syntaxa.app.stages.mend.fixing import set_gap
from syntaxa.app.theme.glyphs import glyph_path
from syntaxa.app.theme.tokens import LOOKS, contrast
from syntaxa.demo.drawing import write_demo
from syntaxa.demo.formats import write_drawings
from syntaxa.drawing.model import extents_of
from syntaxa.geometry.points import Point
from syntaxa.intake.steps import TakeIn
from syntaxa.measure.steps import PlaceOrigin
from syntaxa.mend.model import FINDING_KINDS


def size(window):
    box = extents_of(window.session.state.curves())
    return box[2] - box[0], box[3] - box[1]


def choose_unit(qtbot, window, row):
    table = window.measure.units.table
    window.show_stage(1)
    centre = table.visualItemRect(table.item(row, 0)).center()
    qtbot.mouseClick(table.viewport(), Qt.MouseButton.LeftButton, pos=centre)


def test_an_empty_window_teaches_what_to_do(window):
    assert window.welcome.isVisible()
    texts = [b.text() for b in window.welcome.findChildren(QPushButton)]
    assert texts == ["Open a drawing…", "Look through a folder…", "Open the demo"]
    assert not window.menus.actions["save"].isEnabled()


def test_a_dropped_drawing_is_seen_and_then_taken_in(qtbot, window, settled, tmp_path):
    path = write_demo(tmp_path)
    data = QMimeData()
    data.setUrls([QUrl.fromLocalFile(str(path))])
    event = QDropEvent(
        QPointF(400, 300), Qt.DropAction.CopyAction, data, Qt.MouseButton.LeftButton, Qt.KeyboardModifier.NoModifier
    )
    window.dropEvent(event)
    qtbot.waitUntil(lambda: window.look.preview is not None, timeout=20_000)
    assert window.session.job is None
    assert window.middle.currentWidget() is window.shelf
    qtbot.keyClick(window.shelf.preview, Qt.Key.Key_Return)
    settled()
    assert window.middle.currentWidget() is window.canvas
    assert not window.welcome.isVisible()
    assert window.session.job.source.name == path.name
    assert window.settings.recent_paths() == [path]
    assert len(window.canvas.selection.scene) == 168


def test_intake_tells_what_could_not_be_read(window, settled, tmp_path):
    path = tmp_path / "odd.dxf"
    document = ezdxf.new()
    document.modelspace().add_blockref("NOWHERE", (0, 0))
    document.modelspace().add_circle((0, 0), 5)
    document.saveas(path)
    window.open_path(path)
    settled()
    trouble = window.intake.taken._trouble
    assert trouble.isVisible()
    assert trouble.text() == "1 INSERT not read. Its block “NOWHERE” is missing."
    assert window.rail.buttons[0].accessibleName() == "Intake, 1 open"


def test_the_unit_is_overruled_by_a_click(qtbot, demo, settled):
    assert demo.rail.buttons[1].accessibleName() == "Measure, 1 open"
    before = size(demo)
    assert "declares millimetres, but the clues speak for inches" in demo.measure.units._question.text()
    row = next(k for k in range(4) if demo.measure.units.table.item(k, 0).text().endswith("centimetres"))
    choose_unit(qtbot, demo, row)
    settled()
    assert size(demo) == pytest.approx([s / 2.54 for s in before])
    assert demo.rail.buttons[1].accessibleName() == "Measure"
    assert [r.title for r in demo.session.evaluation.ledger] == ["Unit: centimetres"]


def typed(qtbot, field, text):
    field.setFocus()
    field.selectAll()
    qtbot.keyClicks(field, text)
    qtbot.keyClick(field, Qt.Key.Key_Return)


def test_scale_and_typed_origin(qtbot, demo, settled):
    demo.show_stage(1)
    settled()
    before = size(demo)
    placing = demo.measure.placing
    placing.scaling._x.setFocus()
    qtbot.keyClicks(placing.scaling._x, "40/96")
    assert demo.measure._would.isVisible()
    assert demo.stage("measure").ghost.box is not None
    qtbot.keyClick(placing.scaling._x, Qt.Key.Key_Return)
    settled()
    assert size(demo) == pytest.approx([s * 40 / 96 for s in before])
    assert not demo.measure._would.isVisible()
    typed(qtbot, placing.scaling._wide, "2' 8 1/2\"")
    settled()
    assert size(demo)[0] == pytest.approx(32.5 * 25.4)
    placing.origin._mode.setCurrentIndex(placing.origin._mode.findData("point"))
    placing.origin._mode.activated.emit(placing.origin._mode.currentIndex())
    box = extents_of(demo.session.state.curves())
    typed(qtbot, placing.origin._ox, f"{box[0] - 12.5!r}")
    typed(qtbot, placing.origin._oy, f"{box[1] / 25.4!r}in")
    settled()
    assert extents_of(demo.session.state.curves())[:2] == pytest.approx((12.5, 0.0), abs=1e-6)


def test_one_source_is_placed_by_fields_and_by_picked_points_and_put_back(qtbot, demo, settled, tmp_path):
    write_drawings(tmp_path)
    demo.show_stage(1)
    assert not demo.measure.source_place.isVisible()
    demo.session.sources.add([(tmp_path / "float-gauge.svg", TakeIn(into="float-gauge"))])
    settled()
    place = demo.measure.source_place
    assert place.isVisible()

    def boxes():
        curves = list(demo.session.state.curves())
        return [extents_of([c for c in curves if c.source == n]) for n in (1, 2)]

    first, before = boxes()
    place._own.setCurrentIndex(place._own.findData("lower-left"))
    place._own.activated.emit(place._own.currentIndex())
    typed(qtbot, place._x, "200")
    typed(qtbot, place._y, "3in")
    typed(qtbot, place._width, "50")
    settled()
    assert boxes()[0] == first
    assert boxes()[1][:3] == pytest.approx((200.0, 76.2, 250.0))
    here = Point(*boxes()[1][:2])
    place._got_points([here, Point(0.0, 0.0)])
    settled()
    assert boxes()[1][:3] == pytest.approx((0.0, 0.0, 50.0), abs=1e-9)
    place._as_drawn.click()
    settled()
    assert boxes()[1] == pytest.approx(before)
    assert not place._as_drawn.isEnabled()


def test_a_field_refuses_what_is_no_number(qtbot, demo):
    demo.show_stage(1)
    field = demo.measure.placing.scaling._x
    typed(qtbot, field, "twice")
    assert field.property("wrong") is True
    assert demo.session.job.steps == ()


def largest_circle(window):
    return max((c for c in window.session.state.curves() if c.shape.kind == "circle"), key=lambda c: c.shape.radius)


def click(qtbot, canvas, x, y):
    qtbot.mouseClick(canvas, Qt.MouseButton.LeftButton, pos=QPointF(*canvas.view.to_pixels(x, y)).toPoint())


def test_the_origin_is_picked_with_a_snap(qtbot, demo, settled):
    demo.show_stage(1)
    demo.canvas.paint_now()
    placing = demo.measure.placing
    corner = next(c for c in demo.session.state.curves() if c.layer == "MOTOR-BRACKET").shape.start
    placing.origin._mode.setCurrentIndex(placing.origin._mode.findData("point"))
    placing.origin._mode.activated.emit(placing.origin._mode.currentIndex())
    qtbot.mouseClick(placing.origin._pick_button, Qt.MouseButton.LeftButton)
    px, py = demo.canvas.view.to_pixels(corner.x, corner.y)
    qtbot.mouseClick(demo.canvas, Qt.MouseButton.LeftButton, pos=QPointF(px + 4, py - 3).toPoint())
    settled()
    step = demo.session.job.step_of(PlaceOrigin)
    assert (step.x, step.y) == (pytest.approx(corner.x), pytest.approx(corner.y))


def test_scale_by_two_points_and_their_length(qtbot, demo, settled):
    demo.show_stage(1)
    demo.canvas.paint_now()
    placing, before = demo.measure.placing, size(demo)
    circle = largest_circle(demo).shape
    placing.scaling.pick_reference()
    click(qtbot, demo.canvas, circle.centre.x, circle.centre.y)
    click(qtbot, demo.canvas, circle.centre.x + circle.radius, circle.centre.y)
    assert placing.scaling._reference_length() == pytest.approx(circle.radius, rel=1e-9)
    typed(qtbot, placing.scaling._should, f"{2 * circle.radius!r}mm")
    settled()
    assert size(demo) == pytest.approx([2 * s for s in before])
    assert "should be" in demo.session.evaluation.ledger[0].title


def test_turned_by_two_points_mirrored_and_put_on_a_circle(qtbot, demo, settled):
    demo.show_stage(1)
    demo.canvas.paint_now()
    placing, before = demo.measure.placing, size(demo)
    line = max((c for c in demo.session.state.curves() if (c.shape.kind == "line" and c.layer == "TITLE-BLOCK")
                or c.shape.kind == "polyline"), key=lambda c: c.shape.length).shape  # fmt: skip
    a, b = line.vertices[0], line.vertices[1]
    placing.turning.pick_angle()
    click(qtbot, demo.canvas, a.x, a.y)
    click(qtbot, demo.canvas, b.x, b.y)
    typed(qtbot, placing.turning._angle_should, "90°")
    settled()
    assert size(demo) == pytest.approx(before[::-1])
    qtbot.mouseClick(placing.turning._flips["left-right"], Qt.MouseButton.LeftButton)
    settled()
    assert [r.title.split()[0] for r in demo.session.evaluation.ledger] == ["Turn", "Mirror"]
    demo.fit()
    demo.canvas.paint_now()
    circle = largest_circle(demo)
    placing.origin._mode.setCurrentIndex(placing.origin._mode.findData("curve-centre"))
    placing.origin._mode.activated.emit(placing.origin._mode.currentIndex())
    click(qtbot, demo.canvas, circle.shape.centre.x + circle.shape.radius, circle.shape.centre.y)
    settled()
    moved = next(c for c in demo.session.state.curves() if c.id == circle.id)
    assert (moved.shape.centre.x, moved.shape.centre.y) == pytest.approx((0, 0), abs=1e-9)


def test_distances_are_measured_in_any_stage_and_added_up(qtbot, demo, settled):
    demo.show_stage(3)
    demo.canvas.paint_now()
    circle = largest_circle(demo)
    qtbot.keyClick(demo.canvas, Qt.Key.Key_M)
    click(qtbot, demo.canvas, circle.shape.centre.x, circle.shape.centre.y)
    click(qtbot, demo.canvas, circle.shape.centre.x, circle.shape.centre.y + circle.shape.radius)
    assert demo.strip.text.startswith(f"Distance {circle.shape.radius:.3f} mm")
    demo.strip.add_to_total()
    demo.canvas.selection.choose({circle.id})
    qtbot.keyClick(demo.canvas, Qt.Key.Key_M, Qt.KeyboardModifier.ShiftModifier)
    assert f"Area {math.pi * circle.shape.radius**2:,.2f}".replace(",", "\u202f") in demo.strip.text
    demo.strip.add_to_total()
    assert demo.strip.total == f"Total of 2: {3 * circle.shape.radius:.3f} mm"
    demo.copy_measured()
    assert QApplication.clipboard().text() == f"{3 * circle.shape.radius:.3f} mm"
    qtbot.keyClick(demo.canvas, Qt.Key.Key_W)
    for dx in (0, 1, 1):
        click(qtbot, demo.canvas, circle.shape.centre.x + dx * circle.shape.radius, circle.shape.centre.y)
    assert demo.strip.text.startswith(f"Way {circle.shape.radius:.3f} mm    legs 2")
    qtbot.keyClick(demo.canvas, Qt.Key.Key_Escape)
    demo.strip.close_strip()
    assert not demo.strip.isVisible()


def test_layers_are_switched_by_their_boxes(demo, settled):
    demo.show_stage(2)
    settled()
    table = demo.route.came_in.table
    rows = {table.item(k, 0).text(): k for k in range(table.rowCount())}
    assert table.item(rows["CONSTRUCTION"], 0).checkState() == Qt.CheckState.Unchecked
    table.item(rows["TITLE-BLOCK"], 0).setCheckState(Qt.CheckState.Unchecked)
    settled()
    assert "TITLE-BLOCK" not in {s.name for s in demo.session.state.sketches}
    assert "CONSTRUCTION" not in {s.name for s in demo.session.state.sketches}


def test_findings_are_stepped_through_and_fixed_one_or_all(qtbot, demo, settled):
    demo.show_stage(3)
    before = len(findings(demo.session))
    view = demo.canvas.view
    demo.next_finding()
    first = demo.mend.findings.chosen
    assert first is not None
    assert demo.canvas.view.scale > view.scale
    qtbot.mouseClick(demo.mend.findings.fix_one, Qt.MouseButton.LeftButton)
    settled()
    assert len(findings(demo.session)) == before - 1
    assert first.key not in {f.key for f in findings(demo.session)}
    qtbot.mouseClick(demo.mend.findings.fix_every, Qt.MouseButton.LeftButton)
    settled()
    assert not [f for f in findings(demo.session) if f.remedy and not f.by_choice]
    assert demo.mend.regions.model_.rowCount() == len(surveyed(demo.session).survey.regions) > 20
    assert len(demo.session.evaluation.ledger) == 2


def test_another_tolerance_finds_other_gaps(qtbot, demo, settled):
    demo.show_stage(3)
    proposed = surveyed(demo.session).gap
    set_gap(demo.session, proposed / 1000)
    settled()
    few = len([f for f in findings(demo.session) if f.kind == "gap"])
    qtbot.mouseClick(demo.mend._auto, Qt.MouseButton.LeftButton)
    settled()
    assert surveyed(demo.session).gap == proposed
    assert len([f for f in findings(demo.session) if f.kind == "gap"]) > few


def test_undo_redo_and_the_ledger(demo, settled):
    demo.fix_all()
    settled()
    after = demo.session.state
    demo.undo()
    settled()
    assert demo.session.job.steps == ()
    demo.redo()
    settled()
    assert demo.session.state == after
    item = demo.ledger.list.item(0)
    item.setCheckState(Qt.CheckState.Unchecked)
    settled()
    assert [f for f in findings(demo.session) if f.remedy and not f.by_choice]
    demo.undo()
    settled()
    assert demo.session.state == after
    demo.ledger.list.setCurrentRow(0)
    demo.ledger._remove_chosen()
    settled()
    assert demo.session.job.steps == ()


def test_a_job_is_saved_and_opened_with_all_of_it(qtbot, demo, settled, chosen, tmp_path):
    choose_unit(qtbot, demo, 1)
    settled()
    demo.fix_all()
    settled()
    chosen.path = tmp_path / "pump"
    demo.save()
    assert not demo.session.files.unsaved_work
    state, ledger = demo.session.state, [r.title for r in demo.session.evaluation.ledger]
    demo.open_demo()
    settled()
    assert demo.session.job.steps == ()
    demo.open_path(tmp_path / "pump.sxj")
    settled()
    assert demo.session.state == state
    assert [r.title for r in demo.session.evaluation.ledger] == ledger
    assert demo.windowTitle().startswith("pump")


def test_profiles_are_written_and_said_so(qtbot, demo, settled, chosen, tmp_path):
    demo.fix_all()
    settled()
    demo.show_stage(4)
    demo.deliver.files._format.setCurrentIndex(3)
    chosen.path = tmp_path / "clean"
    qtbot.mouseClick(demo.deliver.files.write, Qt.MouseButton.LeftButton)
    qtbot.waitUntil(lambda: demo.deliver.files._result.isVisible(), timeout=20_000)
    assert ezdxf.readfile(tmp_path / "clean.dxf").dxfversion == "AC1009"


def test_failures_are_told_over_the_drawing_and_change_nothing(qtbot, demo, settled, chosen, tmp_path, monkeypatch):
    job = demo.session.job
    bad = tmp_path / "letter.dxf"
    bad.write_text("Dear Sir")
    demo.open_path(bad)
    qtbot.waitUntil(demo.banner.isVisible, timeout=20_000)
    assert demo.banner.sentence == "letter.dxf is called a DXF file but does not hold one. Export it again."
    assert demo.session.job is job

    def full(_descriptor):
        raise OSError(errno.ENOSPC, os.strerror(errno.ENOSPC))

    monkeypatch.setattr(os, "fsync", full)
    chosen.path = tmp_path / "full.sxj"
    assert not demo.save()
    assert "No space left on device" in demo.banner.sentence
    assert not chosen.path.exists()


def test_unsaved_work_is_asked_about(demo, settled, chosen):
    demo.fix_all()
    settled()
    chosen.unsaved = QMessageBox.StandardButton.Cancel
    assert not demo.close()
    assert demo.isVisible()
    demo.session.undo()
    settled()
    assert not demo.session.job.steps


def test_a_window_closes_at_once_where_nothing_is_lost(window):
    assert window.close()
    assert not window.isVisible()


def test_what_is_given_up_closes_at_once(demo, settled):
    demo.fix_all()
    settled()
    assert demo.close()
    assert not demo.isVisible()


def test_what_is_to_be_saved_is_saved_and_then_it_closes(qtbot, demo, settled, chosen, tmp_path):
    demo.fix_all()
    settled()
    chosen.unsaved, chosen.path = QMessageBox.StandardButton.Save, tmp_path / "kept.sxj"
    demo.close()
    qtbot.waitUntil(lambda: not demo.isVisible(), timeout=10_000)
    assert chosen.path.exists()


def test_work_that_was_not_saved_is_offered_again(qtbot, demo, settled, tmp_path):
    demo.fix_all()
    settled()
    demo.write_recovery()
    folder = tmp_path / "state" / "recovery"
    (copy,) = folder.glob("*.sxj")
    assert orphans(folder) == []
    copy.rename(folder / "orchard-pump-panels-99999999.sxj")
    demo.offer_recovery()
    assert demo.banner.isVisible()
    opening = next(b for b in demo.banner.findChildren(QPushButton) if b.text() == "Open the copy")
    qtbot.mouseClick(opening, Qt.MouseButton.LeftButton)
    settled()
    assert len(demo.session.job.steps) == 1


def test_long_work_can_be_stopped(qtbot, demo, settled, tmp_path):
    path = tmp_path / "many.dxf"
    lines = "".join(f"0\nLINE\n8\n0\n10\n{k}\n20\n0\n11\n{k}\n21\n1\n" for k in range(20_000))
    path.write_text(f"0\nSECTION\n2\nENTITIES\n{lines}0\nENDSEC\n0\nEOF\n")
    job = demo.session.job
    demo.open_path(path)
    qtbot.waitUntil(lambda: demo.status._bar.value() > 5, timeout=20_000)
    qtbot.mouseClick(demo.status._stop, Qt.MouseButton.LeftButton)
    qtbot.waitUntil(lambda: not demo.session.busy, timeout=20_000)
    assert "Stopped before it was done; nothing was changed." in demo.status.message
    assert demo.session.job is job


def test_curves_are_hovered_and_selected(qtbot, demo):
    demo.canvas.fit()
    circle = next(c for c in demo.session.state.curves() if c.shape.kind == "circle")
    # Away from the centre lines, which cross it right, left, above and below.
    centre, radius = circle.shape.centre, circle.shape.radius
    px, py = demo.canvas.view.to_pixels(centre.x + 0.6 * radius, centre.y + 0.8 * radius)
    qtbot.mouseMove(demo.canvas, QPointF(px, py).toPoint())
    qtbot.mouseClick(demo.canvas, Qt.MouseButton.LeftButton, pos=QPointF(px, py).toPoint())
    assert circle.id in {c.id for c in demo.canvas.selection.curves()}
    assert "Ø" in demo.status._selection.text()
    demo.canvas.selection.choose_all()
    assert "168 curves" in demo.status._selection.text()
    qtbot.keyClick(demo.canvas, Qt.Key.Key_Escape)
    assert demo.canvas.selection.curves() == []


def test_a_box_takes_what_is_inside_or_what_it_touches(qtbot, demo):
    demo.canvas.fit()
    plate = [c for c in demo.session.state.curves() if c.layer == "TITLE-BLOCK"]
    box = extents_of([plate[2]])
    (x, y), (u, v) = demo.canvas.view.to_pixels(box[0], box[1]), demo.canvas.view.to_pixels(box[2], box[3])
    low, high = QPointF(min(x, u) - 4, min(y, v) - 4).toPoint(), QPointF(max(x, u) + 4, max(y, v) + 4).toPoint()

    def drag(a, b):
        qtbot.mousePress(demo.canvas, Qt.MouseButton.LeftButton, pos=a)
        qtbot.mouseMove(demo.canvas, b)
        qtbot.mouseRelease(demo.canvas, Qt.MouseButton.LeftButton, pos=b)
        return len(demo.canvas.selection.curves())

    inside, touched = drag(low, high), drag(high, low)
    assert inside == 1
    assert touched == 3


def test_the_display_unit_changes_no_geometry(demo, settled):
    demo.show_measure()
    settled()
    state = demo.session.state
    demo.set_display_unit("in")
    assert demo.session.state is state
    assert demo.measure._after.text().endswith("in")
    assert demo.canvas.format.unit == "in"


def test_keys_switch_stages_and_the_palette_finds_commands(qtbot, demo):
    for number in range(1, 6):
        qtbot.keyClick(demo.window, str(number))
        qtbot.waitUntil(lambda wanted=number - 1: demo.at == wanted)
    demo.open_palette()
    qtbot.keyClicks(demo.palette_._field, "draw a dim")
    assert demo.palette_._list.item(0).text().startswith("Draw a dimension")
    demo.palette_._field.clear()
    qtbot.keyClicks(demo.palette_._field, "night")
    qtbot.keyClick(demo.palette_._field, Qt.Key.Key_Return)
    assert demo.tokens.name == "night"


def test_every_command_is_there_and_does_something(window):
    commands = list(window.shell.commands)
    assert len(commands) > 70
    for command in commands:
        assert callable(command.run)
        assert window.menus.actions[command.id].toolTip()
    keys = [c.keys for c in commands if c.keys]
    assert len(set(keys)) == len(keys)


def test_every_control_has_a_name_and_can_be_reached(demo):
    for kind in (QAbstractButton, QLineEdit, QComboBox, QAbstractItemView):
        for widget in demo.findChildren(kind):
            if widget.objectName().startswith("qt_") or widget.parent() is None:
                continue
            if type(widget).__name__ in ("QListView", "QComboBoxListView", "QTableCornerButton", "QToolButton"):
                continue
            if type(widget).__name__ == "QHeaderView" or (kind is QLineEdit and isinstance(widget.parent(), QComboBox)):
                continue
            assert widget.accessibleName() or getattr(widget, "text", str)(), widget
            assert widget.focusPolicy() != Qt.FocusPolicy.NoFocus, widget


def test_the_fonts_that_ship_are_the_ones_that_show(demo):
    assert QFontInfo(demo.measure.font()).family() == "Inter"
    assert QFontInfo(demo.measure.placing.scaling._x.font()).family() == "JetBrains Mono"


@pytest.mark.parametrize("look", ["paper", "night"])
def test_both_looks_can_be_read(look):
    """Text at 4.5 to 1, marks and borders of fields at 3 to 1: WCAG 2.2, criteria 1.4.3 and 1.4.11."""
    tokens = LOOKS[look]
    for ground in (tokens.panel, tokens.raised, tokens.soft, tokens.persimmon_soft):
        assert contrast(tokens.text, ground) >= 4.5
    for ground in (tokens.panel, tokens.raised):
        assert contrast(tokens.dim, ground) >= 4.5
        assert contrast(tokens.strong_line, ground) >= 3
    assert contrast(tokens.on_accent, tokens.accent) >= 4.5
    assert contrast(tokens.on_persimmon, tokens.persimmon) >= 4.5
    assert contrast(tokens.persimmon, tokens.canvas) >= 3


def test_every_kind_of_finding_has_a_shape_of_its_own():
    outlines = {kind: glyph_path(kind) for kind in FINDING_KINDS}
    assert all(not path.isEmpty() for path in outlines.values())
    kinds = list(outlines)
    assert all(outlines[a] != outlines[b] for a in kinds for b in kinds if a != b)


def test_facets_are_looked_for_before_they_become_arcs(window, settled, tmp_path):
    path = tmp_path / "facets.dxf"
    document = ezdxf.new()
    document.header["$INSUNITS"] = 4
    corners = [(8 * math.cos(math.tau * k / 48), 8 * math.sin(math.tau * k / 48)) for k in range(48)]
    for a, b in zip(corners, corners[1:] + corners[:1], strict=True):
        document.modelspace().add_line(a, b)
    document.saveas(path)
    window.open_path(path)
    settled()
    window.show_mend()
    reshape = window.mend.reshape
    assert not reshape.do_it.isEnabled()
    reshape.look_first()
    settled()
    # The sagitta of a facet is r (1 - cos(pi / n)): 0.0171 mm here.
    assert reshape.told.text() == ("48 facets would become arcs in 1 run. Nothing would be off by more than 0.0171 mm.")
    assert window.session.job.steps == ()
    reshape.do_it.click()
    settled()
    assert [c.shape.kind for c in window.session.state.curves()] == ["circle"]
    assert not reshape.do_it.isEnabled()


@pytest.mark.parametrize("ending", [".html", ".json", ".pdf"])
def test_the_account_of_a_mending_is_saved_to_be_sent(qtbot, demo, settled, chosen, tmp_path, ending):
    demo.fix_all()
    settled()
    chosen.path = tmp_path / f"account{ending}"
    demo.ask_account()
    qtbot.waitUntil(lambda: not demo.shell.work.busy and chosen.path.exists(), timeout=20_000)
    data = chosen.path.read_bytes()
    if ending == ".pdf":
        document = pypdfium2.PdfDocument(data)
        words = "".join(page.get_textpage().get_text_range() for page in document)
        assert "Mending of orchard-pump-panels" in words
        # ISO 216: A4 is 210 mm x 297 mm; a point is 1/72 inch.
        assert [v / 72 * 25.4 for v in document[0].get_size()] == pytest.approx([210, 297], abs=0.5)
    else:
        assert b"orchard-pump-panels" in data
