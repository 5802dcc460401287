"""Questions for the ear: up or down, step or skip, same or different, which line, which tones, which home,
with or without its sign.

Source: docs/sources.md#rounds.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from itertools import combinations, permutations

from kopje.core.analysis.key_choice import Voice
from kopje.core.analysis.motion import move
from kopje.core.analysis.tonic import MAJOR, MINOR
from kopje.core.errors import PracticeError
from kopje.core.exact import Fraction
from kopje.core.music.degree import Degree, Do, plain_do
from kopje.core.practice.asks.question import Choice, Question, Row, fair_row, heard, placed, row_of
from kopje.core.practice.reading.chance import Chance
from kopje.core.practice.reading.given import Offer, Wish, made_of
from kopje.core.practice.reading.make import Made
from kopje.core.reasons import Listed, Tone, because

DIRECTIONS = ("up", "down", "same")
MOVES = ("repeat", "step", "skip", "leap")
BARS = 2
ROW = 4  # tones of a short row
LINES = 3  # to choose from
OF_A_SET = 3
TRIES = 40
NEAR = 3  # letters around a tone that is to come
PLAIN = ("quarter", "two_eighths")
SIGNED = {"F": "fa", "Bb": "fa", "G": "ti", "D": "ti"}  # where do lies there, this tone has the sign


@dataclass(frozen=True, slots=True)
class Ear:
    """What is played with: the tones that a class can name, from low to high, where do lies, its home, its
    figures, meters and voice."""

    tones: tuple[Degree, ...]
    do: Do
    home: str
    figures: tuple[str, ...]
    meters: tuple[str, ...]
    voice: Voice

    def row(self, degrees: Sequence[Degree], beats: Fraction = Fraction(1)) -> Row:
        return row_of(degrees, [self.do.sounding(degree).midi for degree in degrees], beats)

    def orient(self, home: str = "") -> Row:
        """The tonic pattern."""
        names = MINOR if (home or self.home) == "la" else MAJOR
        return self.row([Degree.parse(name) for name in names], Fraction(1, 2))

    def pairs(self) -> dict[str, list[tuple[Degree, Degree]]]:
        """Two tones one after the other, by how one moves to the other."""
        found: dict[str, list[tuple[Degree, Degree]]] = {}
        for tone in self.tones:
            found.setdefault("repeat", []).append((tone, tone))
        for one, two in permutations(self.tones, 2):
            kind = move(self.do.sounding(one), self.do.sounding(two))
            found.setdefault(kind, []).append((one, two))
        return found


def directions(ear: Ear, count: int, chance: Chance) -> Iterator[Question]:
    """Up, down or the same?"""
    _enough(ear, 2)
    by = {
        "same": [(tone, tone) for tone in ear.tones],
        "up": list(combinations(ear.tones, 2)),
        "down": [(two, one) for one, two in combinations(ear.tones, 2)],
    }
    for answer in fair_row(count, len(DIRECTIONS), chance):
        one, two = chance.pick(by[DIRECTIONS[answer]])
        yield Question(
            because("ask_direction"),
            tuple(Choice(because(f"says_{kind}")) for kind in DIRECTIONS),
            answer,
            because("ask_direction_why", one=Tone(str(one)), two=Tone(str(two))),
            heard=(ear.row((one, two)),),
        )


def moves(ear: Ear, count: int, chance: Chance) -> Iterator[Question]:
    """A step, a skip, a leap, or the same again, as far as these tones have them."""
    found = ear.pairs()
    kinds = [kind for kind in MOVES if found.get(kind)]
    if len(kinds) < 2:
        raise PracticeError("round_few_tones", value=kinds)
    for answer in fair_row(count, len(kinds), chance):
        one, two = chance.pick(found[kinds[answer]])
        yield Question(
            because("ask_move"),
            tuple(Choice(because(f"says_{kind}")) for kind in kinds),
            answer,
            because(f"ask_move_why_{kinds[answer]}", one=Tone(str(one)), two=Tone(str(two))),
            orient=ear.orient(),
            heard=(ear.row((one, two)),),
        )


def same_or_not(ear: Ear, count: int, chance: Chance) -> Iterator[Question]:
    """A short row twice, the second time perhaps with one other tone."""
    _enough(ear, 2)
    for answer in fair_row(count, 2, chance):
        row = _short(ear, chance)
        again, at = row, None
        if answer:
            at = chance.below(len(row))
            again = [*row[:at], _other(ear, row[at], chance), *row[at + 1 :]]
        why = (
            because("ask_same_why")
            if at is None
            else because("ask_other_why", n=at + 1, one=Tone(str(row[at])), two=Tone(str(again[at])))
        )
        yield Question(
            because("ask_same"),
            (Choice(because("says_same_row")), Choice(because("says_other_row"))),
            answer,
            why,
            orient=ear.orient(),
            heard=(ear.row(row), ear.row(again)),
        )


def _short(ear: Ear, chance: Chance) -> list[Degree]:
    """A row that moves: neighbours of the class's own tones are likelier than far ones."""
    row = [chance.pick(ear.tones)]
    while len(row) < ROW:
        here = ear.tones.index(row[-1])
        weights = [(1, 4, 3, 1)[min(abs(n - here), 3)] for n in range(len(ear.tones))]
        row.append(chance.pick(ear.tones, weights))
    return row


def _other(ear: Ear, tone: Degree, chance: Chance) -> Degree:
    """A tone near it: that is what must be told apart."""
    here = ear.tones.index(tone)
    return chance.pick([t for n, t in enumerate(ear.tones) if n != here and abs(n - here) <= 2])


def which_line(ear: Ear, count: int, chance: Chance) -> Iterator[Question]:
    """Which of three lines was it? The others differ in a tone or two."""
    _enough(ear, 2)
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
        other = replace(events[at], degree=_other(ear, degree, chance))
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
        )  # fmt: skip


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
    by = 1 if tone == "fa" else -1
    events = tuple(
        replace(e, degree=replace(e.degree, alter=by)) if e.degree and e.degree.syllable == tone else e
        for e in made.voices[0]
    )
    return replace(made, voices=(events,))


def _enough(ear: Ear, fewest: int) -> None:
    if len(ear.tones) < fewest:
        raise PracticeError("round_few_tones", value=len(ear.tones))
