"""Rounds of questions for a class: of what it can name, of the songs it has sung."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from uuid import UUID

from kopje.core.analysis.analysis import Analysis
from kopje.core.analysis.layers import line
from kopje.core.errors import PracticeError
from kopje.core.exact import Fraction
from kopje.core.ledger.events import ClassEvent, standing_events
from kopje.core.ledger.luck import result_of
from kopje.core.ledger.marks import Result
from kopje.core.music.clef import Clef
from kopje.core.music.meter import Meter
from kopje.core.music.score import Score
from kopje.core.music.tune import Bar, Note, Tune
from kopje.core.practice.asks.along import along
from kopje.core.practice.asks.places import Lines, pitch_at
from kopje.core.practice.asks.question import RUN, Question, Staff
from kopje.core.practice.asks.rounds import (
    SEEN,
    Knows,
    Round,
    RoundKind,
    ToldKind,
    a_round,
    kinds_for,
    knows_of,
)
from kopje.core.practice.asks.songs import Clues, guess
from kopje.core.practice.games import clue, telling_words
from kopje.core.practice.reading.as_score import as_score
from kopje.core.practice.reading.chance import Chance
from kopje.core.practice.reading.make import Made
from kopje.core.reasons import Named
from kopje.core.sequence.concepts import Concept, ConceptKey
from kopje.engraving.mei import StaffLook, Under, mei_score
from kopje.engraving.render import Engraver
from kopje.store import songs
from kopje.store import tables as t
from kopje.usecases.context import Context
from kopje.usecases.practice.given import Given, given
from kopje.usecases.songs.look import analysis_of

WIDTH = 1100  # tenths of a millimetre, of a line to choose
WIDE = 1100
NARROW = 320
MOST_SONGS = 40  # those sung last


@dataclass(frozen=True)
class Asked:
    """What kind of round: so many questions; for places so many lines and a clef; along a song which one, and
    from which of its moves on."""

    kind: RoundKind
    count: int = 10
    lines: Lines = 5
    clef: Clef = "G"
    song: UUID | None = None
    first: int = 0
    seed: int = 0


@dataclass(frozen=True)
class RoundNow:
    """A round, and the song it goes along."""

    round: Round
    song: t.Song | None = None


@dataclass(frozen=True)
class Played:
    """A round that was played: by the class, or by somebody alone at a station; `result`: what it would be as
    a mark, luck reckoned in."""

    asked: int
    right: int
    seconds: int
    station: bool
    choices: int
    result: Result
    in_a_row: int = RUN


@dataclass(frozen=True)
class Standing:
    """How a class did in rounds of a kind: the last one, the best, and how many there were; `concept`: what
    they are evidence of."""

    kind: ToldKind
    times: int
    concept: Concept | None = None
    last: Played | None = None
    best: Played | None = None


def knows(here: Given) -> Knows:
    return knows_of(here.offers, here.voice)


def play(ctx: Context, section_id: UUID, asked: Asked) -> RoundNow:
    """The round of a seed. PracticeError where the class can name too little, or has sung too little."""
    here = given(ctx, section_id)
    if asked.kind == "song":
        chosen = guess(_clues(ctx, _sung(ctx, here)), asked.count, Chance(asked.seed))
        return RoundNow(Round(asked.kind, chosen))
    if asked.kind == "along":
        song = _song(ctx, here, asked.song)
        found = along(analysis_of(song), asked.count, Chance(asked.seed), asked.first)
        return RoundNow(Round(asked.kind, found), song)
    return RoundNow(a_round(asked.kind, knows(here), asked.count, asked.seed, asked.lines, asked.clef))


def _shows(here: Given, kind: RoundKind) -> Concept | None:
    """What a round is evidence of: the last concept of its kind that the class can name."""
    state, concepts = here.section.state, here.section.sequence.concepts
    strands = ("staff",) if kind in SEEN else ("tonality", "melody") if kind == "home" else ("melody",)
    for strand in strands:
        named = [c for c in concepts if c.strand == strand and state.named(c.key)]
        if named:
            return named[-1]
    return None


def _sung(ctx: Context, here: Given) -> list[t.Song]:
    met = here.section.facts.songs
    lately = sorted(met, key=lambda key: (met[key].last is None, met[key].last, key), reverse=True)
    return [songs.song(ctx.session, ctx.school_id, UUID(key)) for key in lately[:MOST_SONGS]]


def _song(ctx: Context, here: Given, asked: UUID | None) -> t.Song:
    """The one that is asked for, else the one sung last."""
    if asked is not None:
        return songs.song(ctx.session, ctx.school_id, asked)
    found = _sung(ctx, here)
    if not found:
        raise PracticeError("round_few_songs", value=0)
    return found[0]


def _clues(ctx: Context, sung: Sequence[t.Song]) -> list[Clues]:
    analyses = {song.title: analysis_of(song) for song in sung}
    words = telling_words({title: clue(a, "words") for title, a in analyses.items()})
    return [
        Clues(
            title,
            _first_phrase(ctx, a, "rhythm"),
            " ".join(clue(a, "contour")),
            _first_phrase(ctx, a, "degrees"),
            " · ".join(words.get(title, ())),
        )
        for title, a in analyses.items()
    ]


def _first_phrase(ctx: Context, a: Analysis, layer: str) -> str:
    """The texts of a layer under the notes of the first phrase."""
    phrase = a.phrases[0]
    notes = [sound.note for sound in a.timeline[phrase.first : phrase.stop] if sound.attack]
    texts = line(a, "rhythm" if layer == "rhythm" else "degrees", ctx.sequence.wording)
    return " ".join(texts[note] for note in notes if note in texts)


def standings(here: Given, events: Iterable[ClassEvent]) -> list[Standing]:
    """For each kind that the class can play, how it did: this class against itself."""
    told = [event for event in standing_events(events) if event.kind == "round"]
    found = []
    for kind in kinds_for(knows(here)):
        mine = [_played(event) for event in told if event.body["ask"] == kind]
        best = max(mine, key=lambda one: (Fraction(one.right, one.asked), -one.seconds), default=None)
        found.append(Standing(kind, len(mine), _shows(here, kind), mine[-1] if mine else None, best))
    return found


def read_alone(here: Given, events: Iterable[ClassEvent]) -> Standing | None:
    """What was read at a station, of the concept that was read there last."""
    told = [e for e in standing_events(events) if e.kind == "round" and e.body["ask"] == "reading"]
    if not told:
        return None
    due = told[-1].body.get("concept")
    mine = [_played(event) for event in told if event.body.get("concept") == due]
    concept = here.section.sequence.by_key.get(ConceptKey(str(due)))
    best = max(mine, key=lambda one: (Fraction(one.right, one.asked), -one.seconds))
    return Standing("reading", len(mine), concept, mine[-1], best)


def _played(event: ClassEvent) -> Played:
    body = event.body
    asked, right = int(body["asked"]), int(body["right"])
    choices = int(body["choices"])
    result = result_of(choices, asked, right, RUN)
    return Played(asked, right, int(body["seconds"]), bool(body.get("station")), choices, result)


def pictures(question: Question, engraver: Engraver) -> tuple[str, list[str]]:
    """The line that is seen with a question, and those to choose from, engraved; empty where there is
    none."""
    seen = _picture(question.line, engraver, WIDE) if question.line else ""
    if question.staff is not None and question.staff.clef:
        seen = engraver.svg(one_note(question.staff), NARROW)
    return seen, [_picture(one.line, engraver, WIDTH) if one.line else "" for one in question.choices]


def one_note(staff: Staff) -> str:
    """A staff with its clef and the note that is asked for, as the engraver wants it."""
    clef: Clef = "F" if staff.clef == "F" else "G"
    meter = Meter.parse("4/4")
    whole = Note("note", meter.length, pitch_at(staff.heads[0].place, clef))
    tune = Tune("", (Bar((whole,), meter, None, 1, right="none"),))
    return mei_score(Score.solo(tune), 0, Under((), words=False, staff=StaffLook(clef=clef, meter=False)))


def _picture(made: Made, engraver: Engraver, width: int) -> str:
    return engraver.svg(mei_score(as_score(made, ""), 0, Under((), words=False)), width)


def name_of(ctx: Context, concept: Concept) -> str:
    return ctx.words.term(Named(concept.key))
