"""How passwords are kept: memory-hard, about a tenth of a second each on an ordinary machine."""

from django.contrib.auth.hashers import Argon2PasswordHasher

__all__ = ["Argon2id"]


class Argon2id(Argon2PasswordHasher):
    """At least what OWASP's Password Storage Cheat Sheet asks for: 46 MiB, and twice over them."""

    memory_cost = 47_104
    time_cost = 2
    parallelism = 1
