"""Drawing by OpenGL on an off-screen context: no window system is needed, and none is drawn into.

One pass fills colour and number into two targets, so that picking reads one pixel. Lines come a hair towards the eye;
they are drawn as two triangles each, since drivers differ in how, and whether, they smooth lines of their own.
A cut is a plane in the shader; what is seen of the inside there is filled with one colour, as cut material is.
"""

from __future__ import annotations

from typing import Any

import numpy as np
import numpy.typing as npt

from syntaxa.app.stages.form.space.camera import Camera
from syntaxa.app.stages.form.space.look import WHOLE, Look
from syntaxa.app.stages.form.space.scene import Facets, Scene, Strokes
from syntaxa.geometry.types import Floats, Ints

_FACET_VERTEX = """
#version 330
uniform mat4 view; uniform vec4 cut; uniform vec3 base; uniform float behind;
in vec3 place; in vec3 normal; in vec3 colour; in uint number;
out vec3 v_normal; out vec3 v_colour; flat out uint v_number; out float side;
void main() {
    gl_Position = view * vec4(place, 1.0);
    gl_Position.z += behind;
    v_normal = normal; v_colour = colour; v_number = number;
    side = dot(cut.xyz, place + base) + cut.w;
}
"""
_FACET_FRAGMENT = """
#version 330
uniform vec3 light; uniform vec3 eye; uniform vec3 inside; uniform float alpha; uniform float lit;
in vec3 v_normal; in vec3 v_colour; flat in uint v_number; in float side;
layout(location=0) out vec4 colour; layout(location=1) out uint number;
void main() {
    if (side < 0.0) discard;
    vec3 n = normalize(v_normal);
    bool within = !gl_FrontFacing && lit > 0.5;
    float shade = 0.45 + 0.40 * max(dot(n, light), 0.0) + 0.15 * abs(dot(n, eye));
    vec3 shown = within ? inside : v_colour * mix(1.0, shade, lit);
    colour = vec4(shown, alpha);
    number = v_number;
}
"""
_LINE_VERTEX = """
#version 330
uniform mat4 view; uniform vec4 cut; uniform vec3 base; uniform vec2 halves; uniform float half_width;
in vec3 place; in vec3 other; in float hand; in vec3 colour; in uint number;
out vec3 v_colour; flat out uint v_number; out float side;
void main() {
    gl_Position = view * vec4(place, 1.0);
    vec2 along = (gl_Position.xy - (view * vec4(other, 1.0)).xy) * halves;
    float run = length(along);
    along = run > 1e-6 ? along / run : vec2(1.0, 0.0);
    gl_Position.xy += half_width * (along + hand * vec2(-along.y, along.x)) / halves;
    gl_Position.z -= 0.0008;
    v_colour = colour; v_number = number;
    side = dot(cut.xyz, place + base) + cut.w;
}
"""
_LINE_FRAGMENT = """
#version 330
in vec3 v_colour; flat in uint v_number; in float side;
layout(location=0) out vec4 colour; layout(location=1) out uint number;
void main() {
    if (side < 0.0) discard;
    colour = vec4(v_colour, 1.0); number = v_number;
}
"""

#: A value, or several, for each pixel from the top down.
Pixels = npt.NDArray[np.unsignedinteger[Any]]

_FACET = np.dtype([("place", "f4", 3), ("normal", "f4", 3), ("colour", "f4", 3), ("number", "u4")])
_STROKE = np.dtype([("place", "f4", 3), ("other", "f4", 3), ("hand", "f4"), ("colour", "f4", 3), ("number", "u4")])

#: Corners of a line: of its two ends, with the hand on which each lies as seen from the other end.
_ENDS, _HANDS, _CORNERS = (0, 0, 1, 1), (-1.0, 1.0, 1.0, -1.0), np.array([(0, 1, 2), (2, 1, 3)])

#: Pixels that a line is wide.
_WIDTH = 1.2

#: How far what is in the scene is from the centre of the picture at most, in halves of its size.
_DEPTH = 4.0

#: How the library is told that there is no window.
_OFF_SCREEN: dict[str, Any] = {"backend": "egl"}


