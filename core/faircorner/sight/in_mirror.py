"""How an edge or an upright thing runs through a mirror's picture, past a mark in it.

A mark is a part of the own flank that the mirror shows, or a place on its rim. What is told is how
far the image runs beside it, on the glass. docs/sums/mirrors.md.
"""

from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np
from shapely import Polygon, intersects_xy

from faircorner.compiled import compiled
from faircorner.plane import Bools, Floats, to_body
from faircorner.sight.glass import pane_hits
from faircorner.sight.reflect import images, on_glass
from faircorner.sight.sharpness import (
    ACUITY,
    AT_PLACE,
    CRAWL,
    NEAR,
    REACTION,
    Moved,
    Onward,
    Shifted,
)
from faircorner.sight.told import OUT, UP, Told
from faircorner.vehicle import Mirror, Vehicle, blocks_of, stopped

__all__ = ["IN_GLASS", "REAR_TYRE", "RIM", "InMirror", "Looker"]

# The eye must be before a glass by so much of the way to it to see anything in it.
_BEFORE = 0.05
# Places on a mirror's rim: three middles, and two corners.
RIM = ("mirror's lower edge", "mirror's outer edge", "mirror's inner edge",
       "mirror's lower outer corner", "mirror's lower inner corner")  # fmt: skip
REAR_TYRE = "rear tyre"
# Farther from a mark than this nobody would name it, m on the glass.
_TELL = 0.05
# What of two images in one glass the eye can tell, which lie about equally far off, rad; assumed.
# Between a near edge and a far thing it is four times that.
IN_GLASS = ACUITY / 4
# A place on the glass this near to its rim still shows, m.
_RIM = 0.002


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class MirrorMark:
    """Something in a mirror that an image can be told from; at : (2,), across and up, m

    square : which way is square to the rim, at whose middle it is; None for what is not the rim's
    """

    name: str
    at: Floats
    square: Told | None = None

    def named(self, told: Told | None) -> str:
        """As it is told: along the rim it is the middle of it that counts."""
        return f"middle of the {self.name}" if self.square not in (None, told) else self.name


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class InMirror:
    """A line of the place past one mark of a mirror, at a call.

    told, offset : by which way it runs beside the mark, and how far on the glass, m
    hit : (3,), where on the glass it comes nearest; place : (3,), what is seen there, both m in
    the vehicle's frame
    scatter : m it leaves in the stop
    moved : how its image moves past the mark, see `Shifted`
    """

    mark: str
    told: Told
    offset: float
    hit: Floats
    place: Floats
    scatter: float
    moved: Shifted


