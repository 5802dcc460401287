"""The next exercise for a class: what it can be given, one that it has not read, and how it looks."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import asdict, dataclass
from functools import lru_cache
from itertools import pairwise
from typing import Literal
from uuid import UUID

from kopje.core.analysis.analysis import Analysis, analyse
from kopje.core.analysis.annotations import Annotations
from kopje.core.analysis.key_choice import Voice, voice_of
from kopje.core.analysis.layers import TextLayer, line
from kopje.core.analysis.motion import move
from kopje.core.errors import NotFoundError, PracticeError
from kopje.core.music.degree import Do, plain_do
from kopje.core.music.score import Score
from kopje.core.practice.reading.as_score import as_score
from kopje.core.practice.reading.evidence import Shown
from kopje.core.practice.reading.given import Change, Offer, Sort, Wish, easier, harder, made_of, offers
from kopje.core.practice.reading.levels import VOICES_OF
from kopje.core.practice.reading.served import Print, is_new, print_of
from kopje.core.reasons import Named, Reason, because
from kopje.core.sequence.grades import CHOIR
from kopje.engraving.mei import Under, mei_score
from kopje.formats.abc_write import write_abc
from kopje.formats.read import read_scores
from kopje.store import practice
from kopje.store import tables as t
from kopje.usecases.context import Context
from kopje.usecases.snapshot import SectionNow, snapshot

TRIES = 40  # seeds, before it is said that everything of the kind was read
SEEDS = 2**31 - 1
FAR = ("skip", "leap")
Asked = Literal["same", "harder", "easier"]


@dataclass(frozen=True)
class Given:
    """What a class can be given, and its voice."""

    section: SectionNow
    offers: tuple[Offer, ...]
    voice: Voice | None

    def offer(self, sort: Sort, due: str) -> Offer:
        found = next((one for one in self.offers if (one.sort, one.due) == (sort, due)), None)
        if found is None:
            raise NotFoundError("no_such", what=because("what_exercise"), value=due)
        return found

    def beside(self, offer: Offer) -> tuple[str | None, str | None]:
        """The level before and after, where it is one."""
        keys = [one.due for one in self.offers if one.sort == offer.sort == "level"]
        if offer.due not in keys:
            return None, None
        at = keys.index(offer.due)
        return (keys[at - 1] if at else None), (keys[at + 1] if at + 1 < len(keys) else None)


def given(ctx: Context, section_id: UUID) -> Given:
    """Of the concepts that the class can name; a choir reads every level of its ladder."""
    section = snapshot(ctx, [section_id]).section(section_id)
    choir = section.grade == CHOIR
    named = [c for c in ctx.sequence.concepts if choir or section.state.named(c.key)]
    return Given(section, offers(named, choir), None if choir else voice_of(section.grade))


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
    served = [Print.of(one.told) for one in practice.of_section(ctx.session, section_id)]
    start = (section_id.int + number * 7919) % SEEDS
    for step in range(TRIES):
        made = made_of(offer, wish, start + step * 104_729, here.voice)
        told = print_of(made)
        if is_new(told, served):
            break
    else:
        raise PracticeError("everything_read", name=Named(wish.due), value=wish.due)
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
        told=told.values(),
        song_id=None,
        made=ctx.now,
    )
    ctx.session.add(row)
    ctx.session.flush()
    return NextExercise(row, change)


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


def mei_of(ctx: Context, row: t.Exercise, part: int, shown: Shown, rhythm: bool) -> str:
    """As the engraver wants it, with syllables under the part looked at as far as the help goes."""
    a = analysed(row, part)
    lines: list[Mapping[int, str]] = []
    if shown != "none":
        layer: TextLayer = "rhythm" if rhythm or not row.do else "degrees"
        every = line(a, layer, ctx.sequence.wording)
        keep = set(_helped(a, shown))
        lines.append({note: text for note, text in every.items() if note in keep or shown == "every"})
    return mei_score(score_of(row), part, Under(tuple(lines), words=False))


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


def reasons_of(row: t.Exercise) -> list[Reason]:
    """For what it was made, and what may come in it."""
    found = [because("exercise_for", concept=Named(row.wish["due"]))]
    return [*found, because("exercise_only_named")] if row.wish["sort"] == "melody" else found