class Renderer:
    """Draws scenes into bytes; raises whatever the library does where there is no OpenGL."""

    def __init__(self, samples: int = 4) -> None:
        import moderngl

        self._gl = moderngl
        self._context = moderngl.create_context(standalone=True, require=330, **_OFF_SCREEN)
        self._samples = min(samples, self._context.max_samples)
        with self._context as context:
            self._facets = context.program(vertex_shader=_FACET_VERTEX, fragment_shader=_FACET_FRAGMENT)
            self._lines = context.program(vertex_shader=_LINE_VERTEX, fragment_shader=_LINE_FRAGMENT)
        self._arrays: list[Any] = []
        #: Buffers of corners, with what is in them.
        self._corners: list[tuple[Any, Any]] = []
        self._size = (0, 0)
        self._targets: list[Any] = []
        self._scene: Scene | None = None
        self.cut = WHOLE
        #: Pixels of the picture to one of the window.
        self.ratio = 1.0

    def load(self, scene: Scene) -> None:
        """Takes a scene, which has no colours yet."""
        self._scene = scene
        with self._context:
            for old in self._arrays:
                old.release()
            self._arrays, self._corners = [], []
            self._solid = self._uploaded(scene.facets)
            self._film = self._uploaded(scene.films)
            self._stroke = self._ribbons(scene.strokes, scene.middle)

    def dress(self, colours: Floats) -> None:
        """Takes the colours of all numbers, (targets + 1, 3)."""
        with self._context:
            for held, rows in self._corners:
                rows["colour"] = colours[rows["number"]]
                held.write(rows.tobytes())

    def _ribbons(self, strokes: Strokes, middle: Floats) -> Any:
        """Lines as four corners and two triangles each."""
        count = len(strokes.ends)
        rows = np.zeros((count, 4), _STROKE)
        rows["place"] = strokes.ends[:, _ENDS] - middle
        rows["other"] = strokes.ends[:, [1 - e for e in _ENDS]] - middle
        rows["hand"] = _HANDS
        rows["number"] = strokes.target[:, None]
        index = (4 * np.arange(count)[:, None] + _CORNERS.ravel()).ravel()
        names = ("place", "other", "hand", "colour", "number")
        return self._array(self._lines, rows.ravel(), "3f 3f 1f 3f 1u", names, index)

    def _uploaded(self, facets: Facets) -> Any:
        rows = np.zeros(len(facets.points), _FACET)
        assert self._scene is not None, "a scene is being loaded"
        rows["place"] = facets.points - self._scene.middle
        rows["normal"], rows["number"] = facets.normals, facets.target
        names = ("place", "normal", "colour", "number")
        return self._array(self._facets, rows, "3f 3f 3f 1u", names, facets.index)

    def _array(self, program: Any, rows: Any, layout: str, names: tuple[str, ...], index: Ints) -> Any:
        if not len(index):
            return None
        held = self._context.buffer(reserve=rows.nbytes)
        self._corners.append((held, rows))
        order = self._context.buffer(index.astype("i4").tobytes())
        self._arrays += [held, order]
        made = self._context.vertex_array(program, [(held, layout, *names)], order, 4)
        self._arrays.append(made)
        return made

    def picture(self, camera: Camera, look: Look, smooth: bool) -> Pixels:
        """Rows of RGBA, (height, width, 4)."""
        with self._context:
            self._sized(camera.width, camera.height)
            if smooth and self._samples:
                self._draw(self._many, camera, look)
                self._context.copy_framebuffer(self._plain, self._many)
            else:
                self._draw(self._plain, camera, look)
            flat = np.frombuffer(self._plain.read(components=4), np.uint8)
        return np.ascontiguousarray(flat.reshape(camera.height, camera.width, 4)[::-1])

    def numbers(self, camera: Camera, look: Look) -> Pixels:
        """The number of what is seen in each pixel, (height, width), 0 for nothing."""
        with self._context:
            self._sized(camera.width, camera.height)
            self._draw(self._numbered, camera, look, numbered=True)
            flat = np.frombuffer(self._number.read(), "u4")
        return np.ascontiguousarray(flat.reshape(camera.height, camera.width)[::-1])

    def _sized(self, width: int, height: int) -> None:
        if self._size == (width, height):
            return
        for old in self._targets:
            old.release()
        c, size, many = self._context, (width, height), self._samples
        self._size = size
        self._number = c.texture(size, 1, dtype="u4")
        held = [
            c.renderbuffer(size, 4),
            c.depth_renderbuffer(size),
            c.renderbuffer(size, 4),
            c.depth_renderbuffer(size),
        ]
        self._plain = c.framebuffer([held[0]], held[1])
        self._numbered = c.framebuffer([held[2], self._number], held[3])
        self._targets = [self._plain, self._numbered, self._number, *held]
        if many:
            more = [c.renderbuffer(size, 4, samples=many), c.depth_renderbuffer(size, samples=many)]
            self._many = c.framebuffer([more[0]], more[1])
            self._targets += [self._many, *more]

    def _draw(self, target: Any, camera: Camera, look: Look, numbered: bool = False) -> None:
        scene, gl, c = self._scene, self._gl, self._context
        target.use()
        c.enable(gl.DEPTH_TEST)
        c.disable(gl.BLEND)
        # Numbers begin at nought; the same call clears both.
        c.clear(*look.ground, 0.0 if numbered else 1.0)
        if scene is None:
            return
        if numbered:
            self._number.write(bytes(4 * camera.width * camera.height))
        away = float(np.linalg.norm(scene.middle - np.array(camera.centre)))
        view = camera.matrix(scene.middle, _DEPTH * scene.reach + away).T.astype("f4").tobytes()
        right, up, eye = camera.axes
        light = eye * 0.6 + up * 0.6 - right * 0.35
        for program in (self._facets, self._lines):
            program["view"].write(view)
            program["cut"].value = self.cut
            program["base"].value = tuple(scene.middle.tolist())
        self._facets["light"].value = tuple((light / np.linalg.norm(light)).tolist())
        self._facets["eye"].value = tuple(eye.tolist())
        self._facets["inside"].value = look.inside
        through = look.see_through and not numbered
        self._render(target, self._solid, 0.28 if through else 1.0, 1.0, through)
        if self._stroke is not None:
            self._lines["halves"].value = (camera.width / 2, camera.height / 2)
            self._lines["half_width"].value = max(_WIDTH * self.ratio, 1.0) / 2
            self._stroke.render()
        self._render(target, self._film, 1.0 if numbered else look.film, 0.0, not numbered)

    def _render(self, target: Any, array: Any, alpha: float, lit: float, blended: bool) -> None:
        """Facets, those that are seen through after all others and without hiding what lies behind."""
        if array is None:
            return
        gl, c = self._gl, self._context
        self._facets["alpha"].value, self._facets["lit"].value = alpha, lit
        # A region that lies in a face is hidden by it, instead of fighting with it for every pixel.
        self._facets["behind"].value = 0.0 if lit else 0.0004
        if blended:
            c.enable(gl.BLEND)
            target.depth_mask = False
        array.render()
        c.disable(gl.BLEND)
        target.depth_mask = True
