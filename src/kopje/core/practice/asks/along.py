"""Questions along a song: at each move, what it does and where it lands. Source: docs/sources.md#rounds."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from kopje.core.analysis.analysis import Analysis
from kopje.core.analysis.motion import move, neighbours
from kopje.core.analysis.timeline import Sound
from kopje.core.errors import PracticeError
from kopje.core.exact import Fraction
from kopje.core.music.degree import Degree, plain_do
from kopje.core.practice.asks.question import Choice, Question, Row, fair_row, placed
from kopje.core.practice.asks.question import Tone as Heard
from kopje.core.practice.reading.chance import Chance
from kopje.core.reasons import Reason, Tone, because

CHOICES = 3
NEAR = 4  # tones among which the wrong answers are
_HERE = plain_do("C")  # by degrees alone, wherever do is


def along(a: Analysis, count: int, chance: Chance, first: int = 0) -> tuple[Question, ...]:
    """Questions on the moves of a song in their order, beginning with the `first` (from 0).
    PracticeError where the song has too few tones."""
    moves = list(_moves(a))
    tones = sorted(
        {two for _, two, _, _ in moves} | {one for one, _, _, _ in moves}, key=lambda d: d.semitones
    )
    if len(tones) < CHOICES or first >= len(moves):
        raise PracticeError("round_song_too_small", value=len(moves))
    asked = moves[first : first + count]
    places = fair_row(len(asked), CHOICES, chance)
    return tuple(
        Question(
            because("ask_along", tone=Tone(str(one)), bar=sounds[0].bar),
            placed(Choice(_says(one, two)), [Choice(_says(one, o)) for o in _near(two, tones, chance)], at),
            at,
            because("ask_along_why", move=_says(one, two)),
            heard=(_row(sounds[:1]),),
            after=(_row(sounds),),
        )
        for (one, two, *sounds), at in zip(asked, places, strict=True)
    )


def _moves(a: Analysis) -> Iterator[tuple[Degree, Degree, Sound, Sound]]:
    for phrase in a.phrases:
        for one, two in neighbours(a.timeline, phrase):
            here, there = a.degree(one), a.degree(two)
            if here is not None and there is not None:
                yield here, there, one, two


def _says(one: Degree, two: Degree) -> Reason:
    """From a tone to the next: stays, or a step, skip or leap up or down, and where it lands."""
    if one == two:
        return because("says_stays", tone=Tone(str(two)))
    kind = move(_HERE.sounding(one), _HERE.sounding(two))
    side = because("side_up" if two.semitones > one.semitones else "side_down")
    return because("says_moves", kind=because(f"move_{kind}"), side=side, tone=Tone(str(two)))


def _near(right: Degree, tones: Sequence[Degree], chance: Chance) -> list[Degree]:
    """Other tones of the song, near to where it lands."""
    rest = sorted((t for t in tones if t != right), key=lambda t: abs(t.semitones - right.semitones))[:NEAR]
    return [rest.pop(chance.below(len(rest))) for _ in range(CHOICES - 1)]


def _row(sounds: Sequence[Sound]) -> Row:
    start = sounds[0].onset
    return tuple(
        Heard(None, sound.pitch.midi if sound.pitch else None, (sound.onset - start) / sound.meter.beat,
              max(sound.beats, Fraction(1, 2)))
        for sound in sounds
    )  # fmt: skip
