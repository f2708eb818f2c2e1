"""The interface in German: nothing left in English, numbers with a decimal comma, and names of users untouched."""

from __future__ import annotations

import json
import os
import re
import subprocess
import sys
from pathlib import Path

import pytest
from test_steps import STEPS

from syntaxa.app import words
from syntaxa.app.sentences import Sentences, in_words, said
from syntaxa.app.words import SENTENCES, counted, figures, figures_in, read_catalogue, tr
from syntaxa.form.materials import DENSITIES

ROOT = Path(__file__).resolve().parents[2]
sys.path.insert(0, str(ROOT / "tools"))
import words as word_lists  # noqa: E402  the tool beside the project


@pytest.fixture
def german(monkeypatch):
    """Numbers and sentences of the core in German; words of the interface need the program of its own below."""
    monkeypatch.setitem(words._spoken, "language", "de")
    monkeypatch.setitem(words._spoken, "point", ",")


def test_every_word_and_every_sentence_has_a_translation():
    assert word_lists.missing("de") == []
    assert word_lists.unsaid("de") == []


def test_gaps_are_the_same_in_both_languages():
    gap = re.compile(r"\{(\d+)[^}]*\}")
    for source, target in read_catalogue("de").items():
        assert sorted(re.findall(r"\{\d+[^}]*\}", source)) == sorted(re.findall(r"\{\d+[^}]*\}", target)), source
        assert source[:1].isspace() == target[:1].isspace(), source
    for source, target in read_catalogue("de", SENTENCES).items():
        if "{}" not in source:
            assert set(gap.findall(source.replace("{{", "").replace("}}", ""))) == set(
                gap.findall(target.replace("{{", "").replace("}}", ""))
            ), source


@pytest.mark.parametrize(
    ("english", "german_"),
    [
        ("Mend all, proposed gap", "Alles heilen, vorgeschlagene Lücke"),
        ("The sketch “Gap” is locked. Unlock it first.", "Die Skizze „Gap“ ist gesperrt. Bitte zuerst entsperren."),
        ("Splines to arcs, within 0.05 mm", "Splines zu Bögen, auf 0,05 mm"),
        ("Line 7: an arc has no radius.", "Zeile 7: ein Bogen hat keinen Radius."),
        ("37 closed contours (30 profiles, 7 holes) and 1 open line",
         "37 geschlossene Konturen (30 Außenkonturen, 7 Löcher) und 1 offene Linie"),
        ("As inches at 1:4, it is 635 mm across, with holes of 15.9 mm: a likely size.",
         "Als Zoll im Maßstab 1:4 ist es 635 mm breit, mit Löchern von 15,9 mm: eine wahrscheinliche Größe."),
        ("9 of 17 dimensions fit inches at 1:12: one says 1 in, and 1 in at 1:12 is drawn.",
         "9 von 17 Maßen passen zu Zoll im Maßstab 1:12: eines sagt 1 in, gezeichnet sind 1 in im Maßstab 1:12."),
        ("Layer Open has no mark.", "Layer Open hat keine Marke."),  # a layer's name is not translated
        ("gauge v1.25.dxf is empty.", "gauge v1.25.dxf ist leer."),
        ("This nobody has ever said, 2.5 times.", "This nobody has ever said, 2,5 times."),
    ],
)  # fmt: skip
def test_sentences_of_the_core(german, english, german_):
    assert said(english) == german_


#: Words that German does not have; names that the steps of the tests give hold none of them.
_ENGLISH = re.compile(
    r"\b(the|of|to|by|with|is|are|and|from|its|about|each|curves?|moved|joined|raise|turn|copies|edges?|regions?|called|has|"
    r"lies|without|contours|dimensions?|switch|hold|drag|place|take|move|bring|put)\b"
)


def test_the_title_of_every_step_is_german(german):
    assert [said(step.title) for step in STEPS if _ENGLISH.search(said(step.title))] == []


#: What is told in several sentences.
ASIDE = "3 curves put aside. The origin follows the lower left of what goes out: everything moved by -25.4, -38.1 mm."
BEISEITE = (
    "3 Kurven beiseitegelegt. Der Ursprung folgt: Ecke unten links dessen, was hinausgeht; alles wurde um -25,4, "
    "-38,1 mm verschoben."
)
FOLDED = (
    "Found the views front, left in third angle projection: read so, the part's own views agree with the drawing in "
    "89.0% of their lines, read the other way in 12.5%. Both methods explain the views: choose one."
)
GEFALTET = (
    "Gefunden: Ansichten vorn, links im dritten Winkel: so gelesen, die Ansichten des Teils stimmen in 89,0% ihrer "
    "Linien mit der Zeichnung überein, andersherum gelesen zu 12,5%. Beide Methoden erklären die Ansichten: bitte eine "
    "wählen."
)


@pytest.mark.parametrize(
    ("english", "german_"),
    [
        (ASIDE, BEISEITE),
        ("Fixed: 2 crossings, 42 gaps, 1 self-crossing.", "Behoben: 2 Kreuzungen, 42 Lücken, 1 Selbstkreuzung."),
        ("26 curves joined Gap.", "Zu Gap kam: 26 Kurven."),  # a sketch's name is not translated
        ("Volume 40.104 cm³ → 40.104 cm³. 2 of 2 edges.", "Volumen 40,104 cm³ → 40,104 cm³. 2 von 2 Kanten."),
        ("23 parts on 1 sheet; 68.7% is waste.", "23 Teile auf 1 Tafel; 68,7% sind Abfall."),
        (FOLDED, GEFALTET),
        ("Lengths are 0.5 times what they were.", "Längen sind das 0,5-fache von vorher."),
        ("router: three axes, mm, absolute", "router: drei Achsen, mm, absolut"),
        ("Tool “laser 0.2” of 0.5 mm", "Tool “laser 0.2” of 0,5 mm"),  # nobody has ever said so
        ("Leave out NOTES, front, holes", "Weglassen: NOTES, front, holes"),  # names of layers
        ("Rename holes to parts, top", "holes in parts, top umbenennen"),
        ("Tool “laser 0.2”", "Werkzeug „laser 0.2“"),
        ("laser: two axes, mm, absolute", "laser: zwei Achsen, mm, absolut"),
        ("Add 15 dimensions and 1 constraint", "15 Maße und 1 Bedingung dazu"),
        ("laser 0.2 (beam, kerf 0.2 mm)", "laser 0,2 (Strahl, Schnittfuge 0,2 mm)"),
    ],
)  # fmt: skip
def test_what_steps_tell_is_german_whole(german, english, german_):
    assert said(english) == german_


