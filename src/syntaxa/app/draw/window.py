"""What the main window does for the Draw menu: a tool is taken up, points are picked or typed, a step comes of it."""

from __future__ import annotations

from syntaxa.app.draw.strip import DrawStrip
from syntaxa.app.draw.tools import BY_KEY, Given, Tool, typed_point
from syntaxa.app.measure.window import MeasureWindow
from syntaxa.drawing.model import Curve
from syntaxa.errors import SyntaxaError
from syntaxa.geometry.points import Point


class DrawWindow(MeasureWindow):
    """The methods behind the Draw menu; the main window makes the parts."""

    draw_strip: DrawStrip
    _tool: Tool | None = None
    _points: list[Point]
    _at: list[Curve | None]

    def _connect_draw(self) -> None:
        self._points, self._at = [], []
        self.draw_strip.closed.connect(self.end_tool)
        self.draw_strip.point_typed.connect(self._point_typed)
        self.draw_strip.value_entered.connect(self._value_entered)

    def take_tool(self, key: str) -> None:
        """Takes up a tool of the Draw menu."""
        tool = BY_KEY[key]
        self._show_canvas()
        self.canvas.stop_picking()
        if len(self.canvas.selected_curves()) < tool.selected:
            things = "a curve" if tool.selected == 1 else f"{tool.selected} curves"
            self.status.tell(f"{tool.title}: select {things} first, then take the tool again.")
            return
        self._tool = tool
        self._points, self._at = [], []
        if not tool.prompts and not tool.value:
            self._finish()
            return
        self.draw_strip.take_up(tool)
        self._next_point()

    def end_tool(self) -> None:
        """Puts the tool down."""
        self._tool = None
        self.draw_strip.hide()
        self.canvas.stop_picking()
        self.canvas.show_way(())

    def _next_point(self) -> None:
        tool = self._tool
        if tool is None:
            return
        prompt = tool.prompt(len(self._points))
        if prompt:
            self.draw_strip.ask(prompt)
            self._pick(prompt, f"{tool.title}: click or type.", self._got)
        else:
            self.draw_strip.ask("Type the value, then Return.")
            self.draw_strip.value.setFocus()
            self.draw_strip.value.selectAll()

    def _got(self, x: float, y: float) -> None:
        tool = self._tool
        if tool is None:
            return
        self._points.append(Point(x, y))
        self._at.append(self.canvas.curve_at(x, y, lambda _curve: True))
        self.canvas.show_way(self._points)
        enough = not tool.prompt(len(self._points))
        round_again = tool.many and len(self._points) > 3 and self._points[-1] == self._points[0]
        # Where a value can stand for the last point it is asked for only without it.
        if round_again or (enough and (not tool.value or tool.stands_for_point)):
            self._finish()
        else:
            self._next_point()

    def _point_typed(self, text: str) -> None:
        if self._tool is not None and self._tool.many and not text.strip():
            self._finish()
            return
        point = typed_point(text, self.lengths.single, self._points)
        tool = self._tool
        if point is None and tool is not None and tool.stands_for_point and len(self._points) == len(tool.prompts) - 1:
            # One number is no point, but it can be the value that stands for this one.
            self.draw_strip.value.setText(text)
            self._value_entered()
            return
        if point is None:
            self.status.tell("That is no point. Type x, y, or @dx, dy, or length < angle.")
            return
        self.canvas.stop_picking()
        self._got(point.x, point.y)

    def _value_entered(self) -> None:
        tool = self._tool
        if tool is None:
            return
        missing = len(tool.prompts) - len(self._points)
        if missing > tool.stands_for_point:
            self.status.tell(f"{tool.title}: click first: {tool.prompts[len(self._points)].lower()}.")
            return
        self._finish()

    def _finish(self) -> None:
        tool, state = self._tool, self.session.state
        if tool is None or state is None:
            return
        curves = tuple(self.canvas.selected_curves())
        own = next((s.name for s in state.sketches for c in curves[:1] if any(x.id == c.id for x in s.curves)), "")
        first = next((s.name for s in state.profiles()), "Drawn")
        try:
            value = self._value_of(tool)
            step = tool.make(Given(tuple(self._points), value, curves, own or first, tuple(self._at)))
        except SyntaxaError as error:
            # Nothing was done, so nothing is put down: another value or point can be given at once.
            self.complain(str(error))
            self._ask_again(tool)
            return
        self.banner.settle("complaint")
        self.session.do(step)  # type: ignore[arg-type]
        self._again(tool)

    def _value_of(self, tool: Tool) -> float:
        if not tool.value or (tool.stands_for_point and len(self._points) == len(tool.prompts)):
            return 0.0
        return tool.reads(self.draw_strip.value.text(), self.lengths.single)

    def _ask_again(self, tool: Tool) -> None:
        """What was given made no sense: a value is asked for again, or else the last point."""
        if tool.value and len(self._points) < len(tool.prompts) + (not tool.stands_for_point):
            self.draw_strip.value.setFocus()
            self.draw_strip.value.selectAll()
        elif tool.prompts:
            self.canvas.stop_picking()
            self._points, self._at = self._points[:-1], self._at[:-1]
            self.canvas.show_way(self._points)
            self._next_point()
        else:
            self.end_tool()

    def _again(self, tool: Tool) -> None:
        """A tool that takes points goes on; one for selected curves is done."""
        self.canvas.stop_picking()
        self.canvas.show_way(())
        if tool.selected:
            self.end_tool()
            return
        # A line goes on from where it ended.
        last = self._points[-1:] if tool.key == "line" else []
        self._points, self._at = list(last), [None] * len(last)
        self._next_point()
