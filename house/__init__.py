"""What the one command does: set up, start, check, measure."""