def test_every_template_is_recognised_as_itself(german):
    """Each with plain contents in its gaps comes out as its own translation, or as that of a still closer one."""
    rows = read_catalogue("de", SENTENCES)
    made = Sentences({}, rows)
    for source in rows:
        filled = re.sub(r"\{\d*\}", "Qx", source.replace("{{", "{").replace("}}", "}"))
        assert made.said(filled) != filled or rows[source] == source or not re.search("[a-z]{3}", source), source


def test_in_english_nothing_changes():
    assert tr("Drawings ({0});;All files (*)", "*.dxf") == "Drawings (*.dxf);;All files (*)"
    assert (counted(1, "body", "bodies"), counted(2, "body", "bodies")) == ("1 body", "2 bodies")
    assert in_words("Mend all, proposed gap") == said("Mend all, proposed gap") == "Mend all, proposed gap"
    assert figures("1,234.5") == figures_in("1,234.5") == "1,234.5"


@pytest.mark.parametrize(
    ("plain", "written"),
    [("1,234.5", "1.234,5"), ("0.05", "0,05"), ("12", "12"), ("1,234,567", "1.234.567"), ("-3.25e-05", "-3,25e-05")],
)
def test_numbers(german, plain, written):
    assert figures(plain) == written


def test_days(german):
    noon = 1_790_000_000  # 21 September 2026
    assert words.moment(noon).startswith("21. September, ")
    assert "Dezember" in words.moment(noon + 86_400 * 80)


def test_numbers_in_sentences_and_not_in_names(german):
    assert figures_in("2.5 of “v1.5” in part-1.5.dxf, #3.4, 0.1 mm.") == "2,5 of “v1.5” in part-1.5.dxf, #3.4, 0,1 mm."


_WINDOW = """
import json, sys
sys.path.insert(0, {tests!r}); sys.path.insert(0, {app!r})
from pathlib import Path
from PyQt6.QtCore import Qt
from PyQt6.QtGui import QAction
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QAbstractButton, QComboBox, QLabel, QLineEdit, QTabWidget, QWidget
from syntaxa.app.program import start
from syntaxa.app.settings import Settings
from syntaxa.app.walk import settle
application, window = start(lambda folder: Path({drawing!r}), Settings(Path({folder!r}) / "s.json"))
window.resize(1280, 800)
window.show()
window.shell.begin([Path({drawing!r})])
seen = set()
def look():
    settle(window)
    for w in window.findChildren(QWidget):
        if isinstance(w, (QLabel, QAbstractButton)): seen.add(w.text())
        if isinstance(w, QLineEdit): seen.add(w.placeholderText())
        if isinstance(w, QComboBox): seen.update(w.itemText(k) for k in range(w.count()))
        if isinstance(w, QTabWidget): seen.update(w.tabText(k) for k in range(w.count()))
        seen.update((w.toolTip(), w.accessibleName()))
    seen.update(a.text().replace("&", "") for a in window.findChildren(QAction))
for stage in window.shell.stages:
    window.shell.show_stage(stage)
    look()
    for tabs in stage.panel.findChildren(QTabWidget):
        for k in range(tabs.count()):
            tabs.setCurrentIndex(k)
            look()
lengths = window.shell.dress.lengths
print(json.dumps([sorted(t for t in seen if t), lengths.text(12.5)]))
sys.stdout.flush()
import os; os._exit(0)
"""


@pytest.fixture(scope="module")
def shown(demo_drawings, tmp_path_factory):
    """(every text that the window shows in all stages in German, a length as it is written)."""
    folder = tmp_path_factory.mktemp("german")
    script = _WINDOW.format(
        tests=str(ROOT / "tests"), app=str(ROOT / "tests" / "app"), drawing=str(demo_drawings[1]), folder=str(folder)
    )
    told = subprocess.run(
        [sys.executable, "-c", script], env={**os.environ, words.VARIABLE: "de"}, capture_output=True, text=True,
        timeout=240, check=False,
    )  # fmt: skip
    assert told.returncode == 0, told.stderr[-2000:]
    return json.loads(told.stdout.splitlines()[-1])


def test_nothing_in_the_window_is_left_in_english(shown):
    """No text that the interface says in English is there as it is, but for those that are the same in both."""
    translated = {s for s, t in {**read_catalogue("de", SENTENCES), **read_catalogue("de")}.items() if s != t}
    # Words that are written otherwise in German and mean something else there than in English.
    both = {"Text", "Name", "Material", "Art", "Format", "Layer"}
    data = {"laser", "plasma", "mill", "router", "waterjet", "knife", *(d.name for d in DENSITIES)}
    assert set(shown[0]) & translated - both - data == set()
    assert "Heilung" in shown[0]
    assert "Alle beheben" in shown[0]


def test_lengths_have_a_decimal_comma(shown):
    assert shown[1] == "12,500 mm"
