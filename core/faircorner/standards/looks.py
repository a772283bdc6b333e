"""What looks there are: a method asks for them, a standard judges them."""

from typing import Literal, TypeAlias, get_args

__all__ = ["LOOKS", "Look", "MirrorLook"]

Look: TypeAlias = Literal["all round", "off side", "near side", "behind", "nose"]
LOOKS: tuple[Look, ...] = get_args(Look)
# What is done with a mirror is looked after like any other look.
MirrorLook: TypeAlias = Literal["dip mirror", "restore mirror"]
