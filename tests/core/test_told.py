"""What is seen and what to do, in words: each figure to its own side, in anybody's units."""

import json
from dataclasses import replace
from pathlib import Path
from typing import get_args

import numpy as np
import pytest
from faircorner.cues import Cure, make_plan
from faircorner.cues.amount import on_the_clock, turned
from faircorner.cues.cue_kinds import Cue, Leant, edge_said, thing_said
from faircorner.cues.events import Came
from faircorner.cues.leave import Leaving
from faircorner.cues.looks import look_said
from faircorner.cues.remedy import Remedy
from faircorner.documents.kept_plans import plan_upgraded
from faircorner.documents.library import methods
from faircorner.documents.plans import plan_document
from faircorner.documents.requests import PlanRequest, method_named
from faircorner.ground import Turnabout, lay_bay, lay_road
from faircorner.said import Said, clauses
from faircorner.shift import Advice, Chance, FinishSet, because, headline
from faircorner.sight import TOLD, Sharpness, Sighting

from tests.core.scenes import scene

KEPT = Path(__file__).parent / "kept"
EXAMPLE = Path(__file__).parents[2] / "docs" / "formats" / "plan.example.json"
STANDS = TOLD["x"].place("B-pillar", 0.12)


@pytest.mark.parametrize(
    ("along", "offset", "said"),
    [
        ("x", 0.12, "12 cm ahead of the B-pillar"),
        ("x", -0.12, "12 cm behind the B-pillar"),
        ("y", 0.12, "12 cm to the near side of the B-pillar"),
        ("y", -0.12, "12 cm to the off side of the B-pillar"),
        ("z", 0.12, "12 cm above the B-pillar"),
        ("z", -0.12, "12 cm below the B-pillar"),
        ("x", 0.019, "level with the B-pillar"),
        ("x", -0.021, "2 cm behind the B-pillar"),
    ],
)
def test_an_image_is_told_on_the_side_of_the_mark_where_it_stands(along, offset, said):
    assert str(TOLD[along].place("B-pillar", offset)) == said


def test_each_kind_of_cue_has_its_own_sentence():
    assert str(edge_said("kerb", "screen", TOLD["z"].place("wiper", 0.05))) == (
        "In the screen, the kerb runs 5 cm above the wiper."
    )
    thing = {"what": "pole", "through": "door glass"}
    assert str(thing_said(**thing, place=STANDS, passing="")) == (
        "In the door glass, the pole stands 12 cm ahead of the B-pillar."
    )
    assert str(thing_said(**thing, place=STANDS, passing="mirror")) == (
        "In the door glass, the pole passes the mirror."
    )
    assert str(thing_said(**thing, place=Said(), passing="")).endswith("clear of any mark.")
    for hidden in (
        edge_said("kerb", None, STANDS),
        thing_said("pole", None, STANDS, passing="mirror"),
    ):
        assert str(hidden).startswith("Hidden by the body here, where it would stand 12 cm ahead")
    assert thing_said("pole", None, Said(), passing="").code == "hidden"


@pytest.mark.parametrize(
    ("image", "late", "ends"),
    [
        (-0.03, 0.2, "moves 3 cm: you stop 20 cm late"),
        (0.03, -0.2, "moves 3 cm: you stop 20 cm early"),
        (0.03, 2.1, "moves 3 cm"),
        (0.03, float("nan"), "moves 3 cm"),
        (float("nan"), 0.2, ""),
    ],
)
def test_leaning_makes_the_stop_late_or_early_or_nobody_can_say(image, late, ends):
    told = str(Sharpness(scatter=0.1, lean=0.1, image=image, late=late).leant)
    assert told == (f"lean 10 cm forward and the picture {ends}" if ends else "")


def of_a_plan(body):
    """Of every call with a cue what it says, of every look, of both stops."""

    def told(said):
        return said["code"], str(Said.of(said))

    return (
        [[told(call["said"]), told(call["seen"]), *(told(cue["leant"]) for cue in call["cues"])]
         for call in body["calls"] if call["cues"]],
        [told(look["said"]) for look in body["looks"]],
        [told(body["begins"]), told(body["ends"])],
    )  # fmt: skip


def without(body, *names):
    return {name: value for name, value in body.items() if name not in names}


def untold(body):
    """The same as it was kept before it had these sentences."""
    calls = [
        {
            **without(call, "said", "seen", "instead"),
            "cues": [without(cue, "leant") for cue in call["cues"]],
        }
        for call in body["calls"]
    ]
    looks = [without(look, "said") for look in body["looks"]]
    return {**without(body, "begins", "ends", "wheels"), "calls": calls, "looks": looks}


@pytest.mark.parametrize("side", ["left", "right"])
@pytest.mark.parametrize(
    ("method", "code"),
    [
        ("Straight-run reverse park", "thing stands"),
        ("Seen-corner reverse park", "thing passes"),
        ("Three-movement turn", "edge runs"),
    ],
)
def test_a_plan_that_was_kept_without_its_sentences_is_told_what_a_new_one_is(
    linnet, seat, quay, method, code, side
):
    road = lay_road("road", Turnabout(), road_width=7.6)
    made = scene(linnet, seat, road if code == "edge runs" else quay, methods()[method].build())
    made = made if side == "left" else made.mirrored()
    told = plan_document(make_plan(made), made)
    calls, looks, stops = of_a_plan(told)
    assert code in {seen for _, (seen, _), *_ in calls}
    assert looks
    assert of_a_plan(plan_upgraded(untold(told), made)) == (calls, looks, stops)


