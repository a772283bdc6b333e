"""nginx before the application: its configuration, written for this machine."""

import json
import os
from pathlib import Path

from faircorner.said import Said

from house.shell import RUN, Trouble

__all__ = ["PATIENCE", "READY", "configured"]

_TEMPLATE = Path(__file__).with_name("nginx.conf")
# There while everything behind the front answers.
READY = RUN / "ready"
# What is worked out before it is answered. Of one person so many at once: a page asks for a plan,
# what is seen and the ways out together; and no answer may take longer, s.
_COMPUTES = (
    "plan(/.*)?", "backing", "rejoin", "shuffle", "drift", "vehicles/around", "grounds/behind",
    "sets", "sheets/[^/]+/card", "attempts/[^/]+/(mend|preview)",
)  # fmt: skip
_AT_ONCE, PATIENCE = 4, 30
# Tries at the door a minute from one address, behind which a whole school may sit, and in one go.
_DOOR, _BURST = 30, 60
_FILE_MB = 500


def configured(*, address: str, port: int, application: int, computing: int) -> Path:
    """The configuration's file; the application and what computes listen on loopback."""
    proxies = [one for one in os.environ.get("FAIR_CORNER_PROXIES", "").split(",") if one]
    words = {
        "USER": "user www-data;" if os.geteuid() == 0 else "",
        "FOLDERS": _folders(),
        "RUN": RUN,
        "READY": READY,
        "PAGES": Path(__file__).parent,
        "TYPES": _types(),
        "REAL_IP": _real_ip(proxies),
        # Only a proxy that is known is believed that it spoke HTTPS to the outside.
        "PROTO": "$http_x_forwarded_proto" if proxies else "$scheme",
        "ADDRESS": address,
        "PORT": port,
        "APPLICATION": application,
        "COMPUTING": computing,
        "COMPUTES": "|".join(_COMPUTES),
        "AT_ONCE": _AT_ONCE,
        "PATIENCE": PATIENCE + 5,
        "DOOR": _DOOR,
        "BURST": _BURST,
        "FILE_MB": _FILE_MB,
        "TOO_LARGE": _told(Said("too large", most=1)),
        "TOO_LONG": _told(Said("address too long")),
        "TOO_OFTEN": _told(Said("too often")),
        "AWAY": _told(Said("away for a moment")),
        "NOT_ANSWERED": _told(Said("not answered in time")),
    }
    text = _TEMPLATE.read_text("utf-8")
    for word, value in words.items():
        text = text.replace(f"@{word}@", str(value))
    file = RUN / "front.conf"
    file.write_text(text, "utf-8")
    return file


def _types() -> Path:
    types = Path("/etc/nginx/mime.types")
    if not types.exists():
        raise Trouble("nginx is missing: apt-get install nginx")
    return types


def _folders() -> str:
    """Where what is too large for memory is put meanwhile: Debian's own folders belong to root's
    nginx alone, and ours are out of reach for the user that it then runs as.
    """
    if os.geteuid() == 0:
        return ""
    kinds = ("client_body", "proxy", "fastcgi", "uwsgi", "scgi")
    return " ".join(f"{kind}_temp_path {RUN}/front-{kind};" for kind in kinds)


def _real_ip(proxies: list[str]) -> str:
    """Whoever stands before us says where a request came from; nobody else is believed."""
    if not proxies:
        return ""
    known = " ".join(f"set_real_ip_from {one};" for one in proxies)
    return f"{known} real_ip_header X-Forwarded-For; real_ip_recursive on;"


def _told(said: Said) -> str:
    """In English, as nobody is known yet; quoted for JSON within nginx's own quotes."""
    return json.dumps(said.told())[1:-1].replace("'", "’")
