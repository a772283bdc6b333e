"""`./fair-corner COMMAND`: the list of commands, and nothing else."""

import sys
from importlib import import_module

from house.shell import Trouble, say

USE = """use: ./fair-corner COMMAND

  demo [--fresh] [--port N]   start with demo data and print the address; --fresh starts over
  serve [--port N]            the same without demo data
  stop                        end what runs from this folder
  status                      whether it runs, and whether all is well
  school --help               begin a school from here; serve prints an address for the first one
  school --from FILE          the same from a file that a school was taken out to
  backup FILE                 everything in the database, to one file
  restore FILE                everything as it was in a backup; what there is now goes
  worker                      one more worker for long work; DATABASE_URL says of which database
  test [PYTEST ARGUMENTS]     every check and every test; --all runs their long forms, for the night
  bench [--against COMMIT]    how fast it is, as a table; or beside a commit, timed in turns
  scale [--fresh]             the same of answers at a million attempts of two hundred schools
  kills [--rounds N]          attempts are kept while everything is killed at random; none is lost
  offline [--attempts N]      the same of two browsers whose line comes and goes; nothing is lost
  core drive|plan|sight|judge FILE  the computation alone, JSON in and out; - reads standard input
  formats                     write the JSON Schemas and the API's description to docs/formats/"""


def main(arguments: list[str]) -> int:
    # Only what is asked for is loaded: the computation from the shell should answer at once.
    commands = {
        "demo": ("house.demo", "run_demo"),
        "serve": ("house.demo", "run_serve"),
        "stop": ("house.serving", "run_stop"),
        "status": ("house.serving", "run_status"),
        "school": ("house.demo", "run_school"),
        "backup": ("house.demo", "run_backup"),
        "restore": ("house.demo", "run_restore"),
        "worker": ("house.demo", "run_worker"),
        "test": ("house.checks", "run"),
        "bench": ("house.bench", "run"),
        "scale": ("house.scale", "run"),
        "kills": ("house.kills", "run"),
        "offline": ("house.offline", "run"),
        "core": ("faircorner.cli", "main"),
        "formats": ("house.formats", "write"),
    }
    if not arguments or arguments[0] not in commands:
        print(USE, file=sys.stderr)
        return 2
    module, function = commands[arguments[0]]
    try:
        status: int = getattr(import_module(module), function)(arguments[1:])
        return status
    except Trouble as trouble:
        say(str(trouble))
        return 1


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