def example():
    """The scene of the published example."""
    asked = PlanRequest.read(json.loads(EXAMPLE.read_text("utf-8")))
    return scene(asked.vehicle.build(), asked.seat.build(), asked.ground.build(),
                 method_named(asked, methods()).build())  # fmt: skip


def test_a_kept_plan_is_told_from_the_figures_it_was_kept_with():
    made = example()
    old = json.loads((KEPT / "plan@8.json").read_text("utf-8"))
    now = plan_upgraded(old, made)
    # Of what was wanted nothing was told then, and nothing is made up.
    assert untold(now) == {**untold(old), "missed": []}
    assert str(Said.of(now["calls"][1]["seen"])) == (
        "In the rear door glass, the corner of the parked vehicle stands 3 cm behind the B-pillar."
    )
    assert "own tail 1.50 m past the parked vehicle's tail" in str(Said.of(now["begins"]))
    old["calls"][1]["cues"][0]["offset_m"] = 0.5
    old["start"]["x_m"] -= 1.2
    calls, _, ((_, begins), _) = of_a_plan(plan_upgraded(old, made))
    assert "50 cm ahead of the B-pillar" in calls[1][1][1]
    assert "own tail 30 cm past the parked vehicle's tail" in begins


BAY_METHODS = ("Full-lock forward bay", "Swing-wide forward bay", "Swing-out reverse bay")


@pytest.mark.parametrize("method", BAY_METHODS)
def test_an_own_point_is_short_of_a_landmark_until_the_way_it_rolls_brings_it_there(
    linnet, seat, method
):
    """Each of these waits for its first call forward; which way it goes on does not matter."""
    made = scene(linnet, seat, lay_bay("any"), methods()[method].build())
    told = plan_document(make_plan(made), made)
    call = told["calls"][0]
    assert told["legs"][call["leg"] - 1]["gear"] == "forward"
    assert call["said"]["code"] == ("short of" if call["until"]["metres"] > 0 else "past")


def test_nothing_to_line_up_on_is_not_the_same_as_a_method_without_references(linnet, seat, quay):
    made = scene(linnet, seat, quay, methods()["Straight-run reverse park"].build())
    call = replace(make_plan(made).calls[0], cue=None)
    assert call.seen(references=True).code == "nothing to line up on"
    assert call.seen(references=False).code == "no references"


CAME = Came(metres=1.5, heading=0.0, then=0.0, rolled=1.0, direction=-1)


def seen_so(through, offset, scatter=0.07):
    sighting = Sighting(eye=np.zeros(3), through=through, x=0.0, y=0.0, z=0.0, bearing=0.0,
                        told=TOLD["x"], feature="mirror", offset=offset)  # fmt: skip
    sharp = Sharpness(scatter=scatter, lean=0.1, image=0.0, late=0.0)
    return Cue(what="pole", sighting=sighting, sharpness=sharp, target=np.zeros(2), height=1.0,
               said=Said("as written", words="There."))  # fmt: skip


def test_what_is_hidden_blunt_or_far_from_marks_is_told_with_what_to_do_instead(linnet, seat, quay):
    made = scene(linnet, seat, quay, methods()["Straight-run reverse park"].build())
    call = make_plan(made).calls[0]
    at = f"“{call.until.said(CAME)}”"

    def instead(cue, leant=None):
        return str(replace(call, cue=cue, leant=leant).instead(CAME))

    shows, hidden = (seen_so(through, 0.05) for through in ("side glass", None))
    assert instead(None) == instead(shows) == ""
    assert instead(hidden, Leant(by=0.1, cue=shows)) == "Lean 10 cm forward. There."
    assert instead(hidden, Leant(by=-0.05, cue=shows)) == "Lean 5 cm back. There."
    assert f"have somebody outside call {at}" in instead(hidden)
    assert f"it leaves 40 cm open: go by {at}" in instead(seen_so("side glass", 0.05, scatter=0.4))
    for far in (-0.4, float("nan")):
        assert "strip of tape on the side glass" in instead(seen_so("side glass", far))


def change(what, by):
    return Remedy(what=what, to=6.5, by=by, option=None).said


def test_every_look_cure_way_out_and_change_has_its_words():
    for why in ("reverses", "drives on", "swings out", "tail swings out", "tail goes in",
                "nose goes in", "rear cuts in"):  # fmt: skip
        assert "20 cm" in str(look_said(why, 0.2))
    assert {f"cure {cure}" for cure in get_args(Cure)} <= clauses("en").keys()
    for what in ("gap", "aisle", "bay width", "road width", "start gap", "gap ahead"):
        assert "(6.50 m)" in str(change(what, 0.4)) or "6.50 m at the start" in str(
            change(what, 0.4)
        )
    assert "40 cm wider, 6.50 m at the start" in str(change("start gap", 0.4))
    assert "40 cm closer, 6.50 m at the start" in str(change("start gap", -0.4))
    assert "40 cm farther behind" in str(change("gap ahead", 0.4))
    assert "40 cm nearer behind" in str(change("gap ahead", -0.4))


