"""A tune as MEI, the only input that the engraver is ever given. Note ids are n0, n1, … in printed order."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass, field, replace
from functools import cached_property
from itertools import groupby
from xml.sax.saxutils import escape, quoteattr

from kopje.core.analysis.layers import Hand
from kopje.core.errors import EngravingError
from kopje.core.exact import Fraction
from kopje.core.music.clef import Clef, clef_of
from kopje.core.music.meter import Meter
from kopje.core.music.navigation import AT_HEAD, WRITTEN
from kopje.core.music.note_values import plain, symbols, tuplet
from kopje.core.music.score import Part, Score, padded
from kopje.core.music.tune import Bar, Key, Note, Tune

_DURATIONS = {
    Fraction(32): "maxima",
    Fraction(16): "long",
    Fraction(8): "breve",
    Fraction(4): "1",
    Fraction(2): "2",
    Fraction(1): "4",
    Fraction(1, 2): "8",
    Fraction(1, 4): "16",
    Fraction(1, 8): "32",
    Fraction(1, 16): "64",
}
_BARLINES = {"single": "single", "double": "dbl", "final": "end", "repeat": "rptend", "none": "invis"}
_ARTICULATIONS = {"staccato": "stacc", "accent": "acc", "tenuto": "ten"}
_LOUDER = {"crescendo": "cresc.", "diminuendo": "dim."}
LETTERS_A_ROW = 2  # two neighbouring letters share a row of hands, the lower one half a row down
Joined = frozenset[int]  # numbers of verses
NONE_JOINED: Joined = frozenset()
NO_NOTES: frozenset[int] = frozenset()
_ACCIDENTALS = {1: "s", -1: "f", 2: "x", -2: "ff", 3: "xs", -3: "tf"}


@dataclass(frozen=True, slots=True)
class _Placed:
    """A printed note with its id, its place in the bar, and the part of it that one symbol can show."""

    id: str
    place: Fraction
    note: Note
    written: str
    dots: int
    tie: str
    goes_on: Joined  # the verses whose word began on a note before
    holds: Joined  # the verses whose syllable is held on over the next note
    name: str = ""  # of its part, before its id
    accidental: str = ""  # the sign in front of it; empty where the signature or the bar says it already


@dataclass(frozen=True)
class StaffLook:
    """How a staff looks other than usual: its `clef`; without any clef so many `lines`, on which notes stand at
    their `places` by the index of printed notes (1 is line 1, 2 space 1), do's own place marked at the head;
    `sticks`: notes of a beat and less without their heads; `meter`: whether it stands there; `hidden`
    notes leave their place empty."""

    clef: Clef | None = None
    lines: int = 5
    places: Mapping[int, int] = field(default_factory=dict)
    do: int | None = None
    do_name: str = "do"
    sticks: bool = False
    meter: bool = True
    hidden: frozenset[int] = frozenset()


@dataclass(frozen=True)
class Under:
    """What stands under the notes, lines of our own nearest to the staff, then the words; how the staff looks."""

    lines: tuple[Mapping[int, str], ...] = ()
    words: bool = True
    hands: Mapping[int, Hand] = field(default_factory=dict)  # the page draws hands in place of the syllables
    phrases: tuple[tuple[int, int, str], ...] = ()  # first note, last note, letter
    rests: Mapping[int, str] = field(default_factory=dict)  # what is spoken in a rest
    staff: StaffLook | None = None

    @cached_property
    def hand_rows(self) -> int:
        """Rows that the hands take, one of them free below the staff and one above the words."""
        return max(hand.below for hand in self.hands.values()) // LETTERS_A_ROW + 3 if self.hands else 0


def mei(tune: Tune, under: Under = Under()) -> str:
    """The whole tune; EngravingError when nothing of it can be written. `under.lines` go by the index of
    printed notes."""
    return mei_score(Score.solo(tune), 0, under)


def mei_score(score: Score, focus: int = 0, under: Under = Under()) -> str:
    """All parts, one staff each. What is `under` belongs to the part in focus, whose notes are n0, n1, …;
    those of the part with index 2 are p2n0, … and its staves dim-2-0, … bar by bar."""
    score = padded(score)
    tune = score.parts[focus].tune
    if not tune.bars:
        raise EngravingError("engraving_nothing")
    first = tune.bars[0]
    look = under.staff or StaffLook()
    staves = "".join(_staff(part, n, len(score.parts), look) for n, part in enumerate(score.parts, 1))
    signature = "" if look.places else _signature(first.key)
    signature += _meter(first.meter) if look.meter else ""
    symbol = ' symbol="bracket"' if len(score.parts) > 1 else ""
    return (
        '<?xml version="1.0" encoding="UTF-8"?><mei xmlns="http://www.music-encoding.org/ns/mei" meiversion="5.1"><music><body><mdiv>'
        f"<score><scoreDef{signature}><staffGrp{symbol}>{staves}</staffGrp>"
        f"</scoreDef><section>{_do_at_head(look)}{''.join(_measures(score, focus, under))}</section></score></mdiv></body></music></mei>"
    )


def _staff(part: Part, number: int, parts: int, look: StaffLook) -> str:
    """A part without any pitch stands on one line; its name stands before the first staff."""
    name = f"<label>{escape(part.name or str(number))}</label>" if parts > 1 else ""
    if not part.pitched:
        return f'<staffDef n="{number}" lines="1" clef.shape="perc">{name}</staffDef>'
    if look.places:
        return f'<staffDef n="{number}" lines="{look.lines}">{name}</staffDef>'
    clef = (
        'clef.shape="G" clef.line="2"'
        if (look.clef or clef_of(part.tune)) == "G"
        else 'clef.shape="F" clef.line="4"'
    )
    return f'<staffDef n="{number}" lines="5" {clef}>{name}</staffDef>'


def _do_at_head(look: StaffLook) -> str:
    """Where do lies, marked before the first bar."""
    if not look.places or look.do is None:
        return ""
    sign = (
        f'<note dur="4" loc="{look.do - 1}" head.shape="square" stem.visible="false" type="do-place">'
        f'<verse n="1" type="layer"><syl>{escape(look.do_name)}</syl></verse></note>'
    )
    return (
        '<measure n="0" metcon="false" right="invis"><staff n="1"><layer n="1">'
        f"{sign}</layer></staff></measure>"
    )


def _signature(key: Key | None) -> str:
    fifths = key.fifths if key else 0
    if fifths == 0 or abs(fifths) > 7:
        return ' keysig="0"'
    return f' keysig="{abs(fifths)}{"s" if fifths > 0 else "f"}"'


def _meter(meter: Meter) -> str:
    symbol = f' meter.sym="{meter.symbol}"' if meter.symbol else ""
    return f' meter.count="{meter.upper}" meter.unit="{meter.lower}"{symbol}'


def _measures(score: Score, focus: int, under: Under) -> Iterator[str]:
    """Bar by bar, what stands in it of each part; bar lines and signs are those of the part in focus."""
    rows = [
        list(
            _contents(
                part.tune, under if n == focus else Under(words=under.words), "" if n == focus else f"p{n}"
            )
        )
        for n, part in enumerate(score.parts)
    ]
    last: Bar | None = None
    counter, firsts = 0, [0] * len(score.parts)
    for index, bar in enumerate(score.parts[focus].tune.bars):
        if last is not None and (bar.key != last.key or bar.meter != last.meter):
            yield f"<scoreDef{_signature(bar.key)}{_meter(bar.meter)}/>"
        if last is not None and last.line_end:
            yield "<sb/>"
        notes = range(counter, counter + len(bar.notes))
        staff = focus + 1
        above = [*_phrases(under, notes), *_navigation(bar, staff), *_spoken_rests(under, notes)]
        for n, part in enumerate(score.parts):
            own = part.tune.bars[index]
            above += _signs_at(own, firsts[n], "" if n == focus else f"p{n}")
            firsts[n] += len(own.notes)
        counter += len(bar.notes)
        left = ' left="rptstart"' if bar.left == "repeat" else ""
        metcon = "" if bar.length == bar.meter.length else ' metcon="false"'
        staves = "".join(
            f'<staff{_dim(n, index) if n != focus else ""} n="{n + 1}"><layer n="1">{row[index]}</layer></staff>'
            for n, row in enumerate(rows)
        )
        right = _BARLINES[bar.right]
        yield f'<measure n="{bar.number}"{metcon}{left} right="{right}">{staves}{"".join(above)}</measure>'
        last = bar


def _dim(part: int, bar: int) -> str:
    """By this id the page lets a staff stand back while another part is looked at."""
    return f' xml:id="dim-{part}-{bar}"'


def _contents(tune: Tune, under: Under, name: str) -> Iterator[str]:
    """The notes of one part, bar by bar; `name` goes before the ids of its notes."""
    counter = 0
    joined = NONE_JOINED
    held = _held(tune)
    for bar in tune.bars:
        placed = _placed(bar, counter, joined, held)
        for note in bar.notes:
            joined = _joined(note, joined)
        counter += len(bar.notes)
        yield "".join(_tupleted([replace(one, name=name) for one in placed] if name else placed, bar, under))


def _navigation(bar: Bar, staff: int) -> Iterator[str]:
    """Where a singer goes on, in words above the bar: at its head, or over its last beat."""
    for sign in bar.signs:
        place = "1" if sign in AT_HEAD else str(max(int(bar.length / bar.meter.beat), 1))
        yield f'<dir tstamp="{place}" place="above" staff="{staff}"><rend fontstyle="italic">{WRITTEN[sign]}</rend></dir>'


def _signs_at(bar: Bar, first: int, name: str) -> Iterator[str]:
    """Fermatas over notes, loudness below them."""
    for index, note in enumerate(bar.notes, first):
        for mark in note.marks:
            if mark == "fermata":
                yield f'<fermata startid="#{name}n{index}" place="above"/>'
            elif mark in _LOUDER:
                yield f'<dynam startid="#{name}n{index}" place="above">{_LOUDER[mark]}</dynam>'
            elif mark not in _ARTICULATIONS:
                yield f'<dynam startid="#{name}n{index}" place="above">{mark}</dynam>'


def _spoken_rests(under: Under, notes: range) -> Iterator[str]:
    """A rest takes no line of words, so its word hangs below it."""
    for note in notes:
        if note in under.rests:
            yield f'<dir startid="#n{note}" place="below" type="layer">{escape(under.rests[note])}</dir>'


def _phrases(under: Under, notes: range) -> Iterator[str]:
    """A bow over each phrase that begins in a bar, its letter at the head."""
    for first, last, letter in under.phrases:
        if first in notes:
            yield f'<dir startid="#n{first}" place="above" type="phrase"><rend fontweight="bold" fontstyle="normal">{escape(letter)}</rend></dir>'
            if last != first:
                yield f'<phrase startid="#n{first}" endid="#n{last}" curvedir="above"/>'


def _joined(note: Note, joined: Joined) -> Joined:
    """The verses whose word goes on behind a note."""
    said = {syllable.verse for syllable in note.syllables}
    return (joined - said) | {syllable.verse for syllable in note.syllables if syllable.joins}


def _held(tune: Tune) -> list[Joined]:
    """For each printed note the verses whose syllable, the last of its word, lasts over more tones until the
    next syllable.

    Where no syllable follows before a rest the words have only stopped, and no line is drawn.
    """
    found: list[Joined] = []
    follows = later = NONE_JOINED  # sung on the next tone; sung somewhere behind it before a rest
    for _, _, note in reversed(list(tune.notes())):
        found.append(frozenset(s.verse for s in note.syllables if not s.joins) & later - follows)
        if note.kind == "rest":
            follows = later = NONE_JOINED
        elif not note.tie_in:
            follows = frozenset(syllable.verse for syllable in note.syllables)
            later |= follows
    return found[::-1]


def _placed(bar: Bar, counter: int, joined: Joined, held: list[Joined]) -> list[_Placed]:
    found = []
    place = bar.offset if bar.number else bar.meter.length - bar.length
    signs = _signs(bar)
    for index, note in enumerate(bar.notes):
        parts = [(size, _DURATIONS[value], dots) for size, value, dots in symbols(plain(note.duration))]
        at = place
        for part, (length, written, dots) in enumerate(parts):
            found.append(
                _Placed(
                    f"n{counter + index}" + (f"-{part}" if part else ""),
                    at,
                    note,
                    written,
                    dots,
                    _tie(note, part, len(parts)),
                    joined,
                    held[counter + index],
                    accidental="" if part else signs[index],
                )
            )
            at += length
        place += note.duration
        joined = _joined(note, joined)
    return found


def _signs(bar: Bar) -> list[str]:
    """The accidental of each note of a bar: where it differs from the signature, or from what the bar had in
    this octave.

    A note tied over the bar line carries its sign with it; a later one of the same pitch needs its own.
    """
    stated = bar.key.alters if bar.key and abs(bar.key.fifths) <= 7 else {}
    here: dict[tuple[str, int], int] = {}
    signs = []
    for index, note in enumerate(bar.notes):
        pitch = note.pitch
        if pitch is None or (note.tie_in and index == 0):
            signs.append("")
            continue
        place = (pitch.letter, pitch.octave)
        in_force = here.get(place, stated.get(pitch.letter, 0))
        signs.append(_ACCIDENTALS.get(pitch.alter, "n") if pitch.alter != in_force else "")
        here[place] = pitch.alter
    return signs


def _tie(note: Note, part: int, parts: int) -> str:
    if note.kind != "note":
        return ""
    comes, goes = note.tie_in or part > 0, note.tie_out or part < parts - 1
    return {(True, True): "m", (True, False): "t", (False, True): "i"}.get((comes, goes), "")


def _tupleted(placed: list[_Placed], bar: Bar, under: Under) -> Iterator[str]:
    for ratio, group in groupby(placed, key=lambda item: tuplet(item.note.duration)):
        items = list(group)
        inside = "".join(_beamed(items, bar.meter, under))
        if ratio:
            yield f'<tuplet num="{ratio[0]}" numbase="{ratio[1]}">{inside}</tuplet>'
        else:
            yield inside


def _beamed(items: Iterable[_Placed], meter: Meter, under: Under) -> Iterator[str]:
    """Short notes of one beat under one beam."""
    run: list[_Placed] = []
    for item in items:
        joins = item.note.kind != "rest" and item.written in ("8", "16", "32", "64")
        if run and (not joins or item.place // meter.beat != run[0].place // meter.beat):
            yield _run(run, under)
            run = []
        if joins:
            run.append(item)
        else:
            yield _note(item, under)
    if run:
        yield _run(run, under)


def _run(run: list[_Placed], under: Under) -> str:
    notes = [_note(item, under) for item in run]
    inside = "".join(notes)
    seen = sum(not one.startswith("<space") for one in notes)
    return f"<beam>{inside}</beam>" if seen > 1 else inside


def _note(item: _Placed, under: Under) -> str:
    note, dots = item.note, f' dots="{item.dots}"' if item.dots else ""
    shared = f'xml:id="{item.name}{item.id}" dur="{item.written}"{dots}'
    hidden = under.staff.hidden if under.staff is not None else NO_NOTES
    if int(item.id[1:].split("-")[0]) in hidden:
        return f'<space dur="{item.written}"{dots}/>'
    if note.kind == "rest":
        return f'<mRest xml:id="{item.name}{item.id}"/>' if note.fills_bar else f"<rest {shared}/>"
    tie = f' tie="{item.tie}"' if item.tie else ""
    drawn = " ".join(_ARTICULATIONS[mark] for mark in note.marks if mark in _ARTICULATIONS)
    tie += f' artic="{drawn}"' if drawn and "-" not in item.id else ""
    look = under.staff
    if look is not None and "-" not in item.id and (place := look.places.get(int(item.id[1:]))) is not None:
        return f'<note {shared} loc="{place - 1}"{tie}>{"".join(_lines(item, under))}</note>'
    if note.pitch is None:
        if look is not None and look.sticks and item.written not in ("1", "2", "breve"):
            shared += ' head.visible="false"'
        return f'<note {shared} loc="0"{tie}>{"".join(_lines(item, under))}</note>'
    pitch = note.pitch
    gestural = _ACCIDENTALS.get(pitch.alter)
    accidental = (
        f' accid="{item.accidental}"' if item.accidental else f' accid.ges="{gestural}"' if gestural else ""
    )
    verses = "".join(_lines(item, under))
    return (
        f'<note {shared} pname="{pitch.letter.lower()}" oct="{pitch.octave}"{accidental}{tie}>{verses}</note>'
    )


def _lines(item: _Placed, under: Under) -> Iterator[str]:
    if "-" in item.id:
        return
    index = int(item.id[1:])
    hand = under.hands.get(index)
    if hand:
        row, lower = divmod(hand.below, LETTERS_A_ROW)
        kind = "layer hand lower" if lower else "layer hand"
        yield f'<verse n="{row + 2}" type="{kind}"><syl>{escape(hand.tone)}</syl></verse>'
    rows = under.hand_rows
    for number, line in enumerate(under.lines, rows + 1):
        text = line.get(index)
        if text:
            yield f'<verse n="{number}" type="layer"><syl>{escape(text)}</syl></verse>'
    if under.words:
        yield from _verses(item, rows + len(under.lines))


def _verses(item: _Placed, below: int) -> Iterator[str]:
    for syllable in item.note.syllables[:4]:
        place = {(False, True): "i", (True, True): "m", (True, False): "t"}.get(
            (syllable.verse in item.goes_on, syllable.joins)
        )
        word = f' wordpos="{place}"' if place else ""
        hyphen = ' con="d"' if syllable.joins else ' con="u"' if syllable.verse in item.holds else ""
        yield f"<verse n={quoteattr(str(syllable.verse + below))}><syl{word}{hyphen}>{escape(syllable.text)}</syl></verse>"
