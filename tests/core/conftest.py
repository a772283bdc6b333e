"""A car, its seat, a kerb and a method that many tests of the core stand on."""

import json
from pathlib import Path

import pytest
from faircorner.documents.library import house_standard, methods
from faircorner.documents.samples import LINNET, seat_document, vehicle_document
from faircorner.documents.vehicle import SeatDocument, VehicleDocument
from faircorner.ground import lay_kerb

CASES = Path(__file__).parent / "drive_cases.json"


@pytest.fixture(scope="session")
def linnet():
    return VehicleDocument.read(vehicle_document(LINNET)).build()


@pytest.fixture(scope="session")
def seat():
    return SeatDocument.read(seat_document(LINNET, "seat", back=0.0, height=1.2)).build()


@pytest.fixture(scope="session")
def method():
    return methods()["Straight-run reverse park"].build()


@pytest.fixture(scope="session")
def standard():
    return house_standard().build()


@pytest.fixture(scope="session")
def quay():
    return lay_kerb("quay", goal_ahead=2.0)


@pytest.fixture(scope="session")
def drive_cases():
    return json.loads(CASES.read_text("utf-8"))["cases"]
