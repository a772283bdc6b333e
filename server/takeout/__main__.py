"""A school from a file that it was taken out to: `./fair-corner school --from FILE`."""

import argparse
import getpass
import os
import sys
from pathlib import Path

import django


def main(arguments: list[str]) -> int:
    from faircorner.errors import InputError  # noqa: PLC0415

    from server.takeout.reading import read_school  # noqa: PLC0415

    parser = argparse.ArgumentParser(prog="./fair-corner school")
    parser.add_argument("--from", dest="file", type=Path, required=True, help="the school's file")
    parser.add_argument("--username", required=True, help="what its lead signs in with from now on")
    given = parser.parse_args(arguments)
    asked = getpass.getpass("Password: ") if sys.stdin.isatty() else sys.stdin.readline()
    try:
        with given.file.open("rb") as file:
            lead = read_school(file, username=given.username, password=asked.rstrip("\n"))
    except (InputError, OSError) as error:
        print(" ".join(str(error).split()), file=sys.stderr)
        return 2
    print(f"{lead.school} is here again; {lead} signs in as {lead.user.get_username()}.")
    return 0


if __name__ == "__main__":
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "server.settings")
    django.setup()
    sys.exit(main(sys.argv[1:]))
