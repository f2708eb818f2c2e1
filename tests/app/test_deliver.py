"""Deliver in the window: formats, sheets laid out and dragged, the package, the clipboard, printing, and refusals."""

from __future__ import annotations

import zipfile

import ezdxf
import pypdfium2
import pytest
from PyQt6.QtCore import QPoint, QPointF, Qt
from PyQt6.QtGui import QGuiApplication
from PyQt6.QtPrintSupport import QPrinter
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QAbstractButton, QComboBox, QLineEdit

from syntaxa.deliver.formats import FORMATS
from syntaxa.deliver.pages.model import Words
from syntaxa.deliver.sheets.model import Sheets, SheetView
from syntaxa.demo.seat import seat_dxf
from syntaxa.form.raising import RaiseRegions
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Circle
from syntaxa.measure.steps import ChooseUnit


@pytest.fixture
def seat(window, settled, tmp_path):
    """The window with the motor's seat, in Deliver."""
    path = tmp_path / "motor-seat.dxf"
    path.write_bytes(seat_dxf())
    window.open_path(path)
    settled()
    window.session.do(ChooseUnit("mm"))
    settled()
    window.show_stage("deliver")
    settled()
    return window


def panel(window):
    return window.stage("deliver").own_panel


def sheets(window):
    return window.session.state.part(Sheets).sheets


def on_page(window, settled, number):
    panel(window).tabs.setCurrentIndex(number)
    settled()


def with_sheet(window, settled):
    on_page(window, settled, 1)
    panel(window).sheets.add()
    settled()
    settled()
    return panel(window).sheets


def retyped(line, text):
    line.setFocus()
    line.selectAll()
    QTest.keyClicks(line, text)
    QTest.keyClick(line, Qt.Key.Key_Return)


def test_only_what_counts_for_a_format_is_asked(seat):
    files = panel(seat).files
    for k, form in enumerate(FORMATS):
        files._format.setCurrentIndex(k)
        shown = {key for key, (_, widget) in files._rows.items() if widget.isVisible()}
        assert shown == {"format"} | form.choices, form.key
        if form.holds == "bodies":
            assert not files.write.isEnabled()
            assert "no body" in files._state.text()


def test_a_table_and_a_pdf_are_written(seat, settled, chosen, tmp_path):
    files = panel(seat).files
    for key, name in (("holes-csv", "holes.csv"), ("pdf", "seat.pdf"), ("dxf-r2000", "seat.dxf")):
        files._format.setCurrentIndex(next(k for k, f in enumerate(FORMATS) if f.key == key))
        settled()
        chosen.path = tmp_path / name
        files.write.click()
        settled()
        assert (tmp_path / name).exists(), key
        assert name in files._result.text()
    assert (tmp_path / "holes.csv").read_text().startswith("No.,")
    assert ezdxf.readfile(tmp_path / "seat.dxf").acad_release == "R2000"


def test_a_sheet_is_added_shown_and_written(seat, settled, chosen, tmp_path):
    page = with_sheet(seat, settled)
    stage = seat.stage("deliver")
    assert [v.shows for v in sheets(seat)[0].views] == ["profiles"]
    assert stage.front() is stage.sheet
    assert "everything has room" in page.says.text()
    assert stage.sheet.view._image is not None
    retyped(page.block.lines["title"], "Seat of the motor")
    settled()
    assert sheets(seat)[0].fields == (("title", "Seat of the motor"),)
    chosen.path = tmp_path / "seat.pdf"
    panel(seat).write_sheet.click()
    settled()
    document = pypdfium2.PdfDocument(tmp_path / "seat.pdf")
    assert "Seat of the motor" in document[0].get_textpage().get_text_range()
    on_page(seat, settled, 0)
    assert stage.front() is None


def test_a_view_is_dragged_moved_by_keys_and_laid_out_again(seat, settled):
    page = with_sheet(seat, settled)
    view = seat.stage("deliver").sheet.view
    ((_, box),) = view._boxes
    begin = view._frame(box).center().toPoint()
    QTest.mousePress(view, Qt.MouseButton.LeftButton, pos=begin)
    for share in (0.5, 1.0):
        QTest.mouseMove(view, begin + QPoint(round(40 * share), round(-25 * share)))
    QTest.mouseRelease(view, Qt.MouseButton.LeftButton, pos=begin + QPoint(40, -25))
    settled()
    middle = (box[0] + box[2]) / 2, (box[1] + box[3]) / 2
    wanted = middle[0] + 40 / view.scale, middle[1] + 25 / view.scale
    place = sheets(seat)[0].views[0].place
    assert place == pytest.approx(wanted, abs=1.0 / view.scale)
    QTest.keyClick(view, Qt.Key.Key_Right, Qt.KeyboardModifier.ShiftModifier)
    settled()
    assert sheets(seat)[0].views[0].place == pytest.approx((place[0] + 10, place[1]), abs=1e-3)
    assert view._boxes[0][1][0] == pytest.approx(sheets(seat)[0].views[0].place[0] - (box[2] - box[0]) / 2, abs=1e-3)
    page.views._lay_out()
    settled()
    assert sheets(seat)[0].views[0].place is None
    seat.session.undo()
    settled()
    assert sheets(seat)[0].views[0].place is not None
    # Escape gives a drag up.
    steps = len(seat.session.job.steps)
    begin = view._frame(view._boxes[0][1]).center().toPoint()
    QTest.mousePress(view, Qt.MouseButton.LeftButton, pos=begin)
    QTest.mouseMove(view, begin + QPoint(30, 30))
    QTest.keyClick(view, Qt.Key.Key_Escape)
    QTest.mouseRelease(view, Qt.MouseButton.LeftButton, pos=begin + QPoint(30, 30))
    settled()
    assert len(seat.session.job.steps) == steps


