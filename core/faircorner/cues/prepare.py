"""From what a user set to what the fit begins with: limits seen to, the place as it is wanted."""

from dataclasses import replace

from faircorner.cues.fitted import Unknown
from faircorner.cues.problem import Given
from faircorner.cues.scene import Options, Scene
from faircorner.errors import InputError, between
from faircorner.said import Said
from faircorner.sight import mirrors_set, near_dipped

__all__ = ["prepare"]


def prepare(scene: Scene) -> tuple[Scene, Given]:
    """The scene at the place as its method ends there and as it is wanted, and what is fixed.

    Raises InputError for options outside their limits and methods that end elsewhere.
    """
    vehicle, method, options = scene.vehicle, scene.method, scene.options
    if vehicle.trailer is not None:
        raise InputError("vehicle", Said("draws a trailer"))
    lock = vehicle.steering.lock_turns
    for i, step in enumerate(method.steps):
        if step.wheel.turns is not None and step.wheel.turns > lock:
            raise InputError(
                f"steps[{i}].wheel.turns",
                Said("is beyond this vehicles lock", turns=step.wheel.turns, lock=lock),
            )
    place = scene.suited().ground.wanting(kerb=options.kerb, gap=options.ahead)
    pinned = dict(options.pinned)
    fitted = method.start.gap if isinstance(method.start.gap, Unknown) else None
    if fitted is not None and options.gap is not None:
        pinned[fitted.name] = options.gap
    gap = options.gap if options.gap is not None else _prefer(method.start.gap)
    between("gap_m", gap, 0.2, 8.0)
    rate = method.turns_per_metre if options.turns_per_metre is None else options.turns_per_metre
    if not 0.2 <= rate <= 10:
        raise InputError("turns_per_metre", Said("must be between 0.2 and 10", got=rate))
    known = {u.name: u for u in method.unknowns}
    for name, value in pinned.items():
        if name not in known:
            raise InputError(name, Said("no such figure", known=", ".join(known)))
        if not known[name].low <= value <= known[name].high:
            raise InputError(name, Said("outside what the method allows"))
    _calls_there(options, len(method.steps) - 1)
    # Mirrors are set by whoever sits there.
    seated = vehicle
    if scene.seat is not None:
        seated = mirrors_set(near_dipped(vehicle) if options.dipped else vehicle, scene.seat)
    return replace(scene, vehicle=seated, ground=place), Given(gap=gap, rate=rate, pinned=pinned)


def _calls_there(options: Options, most: int) -> None:
    """InputError for a shift or a pick of a call that the method does not have."""
    for name, numbers, low, high in (
        ("shifts", options.shifts, 1, most), ("picks", options.picks, 0, most + 1)
    ):  # fmt: skip
        for number in numbers:
            if not low <= number <= high:
                raise InputError(name, Said("there is no such call", call=number, most=most))


def _prefer(figure: float | Unknown) -> float:
    return figure.prefer if isinstance(figure, Unknown) else figure
