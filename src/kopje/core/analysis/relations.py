"""How a phrase differs from the one it is like, told exactly. Source: docs/sources.md#phrases."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass

from kopje.core.analysis.analysis import Analysis
from kopje.core.analysis.phrases import first_bar_line
from kopje.core.analysis.timeline import Sound
from kopje.core.exact import Fraction
from kopje.core.reasons import Listed, Reason, because
from kopje.core.reasons import Tone as ToneName

MOST_NAMED = 3


@dataclass(frozen=True, slots=True)
class Relation:
    """Phrase `phrase` (from 0) beside the earlier phrase `like` that has its letter; what is other in it, in
    order."""

    phrase: int
    like: int
    differences: tuple[Reason, ...]
    reason: Reason


def relations(a: Analysis) -> tuple[Relation, ...]:
    """One for each phrase whose letter came before; tones are marked so that they can be said in a school's
    words."""
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
    if moved is not None:
        return Relation(index, like, (moved,), because("phrase_moved", name=name, base=base, moved=moved))
    found = tuple(_differences(a, mine, other))
    if not found:
        return Relation(index, like, (), because("phrase_same", name=name, number=like + 1))
    named = Listed(found[:MOST_NAMED], by="semicolon")
    reason = because(
        "phrase_differs",
        name=name,
        base=base,
        count=len(found),
        named=named,
        more=int(len(found) > MOST_NAMED),
    )
    return Relation(index, like, found, reason)


Placed = Mapping[Fraction, Sound]


def _placed(a: Analysis, index: int) -> Placed:
    """Attacks of a phrase by their place in quarters from its first bar line."""
    phrase = a.phrases[index]
    part = a.timeline[phrase.first : phrase.stop]
    line = first_bar_line(part)
    return {sound.onset - line: sound for sound in part if sound.attack}


def _moved(mine: Placed, other: Placed) -> Reason | None:
    """The same rhythm with every tone moved by one number of letters: “a third lower”; None otherwise."""
    if not mine or set(mine) != set(other):
        return None
    steps = {
        one.pitch.step - two.pitch.step if one.pitch and two.pitch else None
        for one, two in ((mine[place], other[place]) for place in mine)
    }
    step = steps.pop()
    if steps or not step or any(mine[place].duration != other[place].duration for place in mine):
        return None
    return because("moved_by", steps=abs(step), way="up" if step > 0 else "down")


def _differences(a: Analysis, mine: Placed, other: Placed) -> Iterator[Reason]:
    last = max(mine, default=Fraction(0))
    for place in sorted({*mine, *other}):
        one, two = mine.get(place), other.get(place)
        if one and two:
            where, tone = _where(one, place, place == last), _tone(a, one)
            if a.degree(one) != a.degree(two):
                yield because("differs_tone", tone=tone, instead=_tone(a, two), where=where)
            elif one.duration != two.duration and not _split_after(mine, other, place):
                longer = "differs_longer" if one.duration > two.duration else "differs_shorter"
                yield because(longer, tone=tone, where=where)
        elif one:
            held = _holder(other, place)
            if held is not None and a.degree(held) == a.degree(one):
                yield because("differs_split", tone=_tone(a, one), where=_where(one, place, False))
            else:
                yield because("differs_added", tone=_tone(a, one), where=_where(one, place, place == last))
        elif two:
            held = _holder(mine, place)
            if held is not None and a.degree(held) == a.degree(two):
                yield because("differs_joined", tone=_tone(a, two), where=_where(held, place, False))
            else:
                yield because("differs_left_out", tone=_tone(a, two), before=_before(a, mine, place))


def _split_after(mine: Placed, other: Placed, place: Fraction) -> bool:
    """Whether the length differs only because one of the two phrases has more attacks from here on."""
    ends = {place + mine[place].duration, place + other[place].duration}
    return any(end in mine or end in other for end in ends)


def _holder(placed: Placed, place: Fraction) -> Sound | None:
    """The sound that is held at a place."""
    return next((s for at, s in placed.items() if at < place < at + s.duration), None)


def _before(a: Analysis, placed: Placed, place: Fraction) -> Reason | ToneName:
    earlier = [at for at in placed if at < place]
    return _tone(a, placed[max(earlier)]) if earlier else because("the_beginning")


def _tone(a: Analysis, sound: Sound) -> Reason | ToneName:
    degree = a.degree(sound)
    return ToneName(str(degree)) if degree is not None else because("a_sound")


def _where(sound: Sound, place: Fraction, last: bool) -> Reason:
    if last:
        return because("where_last")
    if place < 0:
        return because("where_upbeat")
    beat = sound.place / sound.meter.beat
    on = int(beat.denominator == 1)
    return because("where_bar", bar=sound.bar, on=on, beat=int(beat) + 1)