def test_views_of_bodies_and_their_choices(seat, settled):
    name = seat.session.state.profiles()[0].name
    seat.session.do(RaiseRegions("Raise 1", name, high="8"))
    settled()
    page = with_sheet(seat, settled)
    assert [v.shows for v in sheets(seat)[0].views] == ["front", "top", "right", "isometric"]
    assert not sheets(seat)[0].views[3].hidden
    page.views.list.selectRow(1)
    page.views.hidden.click()
    settled()
    assert not sheets(seat)[0].views[1].hidden
    page.views.view_scale.setCurrentText("1:5")
    page.views.view_scale.activated.emit(0)
    settled()
    assert sheets(seat)[0].views[1].scale == "1:5"
    page.views.kind.setCurrentIndex(page.views.kind.findData("back"))
    page.views._add_view()
    settled()
    assert sheets(seat)[0].views[-1] == SheetView("back")
    page.views.list.selectRow(4)
    page.views._drop_view()
    settled()
    assert len(sheets(seat)[0].views) == 4
    page.views.kind.setCurrentIndex(page.views.kind.findText("Section, from the front", Qt.MatchFlag.MatchStartsWith))
    page.views._add_view()
    settled()
    page.views.list.selectRow(4)
    retyped(page.views.cut_at, "20,5")
    settled()
    assert sheets(seat)[0].views[4].shows == "section:front:20.5"
    retyped(page.views.cut_at, "deep")
    settled()
    assert "no section" in panel(seat)._refused.text()
    assert page.views.cut_at.text() == "20.5"
    retyped(page.views.cut_at, "5000")
    settled()
    settled()
    assert "beside all bodies" in page.says.text()


@pytest.mark.parametrize(
    ("field", "text", "why"),
    [
        ("scale", "big", "no scale"),
        ("scale", "1:0", "no scale"),
        ("paper", "A99", "no paper"),
        ("paper", "1e9x1", "no paper"),
    ],
)
def test_nonsense_is_refused_and_changes_nothing(seat, settled, field, text, why):
    page = with_sheet(seat, settled)
    before = sheets(seat)
    retyped(getattr(page.paper, field).lineEdit(), text)
    settled()
    assert sheets(seat) == before
    assert why in panel(seat)._refused.text()
    assert getattr(page.paper, field).currentText() == getattr(before[0], field)


def test_sheets_are_renamed_added_and_removed(seat, settled, tmp_path, chosen):
    page = with_sheet(seat, settled)
    retyped(page.paper.title, "Seat")
    settled()
    page.add()
    settled()
    assert [s.name for s in sheets(seat)] == ["Seat", "Sheet 1"]
    retyped(page.paper.title, "Seat")
    settled()
    assert "already" in panel(seat)._refused.text()
    chosen.path = tmp_path / "all.pdf"
    seat.shell.commands["write_sheets"].run()
    settled()
    assert len(pypdfium2.PdfDocument(tmp_path / "all.pdf")) == 2
    page._drop()
    settled()
    assert [s.name for s in sheets(seat)] == ["Seat"]


def pixels(window, settled, *places):
    """Where places of the paper (mm) are on the view of the sheet."""
    settled()
    view = window.stage("deliver").sheet.view
    return [view._to_pixels(Point(*p)).toPoint() for p in places]


def dragged(view, begin, end):
    QTest.mousePress(view, Qt.MouseButton.LeftButton, pos=begin)
    QTest.mouseMove(view, end)
    QTest.mouseRelease(view, Qt.MouseButton.LeftButton, pos=end)


def laid(window):
    return window.stage("deliver")._laid()


def test_each_part_of_the_drawing_has_a_sheet(seat, settled):
    page = with_sheet(seat, settled)
    next(b for b in page.findChildren(QAbstractButton) if b.text() == "Each part").click()
    settled()
    names = [s.name for s in sheets(seat)]
    assert names[:2] == ["Sheet 1", "Part 1"]
    page.list.selectRow(1)
    settled()
    settled()
    assert panel(seat).shown().made.laid[0].view.shows == "received:1"


