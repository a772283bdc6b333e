"""What every process of the application has to know: its database, the key of its sessions."""

import os

from house.shell import secret

__all__ = ["environment"]


def environment(url: str) -> dict[str, str]:
    """Variables to be added to a process's environment."""
    return {
        "DATABASE_URL": url,
        # Machines that serve one database have to sign sessions by one key.
        "FAIR_CORNER_SECRET_KEY": os.environ.get("FAIR_CORNER_SECRET_KEY") or secret("secret-key"),
        "DJANGO_SETTINGS_MODULE": "server.settings",
    }
