"""Names of the looks that a method asks for and a standard judges."""

from typing import Literal, TypeAlias, get_args

__all__ = ["LOOKS", "Look", "MirrorLook"]

Look: TypeAlias = Literal["all round", "off side", "near side", "behind", "nose"]
LOOKS: tuple[Look, ...] = get_args(Look)
# Setting a mirror is noted and judged like a look.
MirrorLook: TypeAlias = Literal["dip mirror", "restore mirror"]
