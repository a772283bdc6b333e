"""Invented schools with invented people, vehicles and places, and simulated learners."""
