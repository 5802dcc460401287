"""Kopje: the planner and the ledger for music teachers that know the music."""
