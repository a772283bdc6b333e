"""The simulated learners of the demo, and the truth about their hands in the open."""

from dataclasses import dataclass

from faircorner.documents.samples import HERON, LINNET, PLOVER, SORREL, Car

__all__ = ["QUARRY_LEARNERS", "SEATS", "TIDEWELL_LEARNERS", "Learner"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Learner:
    """A simulated learner: what they drive where, and the truth about their hands."""

    name: str
    note: str
    seat: str
    place: str
    bias: tuple[float, ...]
    scatter: tuple[float, ...]
    attempts: int
    method: str = "Straight-run reverse park"
    test: str = ""
    takes_advice: bool = False
    # Places and methods of other sheets of theirs, which they have not driven by yet.
    also: tuple[tuple[str, str], ...] = ()
    username: str = ""


_STEADY = (0.10, 0.05, 0.06, 0.04)
TIDEWELL_LEARNERS = (
    Learner(name="Ines Varga", note="Second month; likes to know why", username="ines",
            seat="Ines, seat 4", place="Quay Street", bias=(0.0, 0.0, 0.26, 0.0),
            scatter=_STEADY, attempts=14),
    Learner(name="Bea Orrin", note="Test in five weeks", seat="Bea, seat 6 raised",
            place="Quay Street", bias=(0.0, 0.22, 0.0, 0.0), scatter=(0.09, 0.05, 0.06, 0.05),
            attempts=12, takes_advice=True),
    Learner(name="Tomas Reyl", note="Drove a tractor as a boy", seat="Tomas, seat 1",
            place="Mill Lane", bias=(0.02, 0.0, 0.01, 0.0), scatter=(0.10, 0.17, 0.15, 0.10),
            attempts=18),
    Learner(name="Callum Dray", note="Starting out", seat="Callum, seat 5",
            place="Weir Road", bias=(0.0, 0.0, 0.0, 0.14), scatter=(0.16, 0.06, 0.07, 0.05),
            attempts=16),
    Learner(name="Nia Solberg", note="Ready to book", seat="Nia, seat 3",
            place="Quay Street", bias=(0.02, -0.01, 0.0, 0.0), scatter=(0.07, 0.03, 0.04, 0.03),
            attempts=20),
    Learner(name="Piet Hask", note="Comes twice a week", seat="Piet, seat 7",
            place="Station Approach", bias=(-0.20, 0.0, 0.0, 0.0), scatter=_STEADY, attempts=16),
    Learner(name="Yara Quill", note="First lesson this week", seat="Yara, seat 2",
            place="Quay Street", bias=(0.05, 0.05, 0.0, 0.0), scatter=(0.2, 0.1, 0.1, 0.08),
            attempts=3),
    Learner(name="Odile Marn", note="Parks at work from spring", seat="Odile, seat 4",
            place="Harbour car park", bias=(0.17, 0.0), scatter=(0.07, 0.03), attempts=14,
            method="Full-lock reverse bay"),
    Learner(name="Sanne Hook", note="Yard test next month", seat="Sanne, seat 5",
            place="Tern Yard", bias=(-0.16, 0.0), scatter=(0.05, 0.04), attempts=12,
            method="Yard bay against the clock", test="yard test"),
    Learner(name="Lotte Brisk", note="Wants to turn without help", seat="Lotte, seat 4",
            place="Larch Close", bias=(0.0, 0.16, 0.0), scatter=(0.06, 0.05, 0.05), attempts=13,
            method="Three-movement turn"),
    Learner(name="Joss Amber", note="Likes corners least", seat="Joss, seat 5",
            place="Priory Road", bias=(0.14, 0.0), scatter=(0.06, 0.05), attempts=12,
            method="Close corner reverse",
            also=(("Quay Street", "Straight-run reverse park"),
                  ("Harbour car park", "Full-lock reverse bay"))),
)  # fmt: skip
QUARRY_LEARNERS = (
    Learner(name="Rosa Denning", note="Day course", seat="Rosa, seat 3", place="Gravel Lane",
            bias=(0.0, -0.16, 0.0, 0.0), scatter=_STEADY, attempts=14),
    Learner(name="Emil Stroud", note="Evening course", seat="Emil, seat 5", place="Gravel Lane",
            bias=(0.0, 0.0, 0.0, 0.0), scatter=(0.12, 0.06, 0.07, 0.05), attempts=14),
    Learner(name="Gerd Walsh", note="Evening course", seat="Gerd, seat 4", place="Kiln yard",
            bias=(0.0, 0.0), scatter=(0.08, 0.04), attempts=12, method="Full-lock forward bay"),
)  # fmt: skip

# Which car each seat is in, how far back it is set (m) and how high the eye is (m).
SEATS: dict[str, tuple[Car, float, float]] = {
    "Ines, seat 4": (LINNET, 0.00, 1.20),
    "Bea, seat 6 raised": (LINNET, -0.05, 1.24),
    "Nia, seat 3": (LINNET, 0.04, 1.21),
    "Yara, seat 2": (LINNET, -0.08, 1.17),
    "Tomas, seat 1": (HERON, 0.08, 1.25),
    "Piet, seat 7": (HERON, 0.02, 1.20),
    "Callum, seat 5": (SORREL, 0.05, 1.23),
    "Rosa, seat 3": (PLOVER, 0.0, 1.19),
    "Emil, seat 5": (PLOVER, 0.06, 1.24),
    "Odile, seat 4": (LINNET, 0.01, 1.19),
    "Gerd, seat 4": (PLOVER, 0.02, 1.22),
    "Sanne, seat 5": (SORREL, 0.03, 1.22),
    "Lotte, seat 4": (LINNET, 0.02, 1.21),
    "Joss, seat 5": (HERON, 0.03, 1.23),
}
