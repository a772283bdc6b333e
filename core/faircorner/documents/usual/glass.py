"""Where the glass of a body is, and its outline from the side."""

from typing import Any, TypeAlias

from faircorner.documents.usual.bodies import Body, Measures

__all__ = ["glass_of", "roofline_of", "screen_of"]

Place: TypeAlias = tuple[float, float, float]
Stretch: TypeAlias = tuple[float, float]
# Height of the bumper's upper edge and of the bonnet's front as shares of the sill's.
_BUMPER, _BONNET = 0.58, 0.87


def screen_of(body: Body, of: Measures) -> Stretch:
    """x of the windscreen's lower and upper edge, m."""
    if body.kind == "car":
        return 0.86 * of.wheelbase, 0.62 * of.wheelbase
    return (of.nose - 0.75, of.nose - 1.35) if body.bonnet else (of.nose - 0.12, of.nose - 0.30)


def glass_of(body: Body, of: Measures) -> list[dict[str, Any]]:
    """Windscreen, rear window where there is one, and side panes."""
    glass = [_end_pane(body, of, "windscreen", *screen_of(body, of))]
    if body.rear is not None:
        glass.append(_end_pane(body, of, "rear window", *(of.tail + ahead for ahead in body.rear)))
    elif body.kind == "tractor" and body.cab is not None and body.cab < 2:
        back = of.nose - body.cab
        glass.append(_end_pane(body, of, "rear window", back, back))
    return glass + [
        _side_pane(body, of, side, *pane) for side in (1, -1) for pane in _sides(body, of)
    ]


def _sides(body: Body, of: Measures) -> list[tuple[str, Stretch, Stretch]]:
    """Of each side pane its x at the sill and at the roof, rearmost first."""
    wb, nose = of.wheelbase, of.nose
    if body.kind == "car":
        # None beside a boot.
        rearmost = (-0.14 * wb, -0.06 * wb) if body.deck is None else (-0.10 * wb, -0.03 * wb)
        if body.deck is None and body.rear is not None and body.rear[0] < 0.15:
            # Load behind the rear axle has glass beside it.
            rearmost = of.tail + 0.30, of.tail + 0.45
        return [
            ("front door glass", (0.41 * wb, 0.80 * wb), (0.43 * wb, 0.62 * wb)),
            ("rear door glass", (0.07 * wb, 0.38 * wb), (0.12 * wb, 0.40 * wb)),
            ("quarter glass", (rearmost[0], 0.05 * wb), (rearmost[1], 0.10 * wb)),
        ]
    if body.bonnet:
        return [("front door glass", (nose - 2.0, nose - 0.95), (nose - 1.95, nose - 1.30))]
    panes = [("front door glass", (nose - 1.35, nose - 0.30), (nose - 1.30, nose - 0.50))]
    if body.kind == "bus":
        begin, count = nose - 1.55, 4
        long = (begin - of.tail - 0.6) / count
        panes += [
            (f"side window {i + 1}", (x - long + 0.1, x), (x - long + 0.1, x))
            for i in range(count)
            for x in [begin - i * long]
        ]
    return panes


def _pane(name: str, points: list[Place]) -> dict[str, Any]:
    return {"name": name, "polygon_m": [[round(v, 3) for v in p] for p in points]}


def _side_pane(
    body: Body, of: Measures, side: int, name: str, sill: Stretch, roof: Stretch
) -> dict[str, Any]:
    low, high = side * (of.width / 2 - 0.05), side * (of.width / 2 - 0.05 - body.lean)
    return _pane(
        name,
        [(sill[0], low, body.sill), (sill[1], low, body.sill), (roof[1], high, body.roof),
         (roof[0], high, body.roof)],
    )  # fmt: skip


def _end_pane(body: Body, of: Measures, name: str, sill: float, roof: float) -> dict[str, Any]:
    half, top = of.width / 2 - 0.14, body.roof - 0.03
    inward = 0.12 if body.kind == "car" else 0.02
    return _pane(
        name,
        [(sill, -half, body.sill), (sill, half, body.sill), (roof, half - inward, top),
         (roof, inward - half, top)],
    )  # fmt: skip


def roofline_of(body: Body, of: Measures) -> list[list[float]]:
    """The body's upper outline from the side, x and z in m, from the nose to the tail."""
    low, high = screen_of(body, of)
    front = [(of.nose, _BUMPER * body.sill)]
    if body.bonnet:
        front += [(of.nose - 0.05, 0.75 * body.sill), (of.nose - 0.35, _BONNET * body.sill)]
    front += [(low, body.sill), (high, body.roof + 0.02), (high - 0.25, _cab_top(body))]
    return [[round(x, 3), round(z, 3)] for x, z in [*front, *_behind(body, of)]]


def _cab_top(body: Body) -> float:
    return body.roof + 0.25 if body.kind == "rigid" else body.top


def _behind(body: Body, of: Measures) -> list[Stretch]:
    """Over the cabin's end, the load, a boot or a frame, to the tail."""
    tail = of.tail
    if body.cab is not None:
        back = of.nose - body.cab
        if body.deck is not None:
            return [(back, body.top), (back - 0.01, body.deck), (tail, body.deck)]
        return [(back, _cab_top(body)), (back - 0.01, 1.1), (back - 0.15, 1.1),
                (back - 0.16, body.top), (tail, body.top)]  # fmt: skip
    if body.rear is None:
        return [(tail, body.top)]
    begin, end = (tail + ahead for ahead in body.rear)
    if body.kind == "bus":
        return [(tail, body.top)]
    deck = body.sill if body.deck is None else body.deck
    return [(end, body.top - 0.03), (begin, deck), (tail + 0.02, deck), (tail, 0.6)]
