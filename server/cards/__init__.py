"""Cue cards: a docket on one page of paper, to take along."""