class Looker:
    """A driver's eye, (3,) m, at one mirror of a vehicle."""

    def __init__(self, vehicle: Vehicle, mirror: Mirror, eye: Floats) -> None:
        self.vehicle, self.mirror, self.eye = vehicle, mirror, eye
        self.marks = marks_in(vehicle, mirror, eye)
        toward = eye - mirror.centre
        self.away = float(np.linalg.norm(toward))
        self.square = float(toward @ mirror.aim) / self.away
        # Which way across the glass leads away from the own flank.
        self.outward = -1.0 if mirror.centre[1] >= 0 else 1.0

    @property
    def faced(self) -> bool:
        """Whether its glass is turned to the eye and shows through a pane."""
        if self.square < _BEFORE:
            return False
        panes, at = self.vehicle.glass, self.mirror.centre[None]
        # What hangs within the cabin is seen without looking through anything.
        inside = abs(self.mirror.centre[1]) < self.vehicle.width / 2
        return inside or not panes or any(
            not np.isnan(pane_hits(pane, self.eye, at)[0, 0]) for pane in panes
        )  # fmt: skip

    def on_glass(self, places: Floats, eye: Floats | None = None) -> Floats:
        """Where places (..., 3) of the vehicle's frame appear on the glass, (..., 2)."""
        hits = images(self.mirror, self.eye if eye is None else eye, places.reshape(-1, 3))
        return on_glass(self.mirror, hits).reshape(*places.shape[:-1], 2)

    def past(self, onward: Onward, lines: list[Floats]) -> Iterator[tuple[int, InMirror]]:
        """Past which marks lines of places (n, 3) on the site run, as far as they show there.

        With the number of each line. All are solved for at once, which costs little more than one.
        """
        if not self.marks or not lines:
            return
        whole_lines, ends = np.vstack(lines), np.cumsum([len(line) for line in lines])
        placed = [_in_frame(onward(by), whole_lines) for by in (-NEAR, 0.0, NEAR)]
        glass = self.on_glass(np.array(placed))
        marks = np.array([mark.at for mark in self.marks])
        passed = _passing(glass, ends, marks, _TELL)
        those = np.argwhere(~np.isnan(passed).any(axis=-1))
        at, share = passed[those[:, 0], those[:, 1], :2].T
        at = at.astype(int)
        here, then = glass[1, at], glass[1, at + 1]
        points = here + share[:, None] * (then - here)
        places = placed[1][at] + share[:, None] * (placed[1][at + 1] - placed[1][at])
        for n in np.flatnonzero(self.shows_at(points, places)):
            i, k = those[n]
            before, off, after = passed[i, k, 2:]
            # Its end comes near a mark, but it does not run past it.
            if abs(off) > _TELL:
                continue
            told, offset = self._told(points[n] - marks[k], float(off))
            # As it is told, and not to the left of whichever way the line runs.
            along = (then[n] - here[n]) * (1.0 if off * offset >= 0 else -1.0)
            yield int(i), InMirror(
                mark=self.marks[k].named(told), told=told, offset=offset,
                hit=self.mirror.placed(points[n]), place=places[n],
                scatter=self._scatter((after - before) / (2 * NEAR), told),
                moved=self._mover(onward, lines[i], self.marks[k], along, offset),
            )  # fmt: skip

    def shows(self, pose: Floats, line: Floats) -> bool:
        """Whether any of a line of places (n, 3) on the site shows from a pose (3,)."""
        placed = _in_frame(pose, line)
        glass = self.on_glass(placed)
        there = ~np.isnan(glass[:, 0])
        return bool(self.shows_at(glass[there], placed[there]).any())

    def shows_at(self, points: Floats, places: Floats) -> Bools:
        """Whether points of the glass (n, 2) are there, and the own body not in the way of what
        they show, places (n, 3).
        """
        away = np.hypot(points[:, 0], points[:, 1])
        inside = points * np.maximum(1 - _RIM / np.maximum(away, _RIM), 0.0)[:, None]
        there = intersects_xy(self.mirror.face, inside[:, 0], inside[:, 1])
        free = ~stopped(blocks_of(self.vehicle), self.mirror.placed(points), places)
        return np.asarray(there & free)

    def _told(self, off: Floats, distance: float) -> tuple[Told, float]:
        """By the direction in which the line passes: out from the flank, or up."""
        out, up = self.outward * float(off[0]), float(off[1])
        if abs(out) >= abs(up):
            return OUT, float(np.copysign(abs(distance), out))
        return UP, float(np.copysign(abs(distance), up))

    def _scatter(self, moved: float, told: Told) -> float:
        """m : what the eye can tell over how fast the image moves, and the reaction's scatter."""
        # A glass that is seen aslant looks narrower than it is.
        turned = abs(moved) * (self.square if told is OUT else 1.0) / self.away
        blur = IN_GLASS / turned if turned > 1e-6 else np.inf
        return float(np.hypot(blur, REACTION * CRAWL))

    def _mover(
        self, onward: Onward, line: Floats, mark: MirrorMark, along: Floats, off: float
    ) -> Shifted:
        def shifted(by_eye: Floats, by_thing: Floats = AT_PLACE) -> Moved:
            eye, stands = self.eye + by_eye, line + np.append(by_thing, 0.0)
            # What is a part of the own flank moves in the glass as well; the rim stays.
            marks = {m.name: m.at for m in marks_in(self.vehicle, self.mirror, eye)}
            mine = marks.get(mark.name, mark.at)

            def moved(by: float) -> float:
                glass = self.on_glass(_in_frame(onward(by), stands), eye)
                return float(_beside(glass, mine, along)) - off

            return moved

        return shifted