def test_notes_are_put_with_a_line_and_taken_off(seat, settled):
    page = with_sheet(seat, settled)
    view, notes = seat.stage("deliver").sheet.view, page.notes
    notes.put.click()
    assert "needs words" in panel(seat)._refused.text()
    notes.text.setText("break edges / all round")
    notes.put.click()
    assert "Escape" in seat.stage("deliver").sheet.says.text()
    begin, end = QPoint(300, 300), QPoint(360, 240)
    dragged(view, begin, end)
    settled()
    (note,) = sheets(seat)[0].notes
    assert note.text == "break edges\nall round"
    assert note.place == pytest.approx(view._to_paper(QPointF(end)), abs=0.02)
    assert note.points_at == pytest.approx(view._to_paper(QPointF(begin)), abs=0.02)
    notes.text.setText("given up")
    notes.put.click()
    QTest.keyClick(view, Qt.Key.Key_Escape)
    settled()
    assert view.tool is None
    assert len(sheets(seat)[0].notes) == 1
    notes.list.selectRow(0)
    notes.drop.click()
    settled()
    assert sheets(seat)[0].notes == ()


def test_dimensions_are_drawn_by_picking_and_follow_the_meaning(seat, settled):
    page = with_sheet(seat, settled)
    part = page.dimensions_part
    part.draw.click()
    (one,) = laid(seat)
    circle = next(c.shape for c in one.content.curves if isinstance(c.shape, Circle))
    by = one.onto_paper
    rim = by.point(Point(circle.centre.x + circle.radius, circle.centre.y))
    view = seat.stage("deliver").sheet.view
    (at, free) = pixels(seat, settled, (rim.x, rim.y), (one.box[0] - 8, one.box[3] + 8))
    QTest.mouseClick(view, Qt.MouseButton.LeftButton, pos=at)
    assert [part.meaning.itemText(k) for k in range(part.meaning.count())] == ["diameter", "radius"]
    QTest.keyClick(view, Qt.Key.Key_Space)
    assert part.meaning.currentText() == "radius"
    assert "Radius" in seat.stage("deliver").sheet.says.text()
    QTest.mouseMove(view, free)
    view.grab()  # what is being drawn is painted
    QTest.mouseClick(view, Qt.MouseButton.LeftButton, pos=free)
    settled()
    (measure,) = sheets(seat)[0].views[0].measures
    assert measure.kind == "radius"
    made = panel(seat).shown().made
    words = [m.text for m in made.leaf.marks if isinstance(m, Words) and m.layer == "dimensions"]
    assert f"R{circle.radius:g}" in words
    # The tool stays in hand; Escape puts first the picks away, then the tool.
    QTest.mouseClick(view, Qt.MouseButton.LeftButton, pos=at)
    QTest.keyClick(view, Qt.Key.Key_Escape)
    assert view.tool is not None
    QTest.keyClick(view, Qt.Key.Key_Escape)
    assert view.tool is None
    assert not part.draw.isChecked()
    part.list.selectRow(0)
    part.drop.click()
    settled()
    assert sheets(seat)[0].views[0].measures == ()
    seat.session.undo()
    settled()
    assert len(sheets(seat)[0].views[0].measures) == 1


def test_a_detail_and_a_part_are_dragged(seat, settled):
    page = with_sheet(seat, settled)
    view = seat.stage("deliver").sheet.view

    def add(data):
        page.views.kind.setCurrentIndex(page.views.kind.findData(data))
        next(b for b in page.findChildren(QAbstractButton) if b.text() == "Add").click()

    (one,) = laid(seat)
    middle = (one.box[0] + one.box[2]) / 2, (one.box[1] + one.box[3]) / 2
    add("a detail")
    dragged(view, *pixels(seat, settled, middle, (middle[0] + 15, middle[1])))
    settled()
    settled()
    shows = sheets(seat)[0].views[1].shows
    x, y, radius = map(float, shows.rpartition(":")[2].split(","))
    assert shows.startswith("detail:profiles:")
    there = one.onto_paper.inverse().point(Point(*middle))
    assert (x, y) == pytest.approx((there.x, there.y), abs=1.0)  # a pixel
    assert radius == pytest.approx(15 / one.scale, rel=0.05)
    page.views.choose(1)
    retyped(page.views.cut_at, "10, 10, 4")
    settled()
    assert sheets(seat)[0].views[1].shows == "detail:profiles:10,10,4"
    retyped(page.views.cut_at, "nonsense")
    settled()
    assert sheets(seat)[0].views[1].shows == "detail:profiles:10,10,4"
    assert "no detail" in panel(seat)._refused.text()
    add("a part")
    dragged(view, *pixels(seat, settled, (middle[0] - 20, middle[1] - 20), middle))
    assert "as received" in panel(seat)._refused.text()
    add("received")
    settled()
    settled()
    received = next(one for one in laid(seat) if one.view.shows == "received")
    low, high = received.box[:2], received.box[2:]
    add("a part")
    dragged(view, *pixels(seat, settled, (low[0] + 5, low[1] + 5), ((low[0] + high[0]) / 2, high[1] - 5)))
    settled()
    assert sheets(seat)[0].views[2].shows.startswith("window:")


