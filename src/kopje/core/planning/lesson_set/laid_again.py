"""A set that was kept, laid again for other classes: what of it holds there, and why the rest does not.

Source: docs/sources.md#composer."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from kopje.core.planning.activities import Activity
from kopje.core.planning.fetch import fits_size, lacking
from kopje.core.planning.habits import Habits
from kopje.core.planning.lesson import Choice
from kopje.core.planning.offers import far_from
from kopje.core.reasons import Named, Reason, because
from kopje.core.sequence.concepts import ConceptKey
from kopje.core.sequence.section_state import SectionState
from kopje.core.songs.contents import SongCard


@dataclass(frozen=True, slots=True)
class KeptPart:
    """A part as it was kept; `slot` and `role` where it stood."""

    slot: str
    role: str
    choice: Choice
    minutes: int


@dataclass(frozen=True, slots=True)
class Laid:
    """Lesson by lesson what holds; `dropped`: what does not, each with its reason."""

    lessons: tuple[tuple[KeptPart, ...], ...]
    dropped: tuple[Reason, ...]


@dataclass(frozen=True)
class There:
    """Where it is to be laid: the class (of several the one furthest behind), how many children each section
    has, and its songs and recorded pieces by id."""

    state: SectionState
    habits: Habits
    rolls: tuple[int, ...]
    songs: Mapping[str, SongCard]
    pieces: frozenset[str]


def laid_again(lessons: Sequence[Sequence[KeptPart]], there: There) -> Laid:
    """In order of the lessons: what one of them names counts as named in those after it."""
    every = (concept.key for concept in there.state.sequence.concepts)
    named = {key for key in every if there.state.named(key)}
    kept, dropped = [], []
    for lesson in lessons:
        stays, names = [], set[ConceptKey]()
        for part in lesson:
            reason = _against(part, there, frozenset(named))
            if reason is not None:
                dropped.append(reason)
                continue
            stays.append(part)
            if part.choice.purpose == "present" and part.choice.concept:
                names.add(part.choice.concept)
        named |= names
        kept.append(tuple(stays))
    return Laid(tuple(kept), tuple(dict.fromkeys(dropped)))


def _against(part: KeptPart, there: There, named: frozenset[ConceptKey]) -> Reason | None:
    """The first thing that keeps a part out; None where it holds."""
    item, choice = there.habits.repertoire.known(part.choice.activity), part.choice
    if item is None:
        return because("copy_activity_gone", "against", "part", activity=choice.activity)
    if choice.song is not None and choice.song not in there.songs:
        return because("copy_song_gone", "against", "part", activity=item.title)
    if choice.piece is not None and choice.piece not in there.pieces:
        return because("copy_song_gone", "against", "part", activity=item.title)
    return (
        _class_against(item, there)
        or _song_against(item, choice, there)
        or _name_against(item, choice, there, named)
    )


def _class_against(item: Activity, there: There) -> Reason | None:
    if item.too_young_or_old(there.state):
        return because("copy_grades", "against", "part", activity=item.title)
    if not fits_size(item, there.rolls):
        return because("copy_size", "against", "part", activity=item.title)
    return next(iter(lacking(item, there.rolls, there.habits.room)), None)


def _song_against(item: Activity, choice: Choice, there: There) -> Reason | None:
    song = there.songs.get(choice.song or "")
    if song is not None and far_from(song, there.state).outside:
        return because("copy_range", "against", "song", activity=item.title, title=song.title)
    return None


def _name_against(
    item: Activity, choice: Choice, there: There, named: frozenset[ConceptKey]
) -> Reason | None:
    """Prepared and named only before they can name it, practised only after."""
    key = choice.concept
    if key is None:
        return None
    concept = there.state.sequence.by_key.get(key)
    if concept is None:
        return because("copy_concept_gone", "against", "part", activity=item.title)
    if choice.purpose in ("prepare", "present") and key in named:
        return because("copy_named", "against", key, activity=item.title, concept=Named(key))
    missing = [one for one in concept.needs if one not in named]
    if choice.purpose == "present" and missing:
        return because("copy_needs", "against", key, concept=Named(key), needs=Named(missing[0]))
    if choice.purpose == "practise" and key not in named and concept.named_in_music:
        return because("copy_not_named", "against", key, activity=item.title, concept=Named(key))
    return None
