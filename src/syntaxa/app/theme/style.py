"""Fonts, palette and style sheet of a look."""

from __future__ import annotations

import os
import tempfile
from collections.abc import Callable, Iterator, Sequence
from functools import cache
from importlib.resources import as_file, files
from pathlib import Path
from string import Template

from PyQt6 import sip
from PyQt6.QtCore import QEvent, Qt
from PyQt6.QtGui import QColor, QFont, QFontDatabase, QPalette
from PyQt6.QtWidgets import QApplication, QWidget

from syntaxa.app.theme.tokens import Tokens
from syntaxa.files import write_atomically

FONT_FILES = ("Inter-Regular.otf", "Inter-Medium.otf", "Inter-SemiBold.otf", "JetBrainsMono-Regular.ttf")
TEXT_FONT = "Inter"

#: Letters are shown as they stand: else the font makes a multiplication sign of the x in a file called "2x4".
_AS_TYPED = QFont.Tag(b"calt")
FIGURE_FONT = "JetBrains Mono"

#: Widgets in one go over those that are out of sight; each takes about a tenth of a millisecond.
_AT_ONCE = 100

#: What the toolkit goes by: whether a widget wears its look, and whether it has one of its own that it keeps.
_POLISHED, _OWN_STYLE = Qt.WidgetAttribute.WA_WState_Polished, Qt.WidgetAttribute.WA_SetStyle


@cache
def load_fonts() -> tuple[str, ...]:
    """Families that ship with the program, loaded once."""
    families: list[str] = []
    for name in FONT_FILES:
        with as_file(files("syntaxa.fonts").joinpath(name)) as path:
            number = QFontDatabase.addApplicationFont(str(path))
        families += QFontDatabase.applicationFontFamilies(number)
    return tuple(families)


def figure_font(pixels: int = 12) -> QFont:
    """The font of figures, all of one width."""
    font = QFont(FIGURE_FONT)
    font.setPixelSize(pixels)
    font.setFeature(_AS_TYPED, 0)
    return font


def dress(application: QApplication, tokens: Tokens) -> None:
    """Puts a look on the whole program; where it wears it already, nothing is done."""
    for _ in dressing(application, tokens):
        pass


def undressing(widgets: Sequence[QWidget]) -> Iterator[None]:
    """Takes the look off widgets that nobody sees, some at a time: `dressing` then passes them by.

    They must be given to `redressing` afterwards, and before anybody sees them.
    """
    yield from _some_at_a_time(widgets, _take_off)


def redressing(widgets: Sequence[QWidget]) -> Iterator[None]:
    """Puts the look that the program wears now on those whose own was taken off, some at a time."""
    yield from _some_at_a_time(widgets, _put_on)


def _some_at_a_time(widgets: Sequence[QWidget], do: Callable[[QWidget], None]) -> Iterator[None]:
    for first in range(0, len(widgets), _AT_ONCE):
        for widget in widgets[first : first + _AT_ONCE]:
            # Between two goes some may be gone.
            if not sip.isdeleted(widget):
                do(widget)
        yield


def _take_off(widget: QWidget) -> None:
    style = widget.style()
    if style is not None:
        style.unpolish(widget)
    widget.setAttribute(_POLISHED, False)
    widget.setAttribute(_OWN_STYLE, True)


def _put_on(widget: QWidget) -> None:
    widget.setAttribute(_OWN_STYLE, False)
    style = widget.style()
    if style is not None:
        style.polish(widget)
    widget.setAttribute(_POLISHED, True)
    QApplication.sendEvent(widget, QEvent(QEvent.Type.StyleChange))
    widget.update()


def dressing(application: QApplication, tokens: Tokens) -> Iterator[None]:
    """The same as `dress` in several goes, each of which goes over all widgets and takes its time."""
    sheet = _sheet(tokens)
    if application.styleSheet() == sheet:
        return
    load_fonts()
    # While a sheet is worn, a palette or another sheet would go over all widgets several times.
    application.setStyleSheet("")
    yield
    if application.font().family() != TEXT_FONT:
        application.setStyle("Fusion")
        font = QFont(TEXT_FONT)
        font.setPixelSize(13)
        font.setFeature(_AS_TYPED, 0)
        font.setHintingPreference(QFont.HintingPreference.PreferNoHinting)
        application.setFont(font)
    application.setPalette(_palette(tokens))
    yield
    application.setStyleSheet(sheet)


def _palette(tokens: Tokens) -> QPalette:
    role = QPalette.ColorRole
    palette = QPalette()
    for name, colour in {
        role.Window: tokens.panel, role.Base: tokens.raised, role.AlternateBase: tokens.panel,
        role.Button: tokens.raised, role.WindowText: tokens.text, role.Text: tokens.text,
        role.ButtonText: tokens.text, role.ToolTipBase: tokens.raised, role.ToolTipText: tokens.text,
        role.Highlight: tokens.accent, role.HighlightedText: tokens.on_accent, role.PlaceholderText: tokens.dim,
        role.Mid: tokens.line, role.Dark: tokens.line, role.Light: tokens.raised, role.Midlight: tokens.panel,
        role.Shadow: tokens.line, role.Link: tokens.accent, role.Accent: tokens.accent,
    }.items():  # fmt: skip
        palette.setColor(name, QColor(colour))
    for name in (role.Text, role.WindowText, role.ButtonText):
        palette.setColor(QPalette.ColorGroup.Disabled, name, QColor(tokens.strong_line))
    return palette


def _drawn(name: str, colour: str) -> str:
    """Path of an icon in one colour, for the style sheet, which takes only files."""
    folder = Path(tempfile.gettempdir()) / f"syntaxa-style-{os.getuid()}"
    folder.mkdir(mode=0o700, exist_ok=True)
    path = folder / f"{name}-{colour.lstrip('#')}.svg"
    outline = files("syntaxa.app").joinpath(f"assets/icons/{name}.svg").read_text()
    # Another window may be reading it.
    write_atomically(path, outline.replace("currentColor", colour).encode())
    return path.as_posix()


def _sheet(tokens: Tokens) -> str:
    values = {name: getattr(tokens, name) for name in Tokens.__slots__}
    values["chevron"] = _drawn("down", tokens.dim)
    values["chevron_up"] = _drawn("up", tokens.dim)
    values["tick"] = _drawn("check", tokens.on_accent)
    return Template(files("syntaxa.app").joinpath("assets/style.qss").read_text()).substitute(values)
