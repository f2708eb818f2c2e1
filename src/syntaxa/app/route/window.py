"""What the main window does for Route: finding curves that belong together, groups by their base point, and recipes."""

from __future__ import annotations

from collections.abc import Collection
from pathlib import Path

from syntaxa.app.draw.window import DrawWindow
from syntaxa.app.route.batch_dialog import BatchDialog
from syntaxa.app.stages.deliver import DeliverPanel
from syntaxa.app.stages.route import RoutePanel
from syntaxa.app.tasks import Lane
from syntaxa.app.widgets.labels import counted
from syntaxa.errors import SyntaxaError
from syntaxa.job.recipe import ENDING, Written, load_recipe, recipe_of, save_recipe
from syntaxa.mend.steps import reach_of
from syntaxa.route.edits import BringBack, MakeGroup, PlaceGroup
from syntaxa.route.model import Appearances
from syntaxa.route.picking import alike, connected, inverted, loop, matching


class RouteWindow(DrawWindow):
    """The methods behind the Route panel and the recipes; the main window makes the parts."""

    route: RoutePanel
    deliver: DeliverPanel
    batch_work: Lane
    _aside_shown = False

    def _connect_route(self) -> None:
        came_in, picked = self.route.came_in, self.route.picked
        came_in.select_wanted.connect(self.select_roots)
        came_in.hide_wanted.connect(self._hide)
        picked.more_wanted.connect(self.pick_more)
        picked.filter_wanted.connect(self.pick_by_words)
        picked.aside_shown.connect(self._show_aside)
        picked.group_wanted.connect(self._make_group)
        picked.place_group_wanted.connect(self._place_group)
        picked.select_wanted.connect(self.select_roots)
        self.canvas.aside_clicked.connect(lambda name: self.session.do(BringBack((name,))))

    # ------------------------------------------------------------------ picking

    def pick_more(self, way: str) -> None:
        """Picks more: what is connected, closes a loop, or is alike."""
        state = self.session.state
        if way == "lasso":
            self.canvas.start_lasso()
            self.status.tell("Draw round what is to be picked. Escape gives up.")
            return
        if state is None:
            return
        curves, ids = list(state.curves()), {c.id for c in self.canvas.selected_curves()}
        if not ids and way != "invert":
            self.status.tell("Pick a curve first.")
            return
        if way == "chain":
            found = connected(curves, ids, self._reach())
        elif way == "loop":
            found = loop(curves, ids, self._reach())
        elif way == "invert":
            found = inverted(curves, ids)
        else:
            found = alike(curves, ids, way, Appearances(state))  # type: ignore[arg-type]
        self.canvas.select_ids(found)

    def pick_by_words(self, words: str) -> None:
        """Picks what a filter means, such as "circles under 3 mm"."""
        state = self.session.state
        if state is None:
            return
        try:
            found = matching(list(state.curves()), words, self.lengths.single, Appearances(state))
        except SyntaxaError as error:
            self.status.tell(str(error))
            return
        self.canvas.select_ids(found)
        self.status.tell(f"{counted(len(found), 'curve')} found.")

    def pick_chain(self) -> None:
        """Picks all that is connected with what is picked."""
        self.pick_more("chain")

    def pick_loop(self) -> None:
        """Picks the shortest closed loop through what is picked."""
        self.pick_more("loop")

    def pick_inverted(self) -> None:
        """Picks what is not picked."""
        self.pick_more("invert")

    def start_lasso(self) -> None:
        """Draws a lasso."""
        self.pick_more("lasso")

    def put_aside(self) -> None:
        """Puts what is picked aside."""
        self.route.picked.put_aside()

    def select_roots(self, ids: Collection[str]) -> None:
        """Selects curves, or the pieces that they were cut into."""
        wanted = set(ids)
        curves = self.canvas.content.scene.curves
        self.canvas.select_ids({c.id for c in curves if not wanted.isdisjoint(c.names)})

    def _hide(self, ids: Collection[str]) -> None:
        wanted = set(ids)
        curves = self.canvas.content.scene.curves
        self.canvas.hide_curves(frozenset(c.id for c in curves if not wanted.isdisjoint(c.names)))

    def _reach(self) -> float:
        """How far ends may be apart and still belong together: the tolerance in force."""
        surveyed = self.session.surveyed_state
        return reach_of(surveyed.gap if surveyed else None)

    def _show_aside(self, shown: bool) -> None:
        self._aside_shown = shown
        self._show_content()
        if shown:
            self.status.tell("What is put aside is drawn dashed; click it to bring it back.")

    # ------------------------------------------------------------------ groups

    def _make_group(self, name: str) -> None:
        ids = tuple(c.id for c in self.canvas.selected_curves())
        says = "Click the base point of the group, by which it is moved and copied."
        self.pick_points(
            ("Base point",), says, lambda points: self.session.do(MakeGroup(ids, name, points[0].x, points[0].y))
        )

    def _place_group(self, key: str, copy: bool) -> None:
        says = "Click where the base point of the copy goes." if copy else "Click where the base point goes."
        self.pick_points(
            ("Base point here",), says, lambda points: self.session.do(PlaceGroup(key, points[0].x, points[0].y, copy))
        )

    # ------------------------------------------------------------------ commands: recipes

    def ask_save_recipe(self) -> None:
        """Asks for a file and saves the steps as a recipe."""
        self._save_recipe(only_routing=False)

    def ask_save_map(self) -> None:
        """Asks for a file and saves only the rules and line styles as a recipe."""
        self._save_recipe(only_routing=True)

    def _save_recipe(self, only_routing: bool) -> None:
        job = self.session.job
        if job is None:
            return
        path = self._choosers.save_recipe(self, self.settings.values.folder, self.session.name)
        if path is None:
            return
        if path.suffix.lower() != ENDING:
            path = path.with_name(path.name + ENDING)
        output = self.deliver.output
        written = Written(
            (self.deliver.ending,),
            output.unit,
            output.release,
            output.roles,
            output.construction,
        )
        made = recipe_of(job, path.stem, written, only_routing)
        try:
            save_recipe(made.recipe, path)
        except SyntaxaError as error:
            self.complain(str(error))
            return
        if made.left:
            self.banner.tell(
                f"{path.name} has {counted(len(made.recipe.steps), 'step')}. "
                f"What only fits this drawing was left: {'; '.join(made.left[:4])}."
            )
        else:
            self.status.tell(f"Saved {path.name} with {counted(len(made.recipe.steps), 'step')}.")

    def ask_use_recipe(self) -> None:
        """Asks for a recipe and does its steps in this job."""
        path = self._choosers.open_recipe(self, self.settings.values.folder)
        if path is not None:
            self.use_recipe(path)

    def use_recipe(self, path: Path) -> None:
        """Does the steps of a recipe in this job, as one change."""
        try:
            recipe = load_recipe(path)
        except SyntaxaError as error:
            self.complain(str(error))
            return
        self.session.use_recipe(recipe)

    def ask_run_recipe(self) -> None:
        """Runs a recipe on many drawings."""
        dialog = BatchDialog(self, self._choosers, self.settings, self.batch_work)
        dialog.show()
        self._batch = dialog
