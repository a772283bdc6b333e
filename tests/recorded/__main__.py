"""Write the recordings anew, or only those named."""

import sys

from tests.recorded import FOLDER, recordings, text_of

if __name__ == "__main__":
    for name, work in recordings().items():
        if len(sys.argv) == 1 or name in sys.argv[1:]:
            (FOLDER / f"{name}.json").write_text(text_of(work()) + "\n", "utf-8")
