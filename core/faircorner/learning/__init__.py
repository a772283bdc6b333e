"""What a learner says before it is shown, held against what is so."""

from faircorner.learning.own_eye import misjudged, pose_as_stated
from faircorner.learning.predict import Prediction, Sideways, predict
from faircorner.learning.recall import Recall, recall

__all__ = [
    "Prediction",
    "Recall",
    "Sideways",
    "misjudged",
    "pose_as_stated",
    "predict",
    "recall",
]
