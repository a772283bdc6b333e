"""What a learner says before it is shown, held against what is so."""

from faircorner.learning.own_eye import LEVEL, OwnEye, misjudged, own_eye
from faircorner.learning.predict import Prediction, Sideways, predict
from faircorner.learning.recall import Recall, recall

__all__ = [
    "LEVEL",
    "OwnEye",
    "Prediction",
    "Recall",
    "Sideways",
    "misjudged",
    "own_eye",
    "predict",
    "recall",
]
