"""Read by gunicorn before it forks: what takes long to load is loaded once, for every process."""

import gc
import json
from typing import Any

from django.urls import get_resolver
from faircorner.commands.plan import scene_asked
from faircorner.cues import make_plan, sights

from house.formats import EXAMPLE

__all__ = ["on_starting"]


def on_starting(_server: Any) -> None:
    """gunicorn's own name for the moment: every route, and the core's compiled loops, used once."""
    _ = get_resolver().url_patterns
    scene = scene_asked(json.loads(EXAMPLE.read_text("utf-8")))
    sights(scene, make_plan(scene).values)
    # What is loaded for good is not looked through for what could be thrown away, request after
    # request, nor copied to every process by that.
    gc.freeze()