def marks_in(vehicle: Vehicle, mirror: Mirror, eye: Floats) -> tuple[MirrorMark, ...]:
    """What of the own flank shows in a mirror, then its rim: places to tell an image from."""
    side = 1.0 if mirror.centre[1] >= 0 else -1.0
    names, places = [REAR_TYRE], [(*(vehicle.hubs(int(side))[0]), 0.0)]
    for feature in vehicle.features:
        if feature.y * side > 0 and feature.x < mirror.centre[0] and "handle" in feature.name:
            names.append(feature.name)
            places.append((feature.x, feature.y, feature.z))
    glass = on_glass(mirror, images(mirror, eye, np.array(places)))
    parts = [
        MirrorMark(name=name, at=at)
        for name, at in zip(names, glass, strict=True)
        if not np.isnan(at[0]) and intersects_xy(mirror.face, *at)
    ]
    outward = -side
    (low_x, low_y), (high_x, high_y) = mirror.outline.min(axis=0), mirror.outline.max(axis=0)
    outer, inner = (low_x, high_x) if outward < 0 else (high_x, low_x)
    middle_x, middle_y = (low_x + high_x) / 2, (low_y + high_y) / 2
    rim = zip(
        RIM,
        ((middle_x, low_y), (outer, middle_y), (inner, middle_y), (0.9 * outer, 0.9 * low_y),
         (0.9 * inner, 0.9 * low_y)),
        (UP, OUT, OUT, None, None),
        strict=True,
    )  # fmt: skip

    def hidden(at: tuple[float, float]) -> bool:
        return any(intersects_xy(Polygon(one), *at) for one in mirror.under)

    dots = (MirrorMark(name=dot.name, at=dot.at) for dot in mirror.dots)
    return (
        *parts, *dots, *(MirrorMark(name=n, at=np.array(at), square=way) for n, at, way in rim
                         if not hidden(at))
    )  # fmt: skip


def _in_frame(pose: Floats, line: Floats) -> Floats:
    return np.column_stack((to_body(pose, line[:, :2]), line[:, 2]))


@compiled
def _passing(glass: Floats, ends: Floats, marks: Floats, most: float) -> Floats:
    """Of every line and mark, (lines, marks, 5): at which piece of all the line comes nearest, how
    far along that, and how far beside the mark before, now and after; NaN where it does not show
    or passes farther off than `most`.

    glass : (3, n, 2), all lines one after the other, before, now and after; ends : (lines,)
    """
    found = np.full((len(ends), len(marks), 5), np.nan)
    begin = 0
    for i in range(len(ends)):
        end = ends[i]
        for k in range(len(marks)):
            at, share, away = _nearest(glass[1, begin:end], marks[k])
            # What only ends near a mark does not run past it.
            ended = (at == 0 and share == 0.0) or (at == end - begin - 2 and share == 1.0)
            if at >= 0 and away <= most and not ended:
                along = glass[1, begin + at + 1] - glass[1, begin + at]
                found[i, k, 0], found[i, k, 1] = begin + at, share
                for j in range(3):
                    found[i, k, 2 + j] = _beside(glass[j, begin:end], marks[k], along)
        begin = end
    return found


@compiled
def _nearest(line: Floats, mark: Floats) -> tuple[int, float, float]:
    """At which piece of a line (n, 2) it comes nearest to a mark, how far along that, and how near,
    m; -1 where none of it shows.
    """
    at, best, share_there = -1, np.inf, 0.0
    for i in range(len(line) - 1):
        ax, ay = line[i, 0] - mark[0], line[i, 1] - mark[1]
        dx, dy = line[i + 1, 0] - line[i, 0], line[i + 1, 1] - line[i, 1]
        length = dx * dx + dy * dy
        share = min(max(-(ax * dx + ay * dy) / length, 0.0), 1.0) if length > 0 else 0.0
        away = (ax + share * dx) ** 2 + (ay + share * dy) ** 2
        if away < best:
            at, best, share_there = i, away, share
    return at, share_there, np.sqrt(best)


@compiled
def _beside(line: Floats, mark: Floats, along: Floats) -> float:
    """m on the glass from a mark to the line (n, 2), square to a direction, to the left positive.

    NaN where the line does not run past the mark at all.
    """
    length = np.sqrt(along[0] ** 2 + along[1] ** 2)
    ux, uy = along[0] / length, along[1] / length
    best = np.nan
    for i in range(len(line) - 1):
        ax, ay = line[i, 0] - mark[0], line[i, 1] - mark[1]
        bx, by = line[i + 1, 0] - mark[0], line[i + 1, 1] - mark[1]
        ahead, then = ax * ux + ay * uy, bx * ux + by * uy
        # Where it shows at neither end of a piece nothing is crossed.
        if np.isnan(ahead + then) or (ahead <= 0) == (then <= 0):
            continue
        share = ahead / (ahead - then)
        aside = (ay * ux - ax * uy) * (1 - share) + (by * ux - bx * uy) * share
        if not abs(aside) >= abs(best):
            best = aside
    return best
