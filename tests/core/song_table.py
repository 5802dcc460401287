"""Which shipped songs present and practise each concept, as the rules see it: docs/songs.md is written by
`python -m tests.core.song_table`."""

from __future__ import annotations

import re
from functools import lru_cache
from pathlib import Path

from kopje.core.analysis.analysis import analyse
from kopje.core.sequence.concepts import Concept
from kopje.core.sequence.grades import CHOIR
from kopje.core.sequence.section_state import SectionState
from kopje.core.sequence.so_mi_first import SO_MI_FIRST
from kopje.core.songs.contents import SongCard, card
from kopje.core.songs.facts import tags_of
from kopje.core.songs.suitability import Met, fit
from kopje.formats.read import read_scores

ROOT = Path(__file__).parents[2]
SONGS = ROOT / "src" / "kopje" / "demo" / "songs"
TABLE = ROOT / "docs" / "songs.md"
MOST_NAMED = 8


@lru_cache(maxsize=1)
def cards() -> tuple[tuple[str, SongCard], ...]:
    """Slug and card of every shipped song."""
    found = []
    for file in sorted(SONGS.glob("*.abc")):
        text = file.read_text()
        (score,) = read_scores(text.encode(), file.name)
        role = re.search(r"^N:role: (.*)$", text, re.MULTILINE)
        tags = tags_of(role[1] if role else "")
        found.append(
            (file.stem, card(file.stem, analyse(score.tune), SO_MI_FIRST, parts=len(score.parts), tags=tags))
        )
    return tuple(found)


def songs_for(concept: Concept) -> tuple[list[str], list[str]]:
    """Slugs of songs that may present a concept to a class that knows all before it, and that may practise it
    once it is named."""
    grade = concept.grade
    before = [c.key for c in SO_MI_FIRST.concepts if c.grade <= grade and c.key != concept.key]
    knows = SectionState("Class", min(grade, 5), SO_MI_FIRST, frozenset(before))
    named = SectionState("Class", min(grade, 5), SO_MI_FIRST, frozenset([*before, concept.key]))
    presents = [slug for slug, one in cards() if fit(one, concept, "present", knows, Met(2)).allowed]
    practises = [slug for slug, one in cards() if fit(one, concept, "practise", named, Met(2)).allowed]
    return presents, practises


HEAD = """# Which song for which concept

Made by `python -m tests.core.song_table` from the rules of the songbook: a song stands here if nothing bars
it for a class that knows everything before the concept. Beyond eight songs the rest is counted. What can be
done with any song has no row.

| grade | concept | presents | practises |
|---|---|---|---|
"""


def table() -> str:
    titles = {slug: one.title for slug, one in cards()}
    rows = []
    for concept in SO_MI_FIRST.concepts:
        if concept.found_by != "any_song":
            presents, practises = (_named(slugs, titles) for slugs in songs_for(concept))
            grade = "choir" if concept.grade == CHOIR else concept.grade
            rows.append(f"| {grade} | {concept.name} | {presents} | {practises} |")
    return HEAD + "\n".join(rows) + "\n"


def _named(slugs: list[str], titles: dict[str, str]) -> str:
    more = f" and {len(slugs) - MOST_NAMED} more" if len(slugs) > MOST_NAMED else ""
    return "; ".join(titles[slug] for slug in slugs[:MOST_NAMED]) + more


if __name__ == "__main__":
    TABLE.write_text(table())
