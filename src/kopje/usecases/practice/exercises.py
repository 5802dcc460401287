"""The next exercise for a class: what it can be given, one that it has not read, and how it looks."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import asdict, dataclass, replace
from functools import lru_cache
from itertools import pairwise
from typing import Literal
from uuid import UUID

from kopje.core.analysis.analysis import Analysis, analyse
from kopje.core.analysis.annotations import Annotations
from kopje.core.analysis.layers import TextLayer, line, spoken_rests
from kopje.core.analysis.motion import move
from kopje.core.errors import NotFoundError, PracticeError
from kopje.core.music.clef import Clef
from kopje.core.music.degree import Do, plain_do
from kopje.core.music.score import Score
from kopje.core.music.tune import transposed
from kopje.core.practice.reading.as_score import as_score
from kopje.core.practice.reading.evidence import Shown
from kopje.core.practice.reading.given import Change, Offer, Wish, easier, harder, made_of
from kopje.core.practice.reading.levels import VOICES_OF
from kopje.core.practice.reading.make import Made
from kopje.core.practice.reading.routine import routine_of
from kopje.core.practice.reading.served import Print, is_new, print_of
from kopje.core.reasons import Named, Reason, because
from kopje.engraving.mei import StaffLook, Under, mei_score
from kopje.formats.abc_write import write_abc
from kopje.formats.read import read_scores
from kopje.store import practice, sections, songs
from kopje.store import tables as t
from kopje.usecases.context import Context
from kopje.usecases.practice.given import Given, given
from kopje.usecases.practice.real_phrases import Phrase, phrases

TRIES = 40  # seeds, before it is said that everything of the kind was read
SEEDS = 2**31 - 1
FAR = ("skip", "leap")
Asked = Literal["same", "harder", "easier"]
Empty = Literal["nothing", "some", "all"]  # bars to write in


@dataclass(frozen=True)
class NextExercise:
    exercise: t.Exercise
    change: Change | None = None


def next_exercise(ctx: Context, section_id: UUID, wish: Wish, asked: Asked = "same") -> NextExercise:
    """An exercise of the wish, or of one thing harder or easier, nothing like which the class has read.
    PracticeError where nothing new is left, or no such exercise is possible."""
    here = given(ctx, section_id)
    wish, change = _changed(here, wish, asked)
    offer = here.offer(wish.sort, wish.due)
    number = practice.next_number(ctx.session, section_id)
    rows = practice.of_section(ctx.session, section_id)
    served = [Print.of(one.told) for one in rows]
    found = _real(ctx, here, offer, wish, rows)
    made = found.made if found else _new(here, offer, wish, served, (section_id.int + number * 7919) % SEEDS)
    told = print_of(made).values()
    score = as_score(
        made, title(ctx, wish, number), [ctx.words.word(f"part_{v}") for v in VOICES_OF[len(made.voices)]]
    )
    row = t.Exercise(
        id=ctx.new_id(),
        school_id=ctx.school_id,
        section_id=section_id,
        number=number,
        wish=asdict(wish),
        source=write_abc(score),
        do=str(made.do.pitch) if made.pitched else "",
        resting=made.resting,
        told={**told, "song_bars": [found.first, found.last]} if found else told,
        song_id=found.song.id if found else None,
        made=ctx.now,
    )
    ctx.session.add(row)
    ctx.session.flush()
    return NextExercise(row, change)


def _real(ctx: Context, here: Given, offer: Offer, wish: Wish, rows: Sequence[t.Exercise]) -> Phrase | None:
    """The first phrase of a real song, nothing like which the class has read."""
    served = [Print.of(one.told) for one in rows]
    read: dict[UUID, list[tuple[int, int]]] = {}
    for one in rows:
        if one.song_id is not None:
            read.setdefault(one.song_id, []).append((one.told["song_bars"][0], one.told["song_bars"][1]))
    found = phrases(ctx, here, offer, wish, read)
    return next((one for one in found if is_new(print_of(one.made), served)), None)


def _new(here: Given, offer: Offer, wish: Wish, served: Sequence[Print], start: int) -> Made:
    """A made one, nothing like which the class has read."""
    for step in range(TRIES):
        made = made_of(offer, wish, start + step * 104_729, here.voice)
        if is_new(print_of(made), served):
            return made
    raise PracticeError("everything_read", name=Named(wish.due), value=wish.due)


def _changed(here: Given, wish: Wish, asked: Asked) -> tuple[Wish, Change | None]:
    if asked == "same":
        return wish, None
    offer = here.offer(wish.sort, wish.due)
    before, after = here.beside(offer)
    found = harder(offer, wish, after) if asked == "harder" else easier(offer, wish, before)
    if found is None:
        raise PracticeError(f"nothing_{asked}", value=wish.due)
    return found


def title(ctx: Context, wish: Wish, number: int) -> str:
    name = ctx.words.term(Named(wish.due))
    return ctx.words.word("exercise_title", name=name, number=number)


def of_school(ctx: Context, exercise_id: UUID) -> t.Exercise:
    return practice.exercise(ctx.session, ctx.school_id, exercise_id)


def score_of(row: t.Exercise) -> Score:
    return _score(row.source)


@lru_cache(maxsize=512)
def _score(source: str) -> Score:
    return read_scores(source.encode(), "exercise.abc")[0]


def do_of(row: t.Exercise) -> Do | None:
    """Where plain do lies; None for an exercise without pitches."""
    if not row.do:
        return None
    return plain_do(row.do[:-1]).at(int(row.do[-1]))


def analysed(row: t.Exercise, part: int = 0) -> Analysis:
    """One part, its home as it was made."""
    if not 0 <= part < len(score_of(row).parts):
        raise NotFoundError("no_such", what=because("what_part"), value=part)
    return _analysed(row.source, part, do_of(row), row.resting)


@lru_cache(maxsize=1024)
def _analysed(source: str, part: int, do: Do | None, resting: str) -> Analysis:
    return analyse(_score(source).parts[part].tune, "la", Annotations(do=do, resting=resting or None))


@dataclass(frozen=True)
class Drawn:
    """How an exercise looks: the part in focus, which syllables stand under it (those of the rhythm with
    `rhythm`), its clef (under the bass clef an octave lower); without clef so many `lines` with do at its
    `place`; a rhythm as `sticks`; `empty` bars to write in."""

    part: int = 0
    shown: Shown = "none"
    rhythm: bool = False
    clef: Clef | None = None
    lines: int = 5
    place: int | None = None
    sticks: bool = False
    empty: Empty = "nothing"


def mei_of(ctx: Context, row: t.Exercise, drawn: Drawn = Drawn()) -> str:
    """As the engraver wants it."""
    a = analysed(row, drawn.part)
    lines: list[Mapping[int, str]] = []
    if drawn.shown != "none":
        layer: TextLayer = "rhythm" if drawn.rhythm or not row.do else "degrees"
        every = line(a, layer, ctx.sequence.wording)
        keep = set(_helped(a, drawn.shown))
        lines.append({note: text for note, text in every.items() if note in keep or drawn.shown == "every"})
    score = score_of(row)
    if drawn.clef == "F" and row.do:
        lower = (replace(part, tune=transposed(part.tune, -7, -12)) for part in score.parts)
        score = replace(score, parts=tuple(lower))
    staff = StaffLook(drawn.clef, sticks=drawn.sticks, hidden=_hidden(a, drawn.empty))
    if drawn.place is not None and row.do:
        name = ctx.sequence.wording.tone("do")
        staff = StaffLook(None, drawn.lines, _places(a, drawn.place), drawn.place, name)
    rests = _spoken(ctx, row, a) if lines and drawn.rhythm else {}
    return mei_score(score, drawn.part, Under(tuple(lines), words=False, staff=staff, rests=rests))


def _spoken(ctx: Context, row: t.Exercise, a: Analysis) -> Mapping[int, str]:
    """The words of rests, where the class speaks them."""
    section = sections.section(ctx.session, ctx.school_id, row.section_id)
    if not routine_of(section.reading).spoken_rests:
        return {}
    return spoken_rests(a, ctx.sequence.wording)


def _hidden(a: Analysis, empty: Empty) -> frozenset[int]:
    """The printed notes of the bars that stay empty: every second one, or all but the first tone."""
    if empty == "nothing":
        return frozenset()
    notes = [(bar.number, n) for n, (bar, _, _) in enumerate(a.tune.notes())]
    if empty == "all":
        return frozenset(n for _, n in notes[1:])
    return frozenset(n for bar, n in notes if bar and bar % 2 == 0)


def _places(a: Analysis, place: int) -> dict[int, int]:
    """By printed note, its place on a staff on which do has this one."""
    do = a.tonality.do
    return {
        n: place + do.degree(note.pitch).step
        for n, (_, _, note) in enumerate(a.tune.notes())
        if do is not None and note.pitch is not None
    }


def _helped(a: Analysis, shown: Shown) -> Iterator[int]:
    """The printed notes that keep their syllable: the first, and what comes by skip or leap."""
    yield from (sound.note for sound in a.attacks[:1])
    for one, two in pairwise(a.attacks):
        if shown == "skips" and one.pitch and two.pitch and move(one.pitch, two.pitch) in FAR:
            yield two.note


def moves_of(row: t.Exercise, part: int = 0) -> dict[int, tuple[str, str]]:
    """By printed note, the move that leads to it: from a degree to the next."""
    a = analysed(row, part)
    pairs = ((two.note, a.degree(one), a.degree(two)) for one, two in pairwise(a.attacks))
    return {note: (str(one), str(two)) for note, one, two in pairs if one and two}


def nearest_note(row: t.Exercise, part: int, bar: int) -> int | None:
    """The first attack of a bar."""
    return next((s.note for s in analysed(row, part).attacks if s.bar >= bar), None)


def reasons_of(ctx: Context, row: t.Exercise) -> list[Reason]:
    """For what it was made or where it comes from, and what may come in it."""
    found = [because("exercise_for", concept=Named(row.wish["due"]))]
    if row.song_id is not None:
        (title,) = songs.titles(ctx.session, ctx.school_id, [row.song_id]).values()
        first, last = row.told["song_bars"]
        found = [because("exercise_of_song", title=title, first=first, last=last)]
    return [*found, because("exercise_only_named")] if row.wish["sort"] == "melody" else found
