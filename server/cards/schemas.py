from server.cards.paper import PaperName
from server.planning.schemas.plans import DraftIn


class CardIn(DraftIn):
    """A docket as it stands on the screen, and what its card is printed on."""

    learner: int
    paper: PaperName = "a5"
    large: bool = False