def test_an_svg_for_each_colour(seat, settled, chosen, tmp_path):
    files = panel(seat).files
    files._format.setCurrentIndex(next(k for k, f in enumerate(FORMATS) if f.key == "svg"))
    settled()
    files._by_colour.click()
    chosen.path = tmp_path / "seat.svg"
    files.write.click()
    settled()
    colours = {s.colour for s in seat.session.state.profiles() if s.curves}
    written = sorted(p.name for p in tmp_path.glob("seat-*.svg"))
    assert written == sorted(f"seat-{c:06x}.svg" for c in colours)
    heads = {(tmp_path / n).read_text().split("viewBox")[1].split(">")[0] for n in written}
    assert len(heads) == 1  # all are as large, and lie on each other
    assert all(name in files._result.text() for name in written)  # and not of a file that is not there


def test_a_frame_from_a_file(seat, settled, chosen, tmp_path):
    page = with_sheet(seat, settled)
    own = tmp_path / "orchard.svg"
    own.write_text('<svg xmlns="http://www.w3.org/2000/svg" width="90mm" height="20mm" viewBox="0 0 90 20">'
                   '<rect width="90" height="20" fill="none" stroke="#000"/><text x="2" y="9" font-size="4">{grower}'
                   "</text></svg>")  # fmt: skip
    chosen.path = own
    page.paper.frame.setCurrentIndex(2)
    page.paper.frame.activated.emit(2)
    settled()
    assert sheets(seat)[0].frame == str(own)
    assert list(page.block.lines) == ["grower"]
    chosen.path = tmp_path / "none.svg"
    page.frame_wanted.emit()
    assert "cannot be read" in panel(seat)._refused.text()
    assert sheets(seat)[0].frame == str(own)


def test_the_package_is_written_and_the_same_again(seat, settled, chosen, tmp_path):
    with_sheet(seat, settled)
    on_page(seat, settled, 2)
    page = panel(seat).package
    assert not page.boxes["step"].isEnabled()
    assert page.boxes["sheets"].isEnabled()
    chosen.path = tmp_path / "seat.zip"
    panel(seat).pack.click()
    settled()
    with zipfile.ZipFile(tmp_path / "seat.zip") as archive:
        names = archive.namelist()
    assert {"index.html", "sheets/motor-seat.pdf", "received/motor-seat.dxf"} <= set(names)
    assert not any(n.startswith("bodies/") for n in names)
    (tmp_path / "seat.zip").unlink()
    seat.shell.commands["pack_again"].run()
    settled()
    assert (tmp_path / "seat.zip").exists()
    retyped(page.pattern, "{day}")
    settled()
    assert "stands for nothing" in page.says.text()
    assert not panel(seat).pack.isEnabled()


def test_the_profiles_are_copied_as_svg_and_png(seat, settled):
    seat.shell.commands["copy_drawing"].run()
    settled()
    data = QGuiApplication.clipboard().mimeData()
    assert {"image/svg+xml", "image/png"} <= set(data.formats())
    assert bytes(data.data("image/png"))[:4] == b"\x89PNG"


def test_sheets_are_printed_at_their_size(seat, settled, tmp_path):
    from syntaxa.app.stages.deliver.printing import print_pages

    with_sheet(seat, settled)
    leaf = panel(seat).shown().made.leaf
    printer = QPrinter()
    printer.setOutputFormat(QPrinter.OutputFormat.PdfFormat)
    printer.setOutputFileName(str(tmp_path / "p.pdf"))
    print_pages(printer, [leaf, leaf])
    document = pypdfium2.PdfDocument(tmp_path / "p.pdf")
    assert len(document) == 2
    assert [v * 25.4 / 72 for v in document[0].get_size()] == pytest.approx([420.0, 297.0], abs=0.6)


def test_every_control_has_a_name(seat, settled):
    with_sheet(seat, settled)
    for kind in (QLineEdit, QComboBox, QAbstractButton):
        for widget in panel(seat).findChildren(kind):
            parent = widget.parent()
            if widget.objectName().startswith("qt_") or isinstance(parent, QComboBox):
                continue
            assert widget.accessibleName() or (widget.text() if hasattr(widget, "text") else ""), (kind, widget)
