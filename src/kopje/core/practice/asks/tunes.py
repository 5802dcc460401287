"""Questions for the ear about tunes: which line, which tones, which home, with or without its sign.

Source: docs/sources.md#rounds.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import replace
from itertools import combinations

from kopje.core.errors import PracticeError
from kopje.core.exact import Fraction
from kopje.core.music.degree import Degree, Do, plain_do
from kopje.core.practice.asks.ears import ROW, Ear, enough, other_tone
from kopje.core.practice.asks.question import Bent, Choice, Question, Row, fair_row, heard, placed
from kopje.core.practice.reading.chance import Chance
from kopje.core.practice.reading.given import Offer, Wish, made_of
from kopje.core.practice.reading.make import Made
from kopje.core.reasons import Listed, Tone, because

BARS = 2
LINES = 3  # to choose from
OF_A_SET = 3
TRIES = 40
NEAR = 3  # letters around a tone that is to come
PLAIN = ("quarter", "two_eighths")
FORGOTTEN = {"fa": 1, "ti": -1}  # half steps, where its sign is left out
SIGNED = {"F": "fa", "Bb": "fa", "G": "ti", "D": "ti"}  # where do lies there, this tone has the sign


def which_line(ear: Ear, count: int, chance: Chance) -> Iterator[Question]:
    """Which of three lines was it? The others differ in a tone or two."""
    enough(ear, 2)
    for answer in fair_row(count, LINES, chance):
        made = short_line(ear, chance)
        others = unlike(ear, made, chance)
        if len(others) < LINES - 1:
            raise PracticeError("round_few_tones", value=len(ear.tones))
        yield Question(
            because("ask_line"),
            placed(_lined(made), [_lined(one) for one in others[: LINES - 1]], answer),
            answer,
            because("ask_line_why", tones=_listed(made)),
            orient=ear.orient(),
            heard=(heard(made),),
        )


def _lined(made: Made) -> Choice:
    return Choice(because("says_this_line"), made)


def _listed(made: Made) -> Listed:
    return Listed(tuple(Tone(str(e.degree)) for e in made.voices[0] if e.degree), by="space")


def short_line(ear: Ear, chance: Chance, tones: Sequence[str] = (), home: str = "") -> Made:
    """Two bars of the class's own tones and figures, or of the named tones with their home."""
    named = tuple(tones) or tuple(str(tone) for tone in ear.tones)
    offer = Offer("melody", "", named, ear.figures or PLAIN, ear.meters or ("2/4",), named, home=home)
    wish = Wish("melody", "", BARS, do=str(ear.do), plain=True)
    return made_of(offer, wish, chance.below(2**31), ear.voice)


def unlike(ear: Ear, made: Made, chance: Chance) -> list[Made]:
    """Lines that differ from it in one tone, and one from the other."""
    found: list[Made] = []
    events = made.voices[0]
    sung = [n for n, event in enumerate(events) if event.degree]
    for _ in range(TRIES):
        at = chance.pick(sung)
        degree = events[at].degree
        if degree is None or degree not in ear.tones:
            continue
        other = replace(events[at], degree=other_tone(ear, degree, chance))
        line = replace(made, voices=((*events[:at], other, *events[at + 1 :]),))
        if line not in found and line != made:
            found.append(line)
    return found


def which_tones(ear: Ear, count: int, chance: Chance) -> Iterator[Question]:
    """Which tones does it use?"""
    size = min(OF_A_SET, len(ear.tones) - 1)
    sets = list(combinations(ear.tones, size))
    if size < 2 or len(sets) < LINES:
        raise PracticeError("round_few_tones", value=len(ear.tones))
    for answer in fair_row(count, LINES, chance):
        right = chance.pick(sets)
        others = [one for one in sets if one != right]
        wrong = [others.pop(chance.below(len(others))) for _ in range(LINES - 1)]
        row = [*right, *(chance.pick(right) for _ in range(ROW - 1))]
        row = [row.pop(chance.below(len(row))) for _ in range(len(row))]
        yield Question(
            because("ask_tones"),
            placed(_set(right), [_set(one) for one in wrong], answer),
            answer,
            because("ask_tones_why", tones=Listed(tuple(Tone(str(tone)) for tone in row), by="space")),
            orient=ear.orient(),
            heard=(ear.row(row),),
        )


def _set(tones: Sequence[Degree]) -> Choice:
    return Choice(because("says_tones", tones=Listed(tuple(Tone(str(tone)) for tone in tones), by="space")))


HOMES = ("do", "la", "both")
MAJOR_TONES, MINOR_TONES = ("do", "re", "mi", "fa", "so"), ("la,", "ti,", "do", "re", "mi")


