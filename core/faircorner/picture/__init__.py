"""Sight pictures: what a driver sees, as polygons. docs/sums/picture.md."""

from faircorner.picture.camera import HEIGHT, WIDTH, Camera
from faircorner.picture.part import Part
from faircorner.picture.place import Place, place_of
from faircorner.picture.reflected import image_of
from faircorner.picture.view import Glass, View, Viewer, mirror_frame

__all__ = [
    "HEIGHT",
    "WIDTH",
    "Camera",
    "Glass",
    "Part",
    "Place",
    "View",
    "Viewer",
    "image_of",
    "mirror_frame",
    "place_of",
]
