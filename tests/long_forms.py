"""How much is tried: little in every run, as much as it takes in `./fair-corner test --all`."""

import os

__all__ = ["CALIBRATED_LEARNERS", "FUZZ_EXAMPLES", "FUZZ_ROLES", "KILL_ROUNDS", "OFFLINE_ATTEMPTS"]

_LONG = "FAIR_CORNER_LONG_FORMS" in os.environ

# Simulated learners on each sheet of the demo.
CALIBRATED_LEARNERS = 90 if _LONG else 6
# Requests to each operation by each role, right ones and wrong ones: 70 make ten thousand a role.
FUZZ_EXAMPLES = 70 if _LONG else 2
# In the short form those who may do most and least.
FUZZ_ROLES = ("lead", "instructor", "trainee", "learner") if _LONG else ("lead", "learner")
# Rounds of killing each program in turn.
KILL_ROUNDS = 8 if _LONG else 1
# Attempts of two browsers that lose their connection and are killed.
OFFLINE_ATTEMPTS = 300 if _LONG else 6