ROLLED = "{} 40 cm straight before any wheel, then full lock left."


@pytest.mark.parametrize(
    ("gear", "then", "straight", "said"),
    [
        ("reverse", "forward", None, "To the left: not in one go; take it in two."),
        ("reverse", "forward", 0.0, "Full lock left, forward, from where it stands."),
        ("reverse", "forward", 0.38, "Back 40 cm straight, then forward, full lock left."),
        (
            "forward",
            "forward",
            0.38,
            ROLLED.format("Forward"),
        ),
        ("reverse", "reverse", 0.38, ROLLED.format("Back")),
    ],
)
def test_a_way_out_is_told_in_its_gears(gear, then, straight, said):
    assert str(Leaving(way="left", gear=gear, then=then, straight=straight).said) == said


def found():
    return FinishSet(
        count=4,
        weight=4,
        bias=np.zeros(3),
        covariance=np.eye(3),
        squares=np.eye(3),
        margin=np.zeros(3),
    )


def advice(kind, call=2, by=0.0, odds=1.0, let_be=None):
    return Advice(
        kind=kind, call=call, by=by, explained=0.9, odds=odds, let_be=let_be,
        chance=Chance(0.5, 0.3, 0.7), chance_after=Chance(0.8, 0.6, 0.9),
        scatter_share=np.array([0.2, 0.7, 0.1]),
    )  # fmt: skip


def test_a_cue_moves_earlier_when_it_is_negative_else_later():
    assert str(headline(advice("move cue", by=-0.15), found())) == "Move call 2: 15 cm earlier"
    assert str(headline(advice("move cue", by=0.15), found())) == "Move call 2: 15 cm later"
    assert headline(advice("move cue", by=0.127), found()).told("imperial").endswith("5 in later")


def test_the_evidence_is_told_by_its_own_figures():
    many, some = (advice("move cue", by=0.15, odds=odds) for odds in (1001.0, 42.9))
    assert "more than 1000 times likelier" in str(because(many, found()))
    assert "42 times likelier" in str(because(some, found()))
    assert "takes 90 % of the bias away" in str(because(some, found()))
    practise = because(advice("practise"), found())
    assert "70 % of that scatter looks like call 2" in str(practise)
    assert because(advice("practise", call=None), found()).code == "advice practise because"
    assert str(headline(advice("too few"), found())).startswith("6 attempts are needed")
    assert str(because(advice("too few"), found())).startswith("4 so far")
    assert headline(advice("practise", call=None), found()).code == "advice practise"
    assert str(headline(advice("move on"), found())).endswith("the hand steady: move on")
    assert str(because(advice("move on"), found())).startswith("No bias that does harm")
    late, early = (because(advice("move on", let_be=(3, by)), found()) for by in (0.15, -0.1))
    assert str(late).startswith("Call 3 comes 15 cm late, but")
    assert str(early).startswith("Call 3 comes 10 cm early, but")


# Of a lock of 1.6 turns. To the left the top of the rim runs back from twelve, to the right on.
@pytest.mark.parametrize(
    ("turns", "in_turns", "by_clock"),
    [
        (0.0, "Wheel straight.", "Wheel straight."),
        (0.25, "Wheel 0.25 turns to the left.", "Wheel to the left until its top is at 9:00."),
        (-0.25, "Wheel 0.25 turns to the right.", "Wheel to the right until its top is at 3:00."),
        (0.94, "Wheel 0.95 turns to the left.", "Wheel to the left until its top is at 12:30."),
        (1.01, "Wheel 1 turn to the left.", "Wheel 1 turn to the left."),
        (-1.11, "Wheel 1.1 turns to the right.",
         "Wheel to the right, 1 × round and on until its top is at 1:30."),
        (1.6, "Wheel to the left stop, 1.6 turns.", "Wheel to the left stop, 1.6 turns."),
        (-1.6, "Wheel to the right stop, 1.6 turns.", "Wheel to the right stop, 1.6 turns."),
    ],
)  # fmt: skip
def test_how_far_the_wheel_is_turned(turns, in_turns, by_clock):
    assert str(turned(turns, 1.6)) == in_turns
    assert str(on_the_clock(turns, 1.6)) == by_clock


def test_a_kept_plan_says_how_far_the_wheel_was_turned_when_it_was_kept():
    at_hand = example()
    now = plan_document(make_plan(at_hand), at_hand)
    kept = {**now, "legs": [dict(leg) for leg in now["legs"]]}
    kept["legs"][0]["turns"] = -0.5
    del kept["wheels"]
    wheels = plan_upgraded(kept, at_hand)["wheels"]
    assert Said.of(wheels[0]["turns"]) == Said("wheel right", turns=0.5)
    assert wheels[1:] == now["wheels"][1:]
