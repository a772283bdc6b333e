"""Cue cards on paper: one page, to scale, with every look, and nobody else's."""

import re
from io import BytesIO

import numpy as np
import pytest
from django.contrib.auth.models import User
from faircorner.documents.reading import read_document
from pypdf import PdfReader

from server.cards.paper import paper_of
from server.cards.plan_drawing import plan_drawing
from server.documents.services import revise_document
from server.planning.services import compute_plan, make_sheet
from server.schools.models import Member, Role
from tests.server.conftest import send

MM = 72 / 25.4


def printed(client, house, **asked):
    query = "&".join(f"{name}={value}" for name, value in asked.items())
    answer = send(client, "GET", f"/api/sheets/{house.sheet.pk}/card?{query}")
    assert answer.status_code == 200, answer.content
    assert answer["Content-Type"] == "application/pdf"
    return PdfReader(BytesIO(answer.content))


def words(pdf):
    """What a card says, hyphens at line ends taken away."""
    text = " ".join(page.extract_text() for page in pdf.pages)
    return re.sub(r"\s+", " ", re.sub(r"[-‐]\s*\n\s*", "", text))


def type_sizes(pdf):
    """Points of every run of letters, once for each letter."""
    found = []

    def visit(text, current, matrix, _font, size):
        across = abs(matrix[0] * current[0])
        found.extend([size * across] * len(text.strip()))

    for page in pdf.pages:
        page.extract_text(visitor_text=visit)
    return np.array(found)


def test_a_card_is_one_page_and_leaves_no_call_and_no_look_out(ours):
    pdf = printed(ours.client("lead"), ours)
    assert len(pdf.pages) == 1
    assert [round(float(side) / MM) for side in pdf.pages[0].mediabox[2:]] == [148, 210]
    told = words(pdf)
    plan, steps = ours.sheet.plan, ours.sheet.method.body["steps"]
    answer = send(ours.client("lead"), "GET", f"/api/sheets/{ours.sheet.pk}").json()
    for call in answer["plan"]["calls"]:
        assert steps[call["leg"]]["say"] in told
        assert call["seen"]["text"] in told
        assert call["early_breaks"]["text"] in told
        assert call["late_breaks"]["text"] in told
    assert steps[0]["say"] in told
    assert len(answer["plan"]["looks"]) == len(plan["looks"]) > 3
    for look in answer["plan"]["looks"]:
        assert f"{look['look']}: {look['said']['text']}" in told
    for said in (ours.members["learner"].name, "revision 1", "Nobody stands behind",
                 "marks, glass and mirrors of the vehicle were measured"):  # fmt: skip
        assert said in told
    # Its part-lock circle was driven, too.
    assert "in proportion" not in told


def test_what_was_not_measured_is_not_said_to_have_been(ours):
    """One mark as usual for the body, and no circle but the one at full lock."""
    revision = ours.revisions["vehicle"]
    body = {**revision.body, "steering": {**revision.body["steering"], "circles": []}}
    body["features"] = [{**body["features"][0], "assumed": True}, *body["features"][1:]]
    changed = revise_document(ours.school, revision.document_id, based_on=revision.number,
                              body=body, author=ours.members["lead"])  # fmt: skip
    revisions = {**ours.revisions, "vehicle": changed}
    docket = {kind: one.pk for kind, one in revisions.items()}
    asked = {**docket, "learner": ours.members["learner"].pk}
    answer = send(ours.client("lead"), "POST", "/api/plan/card", asked)
    told = words(PdfReader(BytesIO(answer.content)))
    assert "as is usual for such a body: marks on the body." in told
    assert "part lock is assumed to be in proportion" in told


def test_large_type_is_larger_and_half_letter_is_half_a_letter(ours):
    client = ours.client("lead")
    small, large = printed(client, ours), printed(client, ours, large="true")
    assert np.median(type_sizes(large)) > 1.35 * np.median(type_sizes(small))
    assert [round(float(side) / MM) for side in large.pages[0].mediabox[2:]] == [210, 297]
    half = printed(client, ours, paper="half-letter").pages[0].mediabox
    assert [float(side) / 72 for side in half[2:]] == pytest.approx([5.5, 8.5], abs=0.01)


def test_the_plan_is_drawn_to_the_scale_it_tells(ours):
    plan, ground = ours.sheet.plan, ours.revisions["ground"].body
    vehicle = read_document("vehicle", ours.revisions["vehicle"].body).build()
    paper = paper_of("a5", large=False)
    drawing = plan_drawing(plan, ground, vehicle, paper, str)
    assert drawing.width <= paper.inner
    assert drawing.height <= paper.plan_height
    # The first standing outline that is drawn whole and solid is the start, level with the kerb.
    (start,) = (one for one in drawing.strokes if one.line == "#1E2B2D" and one.width == 0.35)
    at = np.array(re.findall(r"(-?[\d.]+) (-?[\d.]+)", start.d), dtype=float)
    long, wide = np.ptp(at, axis=0) * drawing.scale / 1000
    assert (long, wide) == pytest.approx((vehicle.length, vehicle.width), abs=0.01)
    # The site's origin lies on the kerb, and away from it is down the page on this side.
    left, top = plan["drawing"]["view"]["left"], plan["drawing"]["view"]["top"]
    middle = np.array([plan["start"]["x_m"] - left, top - plan["start"]["y_m"]])
    rear = vehicle.length / 2 - vehicle.rear_overhang
    assert at.mean(axis=0) == pytest.approx((middle + (rear, 0)) * 1000 / drawing.scale, abs=0.05)


def test_a_card_says_what_is_not_kept_yet(ours):
    docket = {kind: revision.pk for kind, revision in ours.revisions.items()}
    method = {**ours.revisions["method"].body, "name": "Something tried"}
    body = {**docket, "learner": ours.members["learner"].pk, "method_body": method,
            "options": {"dipped": True}}  # fmt: skip
    answer = send(ours.client("lead"), "POST", "/api/plan/card", body)
    told = words(PdfReader(BytesIO(answer.content)))
    assert "Something tried, changed and not saved" in told
    assert "the near mirror down to the rear tyre, before anything moves" in told
    assert "the near mirror back, before you drive on" in told
    refused = send(ours.client("lead"), "POST", "/api/plan/card", {**body, "paper": "a7"})
    assert refused.status_code == 422


def test_a_learner_opens_their_own_card_and_no_other(ours):
    client = ours.client("learner")
    assert len(printed(client, ours).pages) == 1
    user = User.objects.create_user("another learner")
    other = Member.objects.create(school=ours.school, user=user, name="Other", role=Role.LEARNER)
    sheet = make_sheet(ours.school, learner_id=other.pk, revisions=ours.revisions, options={})
    assert send(client, "GET", f"/api/sheets/{sheet.pk}/card").status_code == 404


def test_feet_are_told_in_feet(ours):
    ours.school.units = "imperial"
    ours.school.save()
    plan = compute_plan(ours.revisions, {})
    gap = plan["finish"]["ahead_m"]
    assert gap > 2
    told = words(printed(ours.client("lead"), ours))
    assert f"{int(gap / 0.3048)} ft" in told
    assert "Not as set: the gap to the vehicle ahead is 4 in more than the 6 ft 6.5 in set" in told
    assert " cm" not in told
