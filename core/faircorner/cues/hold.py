"""How much wheel holds a distance round a corner: it depends on the corner's radius."""

from faircorner.errors import between
from faircorner.vehicle import Vehicle

__all__ = ["RADII", "wheel_round"]

# Corners that are told, m: from a tight kerb to a sweeping one.
RADII = (3.0, 4.0, 5.0, 6.0, 8.0, 10.0, 15.0)


def wheel_round(vehicle: Vehicle, radius: float, gap: float) -> float:
    """Turns of the wheel at which the near rear tyre keeps `gap` from a curved kerb; NaN past lock.

    radius : m of the kerb's curve, the land inside it; gap : m from tyre to kerb
    The rear axle's centre runs round the curve's own centre at radius + gap + half the axle.
    Raises InputError naming the figure.
    """
    for field, value in (("radius_m", radius), ("kerb_m", gap)):
        between(field, value, 0.0, 50.0)
    half = float(vehicle.hubs(side=1)[0, 1])
    return vehicle.steering.turns_for(1 / (radius + gap + half))
