"""Rounds of questions: to name places, to tell by ear, to follow a tune; each answered with a reason."""
