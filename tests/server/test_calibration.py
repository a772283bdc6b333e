"""Chances are as true as they are stated: held against simulated learners on every demo sheet."""

import numpy as np
import pytest

from tests.calibration import sheets, stated
from tests.long_forms import CALIBRATED_LEARNERS


@pytest.fixture(scope="module")
def found():
    return [one for sheet in sheets().values() for one in stated(sheet, CALIBRATED_LEARNERS)]


# By tenths with ninety a sheet: docs/sums/shift.md. So few fill no tenth.
@pytest.mark.parametrize(("low", "high"), [(0.0, 0.5), (0.5, 0.8), (0.8, 1.0)])
def test_a_stated_chance_is_what_comes_to_pass(found, low, high):
    within = [one for one in found if low <= one.share < high]
    assert len(within) >= 8
    stated_mean, true = (np.mean([getattr(one, n) for one in within]) for n in ("share", "true"))
    assert stated_mean == pytest.approx(true, abs=0.05)


def test_nobody_is_told_to_move_on_whose_attempts_mostly_fail(found):
    on = [one.true for one in found if one.kind == "move on"]
    assert len(on) >= 10
    assert min(on) > 0.6
