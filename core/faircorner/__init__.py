"""The computation behind Fair Corner: no interface, no web, no database.

Inside, lengths are metres and angles radians; frames follow ISO 8855 (x forward,
y left, z up). `faircorner.documents` is the edge where units get their names.
"""
