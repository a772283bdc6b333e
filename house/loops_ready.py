"""Loaded before many forks that run compiled loops: each would get Numba ready by itself."""

from numba.core.registry import cpu_target

cpu_target.typing_context.refresh()
cpu_target.target_context.refresh()
