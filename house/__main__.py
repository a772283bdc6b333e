"""`./fair-corner COMMAND`: the list of commands, and nothing else."""

import sys

from faircorner import cli

from house import bench, checks, demo, formats
from house.shell import Trouble, say

USE = """use: ./fair-corner COMMAND

  demo [--fresh] [--port N]   start with demo data and print the address; --fresh starts over
  serve [--port N]            the same without demo data
  test [PYTEST ARGUMENTS]     every check and every test
  bench                       how fast it is, as a table
  core drive|plan FILE        the computation alone, JSON in and out; - reads standard input
  formats                     write the JSON Schemas and the API's description to docs/formats/"""


def main(arguments: list[str]) -> int:
    commands = {
        "demo": demo.run_demo,
        "serve": demo.run_serve,
        "test": checks.run,
        "bench": bench.run,
        "core": cli.main,
        "formats": formats.write,
    }
    if not arguments or arguments[0] not in commands:
        print(USE, file=sys.stderr)
        return 2
    try:
        return commands[arguments[0]](arguments[1:])
    except Trouble as trouble:
        say(str(trouble))
        return 1


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
