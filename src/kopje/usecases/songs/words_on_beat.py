"""Whether the words of a song sit on its beats; English only, for the dictionary knows no other."""

from __future__ import annotations

from kopje.core.analysis.analysis import Analysis
from kopje.core.analysis.prosody import DOUBTFUL, Place, odd_places, spoken
from kopje.formats.stress import stress_dictionary

ENGLISH = ("", "en", "english")


def words_on_beat(a: Analysis, language: str = "", signed: str = "") -> tuple[Place, ...] | None:
    """The places worth a look, none where the author has `signed` them with a reason. None for a song without
    words, in another language, or of words that are mostly no English."""
    if language.strip().lower() not in ENGLISH:
        return None
    longer = [one for one in spoken(a, stress_dictionary()) if one.first and (one.main or one.inside)]
    syllables = any(sound.syllables for sound in a.attacks)
    if not syllables or 2 * sum(one.guessed for one in longer) > max(len(longer), 1):
        return None
    return () if signed else odd_places(a, stress_dictionary())


def doubtful(places: tuple[Place, ...]) -> int:
    return sum(place.kind in DOUBTFUL for place in places)
