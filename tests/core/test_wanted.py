"""What nobody waits for any more is given up, between two steps of the work."""

import pytest
from faircorner.cues import make_plan, sights
from faircorner.wanted import Unwanted, while_wanted

from tests.core.pictured import docket_named


@pytest.mark.parametrize("patience", [0, 1, 5])
def test_a_search_ends_once_nobody_waits_and_asks_no_more(patience):
    made, asked = docket_named("kerb left"), []

    def waits():
        asked.append(1)
        return len(asked) <= patience

    with pytest.raises(Unwanted), while_wanted(waits):
        make_plan(made)
    assert len(asked) == patience + 1
    # Whoever asks next is waited for.
    assert make_plan(made).feasible


def test_what_is_seen_is_given_up_from_stop_to_stop():
    made = docket_named("kerb left")
    values, asked = make_plan(made).values, []

    def waits():
        asked.append(1)
        return len(asked) < 4

    with pytest.raises(Unwanted), while_wanted(waits):
        sights(made, values)
    assert len(asked) == 4
