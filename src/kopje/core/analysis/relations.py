"""How a phrase differs from the one it is like, told exactly. Source: docs/sources.md#phrases."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass

from kopje.core.analysis.analysis import Analysis
from kopje.core.analysis.phrases import first_bar_line
from kopje.core.analysis.timeline import Sound
from kopje.core.exact import Fraction
from kopje.core.reasons import counted

MOST_NAMED = 3
INTERVALS = {1: "step", 2: "third", 3: "fourth", 4: "fifth", 5: "sixth", 6: "seventh", 7: "octave"}


@dataclass(frozen=True, slots=True)
class Relation:
    """Phrase `phrase` (from 0) beside the earlier phrase `like` that has its letter; what is other in it, in order."""

    phrase: int
    like: int
    differences: tuple[str, ...]
    sentence: str


def relations(a: Analysis) -> tuple[Relation, ...]:
    """One for each phrase whose letter came before; tones are marked so that they can be said in a school's words."""
    found: list[Relation] = []
    first_of: dict[str, int] = {}
    for index, phrase in enumerate(a.phrases):
        letter = phrase.label.rstrip("'")
        like = first_of.get(phrase.label, first_of.get(letter))
        if like is not None:
            found.append(_relation(a, index, like))
        first_of.setdefault(phrase.label, index)
        first_of.setdefault(letter, index)
    return tuple(found)


def _relation(a: Analysis, index: int, like: int) -> Relation:
    mine, other = _placed(a, index), _placed(a, like)
    name, base = a.phrases[index].label, a.phrases[like].label
    moved = _moved(mine, other)
    if moved:
        said = f"{name} is {base}, {moved}."
        return Relation(index, like, (moved,), said)
    differences = tuple(_differences(a, mine, other))
    if not differences:
        said = f"{name} is the same as phrase {like + 1}."
    elif len(differences) > MOST_NAMED:
        said = f"{name} differs from {base} in {counted(len(differences), 'place')}: {'; '.join(differences[:MOST_NAMED])} …"
    else:
        said = f"{name} differs from {base}: {'; '.join(differences)}."
    return Relation(index, like, differences, said)


Placed = Mapping[Fraction, Sound]


def _placed(a: Analysis, index: int) -> Placed:
    """Attacks of a phrase by their place in quarters from its first bar line."""
    phrase = a.phrases[index]
    part = a.timeline[phrase.first : phrase.stop]
    line = first_bar_line(part)
    return {sound.onset - line: sound for sound in part if sound.attack}


def _moved(mine: Placed, other: Placed) -> str:
    """The same rhythm with every tone moved by one number of letters: `a third lower`; empty otherwise."""
    if not mine or set(mine) != set(other):
        return ""
    steps = {
        one.pitch.step - two.pitch.step if one.pitch and two.pitch else None
        for one, two in ((mine[place], other[place]) for place in mine)
    }
    step = steps.pop()
    if steps or not step or any(mine[place].duration != other[place].duration for place in mine):
        return ""
    size = INTERVALS.get(abs(step), f"{abs(step)} steps")
    return f"{'an' if size == 'octave' else 'a'} {size} {'higher' if step > 0 else 'lower'}"


def _differences(a: Analysis, mine: Placed, other: Placed) -> Iterator[str]:
    last = max(mine, default=Fraction(0))
    for place in sorted({*mine, *other}):
        one, two = mine.get(place), other.get(place)
        if one and two:
            where = _where(one, place, place == last)
            if a.degree(one) != a.degree(two):
                yield f"{_tone(a, one)} instead of {_tone(a, two)} {where}"
            elif one.duration != two.duration and not _split_after(mine, other, place):
                longer = "longer" if one.duration > two.duration else "shorter"
                yield f"{_tone(a, one)} is {longer} {where}"
        elif one:
            held = _holder(other, place)
            if held is not None and a.degree(held) == a.degree(one):
                yield f"{_tone(a, one)} is split for a syllable {_where(one, place, False)}"
            else:
                yield f"{_tone(a, one)} is added {_where(one, place, place == last)}"
        elif two:
            held = _holder(mine, place)
            if held is not None and a.degree(held) == a.degree(two):
                yield f"two tones {_tone(a, two)} are joined {_where(held, place, False)}"
            else:
                yield f"{_tone(a, two)} is left out after {_before(a, mine, place)}"


def _split_after(mine: Placed, other: Placed, place: Fraction) -> bool:
    """Whether the length differs only because one of the two phrases has more attacks from here on."""
    ends = {place + mine[place].duration, place + other[place].duration}
    return any(end in mine or end in other for end in ends)


def _holder(placed: Placed, place: Fraction) -> Sound | None:
    """The sound that is held at a place."""
    return next((s for at, s in placed.items() if at < place < at + s.duration), None)


def _before(a: Analysis, placed: Placed, place: Fraction) -> str:
    earlier = [at for at in placed if at < place]
    return _tone(a, placed[max(earlier)]) if earlier else "the beginning"


def _tone(a: Analysis, sound: Sound) -> str:
    return f"‹{a.degree(sound)}›" if sound.pitch else "a sound"


def _where(sound: Sound, place: Fraction, last: bool) -> str:
    if last:
        return "on the last tone"
    if place < 0:
        return "in the upbeat"
    beat = sound.place / sound.meter.beat
    when = "on" if beat.denominator == 1 else "after"
    return f"in bar {sound.bar} {when} beat {int(beat) + 1}"
