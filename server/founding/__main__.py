"""`key`: the key of the one-time address, nothing where a school has begun; or a school's measures.

Started by `./fair-corner serve` and `./fair-corner school`, with the database in the environment.
"""

import argparse
import getpass
import os
import sys

import django


def _asked(arguments: list[str]) -> dict[str, str]:
    parser = argparse.ArgumentParser(prog="./fair-corner school", description="Begin a school.")
    parser.add_argument("--name", required=True, help="the school's name")
    parser.add_argument("--place", default="", help="where it is")
    parser.add_argument(
        "--keeps", required=True, choices=["left", "right"], help="side of the road"
    )
    parser.add_argument("--units", required=True, choices=["metric", "imperial"])
    parser.add_argument("--locale", default="en-GB")
    parser.add_argument("--time-zone", required=True, help="like Europe/London")
    parser.add_argument("--lead", required=True, help="the first lead's name")
    parser.add_argument("--username", required=True, help="what they sign in with")
    given = vars(parser.parse_args(arguments))
    if sys.stdin.isatty():
        return {**given, "password": getpass.getpass("Password: ")}
    return {**given, "password": sys.stdin.readline().rstrip("\n")}


def main(arguments: list[str]) -> int:
    from faircorner.errors import InputError  # noqa: PLC0415

    from server.founding.services import found, new_key  # noqa: PLC0415
    from server.schools.models import School  # noqa: PLC0415

    if arguments == ["key"]:
        if not School.objects.exists():
            print(new_key())
        return 0
    try:
        lead = found(**_asked(arguments))
    except InputError as error:
        print(" ".join(str(error).split()), file=sys.stderr)
        return 2
    print(f"{lead.school} has begun; {lead} signs in as {lead.user.get_username()}.")
    return 0


if __name__ == "__main__":
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "server.settings")
    django.setup()
    sys.exit(main(sys.argv[1:]))