def homes(ear: Ear, count: int, chance: Chance) -> Iterator[Question]:
    """Major or minor; in a mixed one do is home first and then la. The tonic pattern sounds before each, in
    its own tonality."""
    for answer in fair_row(count, len(HOMES), chance):
        kind = HOMES[answer]
        rows = [
            heard(short_line(ear, chance, tones, home))
            for home, tones in (("do", MAJOR_TONES), ("la", MINOR_TONES))
            if kind in (home, "both")
        ]
        yield Question(
            because("ask_home"),
            tuple(Choice(because(f"says_home_{one}")) for one in HOMES),
            answer,
            because(f"ask_home_why_{kind}"),
            orient=ear.orient("la" if kind == "la" else "do"),
            heard=(_joined(rows),),
        )


def _joined(rows: Sequence[Row]) -> Row:
    """One after the other, without a gap."""
    found: list[Row] = []
    start = Fraction(0)
    for row in rows:
        found.append(tuple(replace(tone, start=tone.start + start) for tone in row))
        start += row[-1].start + row[-1].beats
    return tuple(tone for row in found for tone in row)


def with_its_sign(ear: Ear, count: int, chance: Chance) -> Iterator[Question]:
    """A tune with the sign that do's place asks for, or as it would be if that were forgotten."""
    names = {tone.syllable for tone in ear.tones if not tone.alter}
    dos = [letter for letter, tone in SIGNED.items() if tone in names]
    if not dos:
        raise PracticeError("round_no_sign", value=sorted(names))
    for answer in fair_row(count, 2, chance):
        there, made = _signed(ear, dos, chance)
        letter = str(there.do)
        forgotten = _forgotten(made, SIGNED[letter])
        sign = "flat" if SIGNED[letter] == "fa" else "sharp"
        yield Question(
            because("ask_sign", sign=because(f"sign_{sign}")),
            (Choice(because("says_with_sign")), Choice(because("says_without_sign"))),
            answer,
            because(
                f"ask_sign_why_{sign}", do=letter.replace("b", "♭"), tone=Tone(SIGNED[letter]),
                letter=made.do.sounding(Degree.parse(SIGNED[letter])).letter_name,
            ),
            orient=there.orient(),
            heard=(heard(forgotten if answer else made),),
            line=made,
            after=(heard(forgotten), heard(made)),
            bent=_bent(made.do, SIGNED[letter]),
        )  # fmt: skip


OCTAVE = ("do", "re", "mi", "fa", "so", "la", "ti", "do'")


def _bent(do: Do, tone: str) -> Bent:
    """Where the tone lies with its sign and without."""
    scale = tuple((degree, do.sounding(degree).midi) for degree in map(Degree.parse, OCTAVE))
    signed = do.sounding(Degree.parse(tone)).midi
    return Bent(scale, signed, signed + FORGOTTEN[tone])


def _signed(ear: Ear, dos: Sequence[str], chance: Chance) -> tuple[Ear, Made]:
    """A line with its sign: in one of these places of do, as far as the voice reaches there."""
    left = list(dos)
    while left:
        letter = left.pop(chance.below(len(left)))
        there = replace(ear, do=_octave_of(ear, letter))
        try:
            return there, _with_tone(there, SIGNED[letter], chance)
        except PracticeError:
            continue
    raise PracticeError("round_no_sign", value=dos)


def _octave_of(ear: Ear, letter: str) -> Do:
    """Do on another letter, as near as can be to where it was."""
    options = [plain_do(letter).at(octave) for octave in (3, 4, 5)]
    return min(options, key=lambda do: abs(do.pitch.midi - ear.do.pitch.midi))


def _with_tone(ear: Ear, tone: str, chance: Chance) -> Made:
    """A line in which the tone comes: of what lies around it."""
    here = next(one.step for one in ear.tones if one.syllable == tone and not one.alter)
    near = [str(one) for one in ear.tones if abs(one.step - here) <= NEAR or str(one) == "do"]
    for _ in range(TRIES):
        made = short_line(ear, chance, near)
        if any(event.degree and event.degree.syllable == tone for event in made.voices[0]):
            return made
    raise PracticeError("round_no_sign", value=tone)


def _forgotten(made: Made, tone: str) -> Made:
    """The same without its sign: the flat tone a half step higher, the sharp one lower."""
    by = FORGOTTEN[tone]
    events = tuple(
        replace(e, degree=replace(e.degree, alter=by)) if e.degree and e.degree.syllable == tone else e
        for e in made.voices[0]
    )
    return replace(made, voices=(events,))
