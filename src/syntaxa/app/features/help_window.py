"""The window of the help: pages, a field to search them, and the page."""

from __future__ import annotations

from PyQt6.QtCore import Qt
from PyQt6.QtGui import QFont, QTextBlockFormat, QTextCharFormat, QTextCursor, QTextDocument
from PyQt6.QtWidgets import QDialog, QHBoxLayout, QLineEdit, QListWidget, QListWidgetItem, QTextBrowser, QVBoxLayout

from syntaxa.app.features.guide import Page, keys_page, pages
from syntaxa.app.shell.shell import Shell
from syntaxa.app.words import tr

_NAME = Qt.ItemDataRole.UserRole


class HelpWindow(QDialog):
    """Beside the window, so that it can be read while working."""

    def __init__(self, shell: Shell) -> None:
        super().__init__(shell.window)
        self.setWindowTitle(tr("Help"))
        self.resize(760, 620)
        self._pages = (*pages(), keys_page(shell.commands))
        self.search = QLineEdit()
        self.search.setAccessibleName(tr("Search the help"))
        self.search.setPlaceholderText(tr("Search"))
        self.search.setClearButtonEnabled(True)
        self.search.textChanged.connect(self._find)
        self.list = QListWidget()
        self.list.setAccessibleName(tr("Pages"))
        self.list.setWordWrap(True)
        self.list.setFixedWidth(200)
        self.list.currentItemChanged.connect(lambda item, _old: self._show(item))
        self.page = QTextBrowser()
        self.page.setAccessibleName(tr("Page"))
        self.page.setOpenLinks(False)
        self.page.anchorClicked.connect(lambda url: self.show_page(url.path().removesuffix(".md").partition("-")[2]))
        side = QVBoxLayout()
        side.addWidget(self.search)
        side.addWidget(self.list, 1)
        row = QHBoxLayout(self)
        row.addLayout(side)
        row.addWidget(self.page, 1)
        document = self.page.document()
        if document is not None:
            document.setDocumentMargin(18)
        self._find("")

    def show_page(self, name: str) -> None:
        """Shows a page by its name; the first where there is none of that name."""
        self.search.clear()
        rows = [k for k, page in enumerate(self._pages) if page.name == name]
        self.list.setCurrentRow(rows[0] if rows else 0)
        self.show()
        self.raise_()

    def _find(self, words: str) -> None:
        """Lists the pages that have the words, each with the line that it has them in."""
        kept = self.list.currentItem()
        name = kept.data(_NAME) if kept is not None else ""
        self.list.clear()
        for page in self._pages:
            line = page.line_with(words) if words.strip() else ""
            if line is None:
                continue
            item = QListWidgetItem(f"{page.title}\n{line}" if line else page.title)
            item.setData(_NAME, page.name)
            self.list.addItem(item)
            if page.name == name:
                self.list.setCurrentItem(item)
        if self.list.currentItem() is None:
            self.list.setCurrentRow(0)
        else:
            self._show(self.list.currentItem())
        if not self.list.count():
            self.page.setPlainText(tr("Nothing in the help has “{0}”.", words.strip()))

    def _show(self, item: QListWidgetItem | None) -> None:
        page: Page | None = next((p for p in self._pages if item is not None and p.name == item.data(_NAME)), None)
        if page is None:
            return
        self.page.setMarkdown(page.text)
        _set_type(self.page)
        words = self.search.text().split()
        if words:
            self.page.moveCursor(QTextCursor.MoveOperation.Start)
            self.page.find(words[0], QTextDocument.FindFlag(0))


#: Pixels of headings by their level, and of room above and below.
_HEADINGS, _ABOVE, _BELOW = {1: 20, 2: 15, 3: 13}, 14, 5

#: Height of a line, in percent of its letters.
_LINES, _IN_PERCENT = 120, 1


def _set_type(page: QTextBrowser) -> None:
    """Headings and room between paragraphs as in the rest of the program; Markdown knows nothing of either."""
    document = page.document()
    block = document.begin() if document is not None else None
    while block is not None and block.isValid():
        level = block.blockFormat().headingLevel()
        cursor = QTextCursor(block)
        form = QTextBlockFormat()
        form.setTopMargin(_ABOVE if level > 1 else 0)
        form.setBottomMargin(_BELOW)
        form.setLineHeight(_LINES, _IN_PERCENT)
        cursor.mergeBlockFormat(form)
        if level:
            cursor.select(QTextCursor.SelectionType.BlockUnderCursor)
            font = QFont(page.font())
            font.setPixelSize(_HEADINGS.get(level, 13))
            font.setWeight(QFont.Weight.DemiBold)
            letters = QTextCharFormat()
            letters.setFont(font)
            cursor.setCharFormat(letters)
        block = block.next()
