from datetime import datetime

from ninja import Schema

__all__ = ["CalendarMade", "CalendarOut"]


class CalendarOut(Schema):
    """made : when the address was made that holds now; null for none"""

    made: datetime | None


class CalendarMade(CalendarOut):
    """address : told this once"""

    address: str
