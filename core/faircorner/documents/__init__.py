"""File formats in and out: the one place where units carry their names."""
