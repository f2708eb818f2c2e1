"""Drawing and changing by hand: a tool is taken up, points are picked or typed, a step comes of it."""

from __future__ import annotations

from collections.abc import Sequence
from functools import partial

from syntaxa.app.canvas.tools.pick import PickTool
from syntaxa.app.features.draw_strip import DrawStrip
from syntaxa.app.features.draw_tools import BY_KEY, TOOLS, DrawTool, Given, typed_point
from syntaxa.app.shell.commands import Command
from syntaxa.app.shell.shell import Shell
from syntaxa.app.shell.stage import Feature
from syntaxa.app.words import tr
from syntaxa.drawing.model import Curve
from syntaxa.errors import SyntaxaError
from syntaxa.geometry.points import Point

#: Keys of the tools that are used most; the others are found in the menu and the palette.
_KEYS = {"line": "Shift+1", "arc": "Shift+2", "circle": "Shift+3", "trim": "Shift+T", "extend": "Shift+E",
         "fillet": "Shift+F", "offset": "Shift+O", "move": "Shift+V"}  # fmt: skip

#: The tool that each part of the menu begins with.
_PARTS = {"line": "new", "guide": "lines", "trim": "change", "fillet": "corner", "move": "map", "lock": "lock"}


class Draw(Feature):
    """The Draw menu and its strip."""

    def __init__(self, shell: Shell) -> None:
        super().__init__(shell)
        self.strip: DrawStrip = DrawStrip()
        self._tool: DrawTool | None = None
        self._points: list[Point] = []
        #: The curve that was clicked at each point, where one was near.
        self._at: list[Curve | None] = []
        self.strip.closed.connect(self.end_tool)
        self.strip.point_typed.connect(self._point_typed)
        self.strip.value_entered.connect(self._value_entered)

    def commands(self) -> Sequence[Command]:
        part, made = "", []
        for tool in TOOLS:
            part = _PARTS.get(tool.key, part)
            run = partial(self.take_tool, tool.key)
            keys = _KEYS.get(tool.key, "")
            made.append(Command(f"take_tool:{tool.key}", tool.title, f"Draw/{part}", run, keys, "", self._has_job))
        return made

    def _has_job(self) -> bool:
        return self.shell.session.job is not None

    # ------------------------------------------------------------------ taking up and putting down

    def take_tool(self, key: str) -> None:
        """Takes up a tool of the Draw menu."""
        tool = BY_KEY[key]
        self.shell.show_canvas()
        self.shell.canvas.give_up()
        if len(self.shell.canvas.selection.rows) < tool.selected:
            things = tr("a curve") if tool.selected == 1 else tr("{0} curves", tool.selected)
            self.shell.tell(tr("{0}: select {1} first, then take the tool again.", tool.title, things))
            return
        self._tool = tool
        self._points, self._at = [], []
        if not tool.prompts and not tool.value:
            self._finish()
            return
        self.strip.take_up(tool)
        self._next_point()

    def end_tool(self) -> None:
        """Puts the tool down."""
        self._tool = None
        self.strip.hide()
        if isinstance(self.shell.canvas.tool, PickTool):
            self.shell.canvas.give_up()
        self.shell.picking.way.show(())

    def escape(self) -> bool:
        if not self.strip.isVisible():
            return False
        self.end_tool()
        return True

    # ------------------------------------------------------------------ typing

    def waits_for_typing(self) -> bool:
        return self.strip.isVisible()

    def type_text(self, text: str) -> None:
        field = self.strip.point if self.strip.point.isVisible() else self.strip.value
        field.setFocus()
        field.insert(text)

    def finish_typing(self) -> None:
        if self.strip.point.isVisible() and not self.strip.value.isVisible():
            self._point_typed(self.strip.point.text())
        else:
            self._value_entered()

    # ------------------------------------------------------------------ points and values

    def _next_point(self) -> None:
        tool = self._tool
        if tool is None:
            return
        prompt = tool.prompt(len(self._points))
        if prompt:
            self.strip.ask(prompt)
            self.shell.picking.point(prompt, tr("{0}: click or type.", tool.title), self._got)
        else:
            self.strip.ask(tr("Type the value, then Return."))
            self.strip.value.setFocus()
            self.strip.value.selectAll()

    def _got(self, x: float, y: float) -> None:
        tool = self._tool
        if tool is None:
            return
        self._points.append(Point(x, y))
        self._at.append(self.shell.canvas.curve_at(x, y))
        self.shell.picking.way.show(self._points)
        enough = not tool.prompt(len(self._points))
        round_again = tool.many and len(self._points) > 3 and self._points[-1] == self._points[0]
        # Where a value can stand for the last point it is asked for only without it.
        if round_again or (enough and (not tool.value or tool.stands_for_point)):
            self._finish()
        else:
            self._next_point()

    def _point_typed(self, text: str) -> None:
        tool = self._tool
        if tool is not None and tool.many and not text.strip():
            self._finish()
            return
        point = typed_point(text, self.shell.dress.lengths.single, self._points)
        if point is None and tool is not None and tool.stands_for_point and len(self._points) == len(tool.prompts) - 1:
            # One number is no point, but it can be the value that stands for this one.
            self.strip.value.setText(text)
            self._value_entered()
            return
        if point is None:
            self.shell.tell(tr("That is no point. Type x, y, or @dx, dy, or length < angle."))
            return
        self.shell.canvas.give_up()
        self._got(point.x, point.y)

    def _value_entered(self) -> None:
        tool = self._tool
        if tool is None:
            return
        missing = len(tool.prompts) - len(self._points)
        if missing > tool.stands_for_point:
            self.shell.tell(tr("{0}: click first: {1}.", tool.title, tool.prompts[len(self._points)].lower()))
            return
        self._finish()

    # ------------------------------------------------------------------ doing

    def _finish(self) -> None:
        tool, state = self._tool, self.shell.session.state
        if tool is None or state is None:
            return
        curves = tuple(self.shell.canvas.selection.curves())
        own = next((s.name for s in state.sketches for c in curves[:1] if any(x.id == c.id for x in s.curves)), "")
        first = next((s.name for s in state.profiles()), "Drawn")
        try:
            value = self._value_of(tool)
            step = tool.make(Given(tuple(self._points), value, curves, own or first, tuple(self._at)))
        except SyntaxaError as error:
            # Nothing was done, so nothing is put down: another value or point can be given at once.
            self.shell.complain(str(error))
            self._ask_again(tool)
            return
        self.shell.banner.settle("complaint")
        self.shell.session.do(step)
        self._again(tool)

    def _value_of(self, tool: DrawTool) -> float:
        if not tool.value or (tool.stands_for_point and len(self._points) == len(tool.prompts)):
            return 0.0
        return tool.reads(self.strip.value.text(), self.shell.dress.lengths.single)

    def _ask_again(self, tool: DrawTool) -> None:
        """What was given made no sense: a value is asked for again, or else the last point."""
        if tool.value and len(self._points) < len(tool.prompts) + (not tool.stands_for_point):
            self.strip.value.setFocus()
            self.strip.value.selectAll()
        elif tool.prompts:
            self.shell.canvas.give_up()
            self._points, self._at = self._points[:-1], self._at[:-1]
            self.shell.picking.way.show(self._points)
            self._next_point()
        else:
            self.end_tool()

    def _again(self, tool: DrawTool) -> None:
        """A tool that takes points goes on; one for selected curves is done."""
        self.shell.canvas.give_up()
        self.shell.picking.way.show(())
        if tool.selected:
            self.end_tool()
            return
        # A line goes on from where it ended.
        last = self._points[-1:] if tool.key == "line" else []
        self._points, self._at = list(last), [None] * len(last)
        self._next_point()
