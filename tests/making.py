"""Small makers that many tests share."""

from __future__ import annotations

import re
from collections.abc import Iterable, Iterator
from contextlib import contextmanager
from datetime import date
from pathlib import Path

import pytest

from kopje.core.analysis.analysis import Analysis, analyse
from kopje.core.errors import KopjeError
from kopje.core.ledger.readiness import Counts, judge
from kopje.core.reasons import Reason
from kopje.core.sequence.concepts import ConceptKey
from kopje.core.sequence.section_state import SectionState, Taught
from kopje.core.sequence.so_mi_first import SO_MI_FIRST
from kopje.core.songs.contents import SongCard, card
from kopje.core.songs.facts import SongFacts, song_facts
from kopje.formats.abc import read_abc
from kopje.words import ENGLISH_WORDS

SONGS = Path(__file__).parents[1] / "src" / "kopje" / "demo" / "songs"
HEAD = "X:1\nT:Made\nM:{meter}\nL:1/8\nK:{key}\n"


def tune(body: str, key: str = "C", meter: str = "2/4") -> Analysis:
    """A tune from a line of ABC, analysed."""
    return analyse(read_abc((HEAD.format(meter=meter, key=key) + body).encode())[0])


def shipped(slug: str) -> Analysis:
    return analyse(read_abc((SONGS / f"{slug}.abc").read_bytes())[0])


def made_card(title: str, body: str, key: str = "F", meter: str = "2/4") -> SongCard:
    return card(title, tune(body, key, meter), SO_MI_FIRST)


def made_facts(title: str, body: str, key: str = "F", meter: str = "2/4") -> SongFacts:
    return song_facts(tune(body, key, meter), SO_MI_FIRST)


def shipped_facts() -> dict[str, SongFacts]:
    return {file.stem: song_facts(shipped(file.stem), SO_MI_FIRST) for file in sorted(SONGS.glob("*.abc"))}


def shipped_cards() -> tuple[SongCard, ...]:
    return tuple(card(file.stem, shipped(file.stem), SO_MI_FIRST) for file in sorted(SONGS.glob("*.abc")))


def declared(*keys: str, name: str = "2A", grade: int = 2, **more: object) -> SectionState:
    return SectionState(name, grade, SO_MI_FIRST, frozenset(ConceptKey(k) for k in keys), **more)  # type: ignore[arg-type]


def taught(**counts: tuple[int, int, int]) -> dict[ConceptKey, Taught]:
    return {ConceptKey(key.replace("_", "-")): Taught(*count) for key, count in counts.items()}


def said(reason: Reason) -> str:
    """A reason in English."""
    return ENGLISH_WORDS.say(reason)


def breath(found: Iterable[Reason]) -> str:
    """Several reasons, as one reads them."""
    return " ".join(map(said, found))


@contextmanager
def refuses(kind: type[KopjeError], words: str) -> Iterator[None]:
    """What is inside is refused, in words that say this (a pattern)."""
    with pytest.raises(kind) as caught:
        yield
    assert re.search(words, said(caught.value.reason)), said(caught.value.reason)


def ready(*keys: str) -> dict[ConceptKey, object]:
    return {ConceptKey(key): judge(24, Counts(24, 22)) for key in keys}


DAY = date(2026, 11, 24)
