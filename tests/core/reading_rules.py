"""The rules of an exercise to read, held to a score by other means than those that made it: pitches and
onsets only, no automaton. Written apart from `core/practice/reading`."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from fractions import Fraction
from itertools import combinations, pairwise

from kopje.core.analysis.elements import figures as named_figures
from kopje.core.music.degree import Degree, Do
from kopje.core.music.score import Score

ROWS = {  # number: parts, do, meters, figures, tones, skips, leaps
    1: (1, "F", "2/4 4/4", "quarter half", "do re mi", "", ""),
    2: (1, "F G", "2/4 4/4", "quarter half two_eighths beat_rest", "do re mi fa so", "", ""),
    3: (1, "C F G", "3/4 4/4", "+ dotted_half whole", "ti, do re mi fa so la", "", ""),
    4: (2, "C F G", "4/4", "quarter half whole", "do re mi fa so", "", ""),
    5: (2, "C F G", "3/4 4/4", "3", "so, la, ti, do re mi fa so la ti do'", "", ""),
    6: (1, "C F G", "3/4 4/4", "3 dotted_quarter_eighth", "5", "do mi so", ""),
    7: (2, "C F G D", "3/4 4/4", "6", "5", "do mi so", ""),
    8: (3, "C F G", "3/4 4/4", "3", "5", "do mi so", ""),
    9: (3, "C F G D Bb", "3/4 4/4", "6 four_sixteenths", "5 re' mi'", "do mi so;so ti re", ""),
    10: (3, "C F G D Bb A Eb", "3/4 4/4", "9 syncopation upbeat", "9", "do mi so;so ti re", "do so;so do'"),
    11: (3, "C F G", "3/4 4/4", "10", "mi, fa, so, si, la, ti, do re mi", "la do mi;mi si ti", ""),
    12: (3, "C F G D Bb A Eb E Ab", "3/4 4/4", "10 dotted_eighth_sixteenth", "9 fi te di",
         "do mi so;so ti re", "do so;so do'"),
}  # fmt: skip
VOICES = {1: [("D4", "F5")], 2: [("D4", "F5"), ("C4", "D5")], 3: [("D4", "F5"), ("C4", "D5"), ("A3", "C5")]}
TENDENCY = {"ti": 1, "si": 1, "fi": 1, "di": 1, "te": -1}


@dataclass(frozen=True)
class Tone:
    bar: int
    place: Fraction  # quarters
    onset: Fraction
    length: Fraction
    degree: Degree

    @property
    def end(self) -> Fraction:
        return self.onset + self.length


@dataclass(frozen=True)
class Level:
    number: int
    parts: int
    dos: list[str]
    meters: list[str]
    figures: set[str]
    tones: set[str]
    skips: list[list[str]]
    leaps: list[set[str]]


def level(number: int) -> Level:
    parts, dos, meters, figures, tones, skips, leaps = ROWS[number]
    found, there = set[str](), set[str]()
    for word in figures.split():
        found |= (
            level(number - 1).figures
            if word == "+"
            else level(int(word)).figures
            if word.isdigit()
            else {word}
        )
    for word in tones.split():
        there |= level(int(word)).tones if word.isdigit() else {word}
    triads = [one.split() for one in skips.split(";") if one]
    return Level(
        number,
        parts,
        dos.split(),
        meters.split(),
        found,
        there,
        triads,
        [set(p.split()) for p in leaps.split(";") if p],
    )


def broken(score: Score, number: int, do: Do) -> Iterator[str]:
    """Every rule of the level that the score breaks. `do`: where it lies, with the octave that is plain."""
    row = level(number)
    meter = score.parts[0].tune.bars[-1].meter
    if len(score.parts) != row.parts:
        yield "parts"
    if str(do) not in row.dos or str(meter) not in row.meters:
        yield f"do or meter {do} {meter}"
    voices = [list(_tones(score, n, do)) for n in range(len(score.parts))]
    for n, voice in enumerate(voices):
        yield from (f"part {n + 1}: {said}" for said in _alone(score, n, voice, row, do))
    yield from _ending(voices, row, str(meter))
    yield from _news(score, voices, number)
    for (a, upper), (b, lower) in combinations(enumerate(voices), 2):
        yield from (f"parts {a + 1} {b + 1}: {said}" for said in _pair(upper, lower))
    if row.parts > 1:
        yield from _together(voices, str(meter), row)


def _tones(score: Score, part: int, do: Do) -> Iterator[Tone]:
    onset = Fraction(0)
    for bar in score.parts[part].tune.bars:
        place = Fraction(0)
        if bar.number == 0:
            place = Fraction(bar.meter.length.numerator, bar.meter.length.denominator) - _f(bar.length)
        for note in bar.notes:
            if note.pitch is not None:
                yield Tone(bar.number, place, onset, _f(note.duration), do.degree(note.pitch))
            onset, place = onset + _f(note.duration), place + _f(note.duration)


def _f(value: object) -> Fraction:
    return Fraction(value.numerator, value.denominator)  # type: ignore[attr-defined]


def _alone(score: Score, part: int, voice: list[Tone], row: Level, do: Do) -> Iterator[str]:
    tune = score.parts[part].tune
    low, high = VOICES[row.parts][part]
    for tone in voice:
        if str(tone.degree) not in row.tones:
            yield f"tone {tone.degree}"
        pitch = do.sounding(tone.degree)
        if not _midi(low) <= pitch.midi <= _midi(high):
            yield f"range {pitch}"
    for figure in named_figures(tune):
        if figure.key not in row.figures:
            yield f"figure {figure.key} {figure.text} in bar {figure.bar}"
    yield from _bars(score, part)
    yield from _line([tone.degree for tone in voice], row)
    bars = max(tone.bar for tone in voice)
    size = 4 if bars % 4 == 0 else bars
    for start in range(1, bars + 1, size):
        here = [t.degree for t in voice if start <= max(t.bar, 1) < start + size]
        if len(_runs(here, max(d.semitones for d in here))) != 1:
            yield f"highest tone at more than one place from bar {start}"
    for second in range(2, bars + 1, 4):
        there = [t for t in voice if t.bar == second]
        if there and there[-1].degree.syllable == _home(row):
            yield f"bar {second} ends on the resting tone"


def _bars(score: Score, part: int) -> Iterator[str]:
    """Rests, and bars that are full."""
    tune = score.parts[part].tune
    kinds = [(note.kind, bar.number) for bar in tune.bars for note in bar.notes]
    if kinds[0][0] == "rest":
        yield "begins with a rest"
    if any(a[0] == b[0] == "rest" for a, b in pairwise(kinds)):
        yield "two rests"
    full = tune.bars[-1].meter.length
    upbeat = tune.bars[0].length if tune.bars[0].number == 0 else 0
    for bar in tune.bars:
        want = full if 0 < bar.number < tune.bars[-1].number else upbeat if bar.number == 0 else full - upbeat
        if bar.length != want:
            yield f"bar {bar.number} is {bar.length} long"


def _home(row: Level) -> str:
    return "la" if row.number == 11 else "do"


def _runs(line: list[Degree], height: int) -> list[int]:
    return [
        n for n, d in enumerate(line) if d.semitones == height and (n == 0 or line[n - 1].semitones != height)
    ]


def _line(line: list[Degree], row: Level) -> Iterator[str]:
    for run in zip(line, line[1:], line[2:], line[3:], strict=False):
        if len({d.semitones for d in run}) == 1:
            yield "four equal tones"
    for one, two in pairwise(line):
        if one != two and not _allowed(one, two, row):
            yield f"move {one} {two}"
        if {one.syllable, two.syllable} == {"fa", "si"}:
            yield "fa and si"
    short = [d for n, d in enumerate(line) if n == 0 or d != line[n - 1]]
    for n, degree in enumerate(short[:-1]):
        step = TENDENCY.get(degree.syllable)
        after = short[n + 1].semitones - degree.semitones
        leads = step is None or (after == step and abs(short[n + 1].step - degree.step) == 1)
        falls = (
            degree.syllable == "ti"
            and n > 0
            and short[n - 1].semitones - degree.semitones == 1
            and after == -2
        )
        if not leads and not falls:
            yield f"{degree} goes to {short[n + 1]}"
    if row.number == 11:
        for a, b, c in zip(short, short[1:], short[2:], strict=False):
            if str(b) == "so," and not a.semitones > b.semitones > c.semitones:
                yield "so not falling"
    turns = [
        b.syllable
        for a, b, c in zip(short, short[1:], short[2:], strict=False)
        if (b.semitones > a.semitones) != (c.semitones > b.semitones)
    ]
    if any({a, b} == {"ti", "fa"} for a, b in pairwise(turns)):
        yield "ti and fa turn one after the other"


def _allowed(one: Degree, two: Degree, row: Level) -> bool:
    letters = abs(one.step - two.step)
    if letters <= 1:
        return abs(one.semitones - two.semitones) <= 2
    if letters == 2:
        pair = {one.syllable, two.syllable}
        return any(pair in (set(t[:2]), set(t[1:])) for t in row.skips)
    return {str(one), str(two)} in row.leaps


def _ending(voices: list[list[Tone]], row: Level, meter: str) -> Iterator[str]:
    triad = ["la", "do", "mi"] if row.number == 11 else ["do", "mi", "so"]
    last = voices[-1][-1]
    in_bar = [t.length for t in voices[-1] if t.bar == last.bar]
    if last.degree.syllable != triad[0]:
        yield f"ends on {last.degree}"
    strong = {"2/4": (0, 1), "4/4": (0, 2)}.get(meter, (0,))
    if last.place not in strong or last.length < 1 or last.length < max(in_bar):
        yield f"end at {last.place} for {last.length}"
    if any(voice[-1].degree.syllable not in triad for voice in voices):
        yield "a part ends outside the triad"
    if row.parts == 3 and not any(voice[-1].degree.syllable == triad[1] for voice in voices):
        yield "no third at the end"
    if row.parts > 1 and row.number < 10:
        before = next(t.degree for t in reversed(voices[-1]) if t.degree != last.degree)
        if str(before) not in ("ti,", "re"):
            yield f"cadence {before} {last.degree}"


def _news(score: Score, voices: list[list[Tone]], number: int) -> Iterator[str]:
    if number == 1:
        return
    row, before = level(number), level(number - 1)
    tones, figures = row.tones - before.tones, row.figures - before.figures
    raised = [s for s in row.skips if s not in before.skips] + [p for p in row.leaps if p not in before.leaps]
    if not tones and not figures and not raised:
        return
    total = new_tones = new_moves = new_figures = marked = 0
    for n, voice in enumerate(voices):
        spans = []
        for figure in named_figures(score.parts[n].tune):
            if figure.key in figures:
                new_figures += 1
                length = (
                    sum(Fraction(word.lstrip("r~")) for word in figure.text.split())
                    if figure.key != "upbeat"
                    else 1
                )
                spans.append((figure.bar, _f(figure.beat), _f(figure.beat) + length, figure.key))
                marked += figure.key in ("beat_rest",)
        previous = None
        for tone in voice:
            place = tone.place
            fresh = str(tone.degree) in tones
            moved = (
                previous is not None
                and previous != tone.degree
                and not _allowed(previous, tone.degree, before)
            )
            inside = any(b == tone.bar and (s <= place < e or k == "upbeat") for b, s, e, k in spans)
            total, new_tones, new_moves = total + 1, new_tones + fresh, new_moves + moved
            marked += fresh or moved or inside
            previous = tone.degree
    if tones and not new_tones:
        yield "no new tone"
    if figures and not new_figures:
        yield "no new figure"
    if raised and not new_moves:
        yield "no new move"
    if new_tones + new_moves + new_figures < 2:
        yield "fewer than two new things"
    if marked * 3 > total:
        yield f"too much is new: {marked} of {total}"


def _pair(upper: list[Tone], lower: list[Tone]) -> Iterator[str]:
    for high in upper:
        for low in lower:
            if high.onset < low.end and low.onset < high.end and high.degree.semitones < low.degree.semitones:
                yield f"crossing in bar {high.bar}"
            near = high.onset <= low.end and low.onset <= high.end
            if near and high.degree.index == low.degree.index and high.degree.alter != low.degree.alter:
                yield f"{high.degree} and {low.degree} in bar {high.bar}"
    both = {t.onset for t in upper} & {t.onset for t in lower}
    for moment in sorted(both):
        a, b = _two(upper, moment), _two(lower, moment)
        if a and b and a[0] != a[1] and b[0] != b[1]:
            one = (a[0].semitones - b[0].semitones) % 12
            two = (a[1].semitones - b[1].semitones) % 12
            if one == two and one in (0, 7):
                yield f"parallels at {moment}"


def _two(voice: list[Tone], moment: Fraction) -> tuple[Degree, Degree] | None:
    n = next(n for n, tone in enumerate(voice) if tone.onset == moment)
    return (voice[n - 1].degree, voice[n].degree) if n else None


def _together(voices: list[list[Tone]], meter: str, row: Level) -> Iterator[str]:
    """On half bars one triad, lowest root or third; strangers between them come and go by step."""
    natural = ["do", "re", "mi", "fa", "so", "la", "ti"]
    triads = [[natural[(n + k) % 7] for k in (0, 2, 4)] for n in range(6)] + [["mi", "si", "ti"]]
    every = sorted({t.onset - t.place for v in voices for t in v if t.bar > 0})
    halves = sorted({bar + half for bar in every for half in ((0, 2) if meter == "4/4" else (0,))})
    end = voices[-1][-1].onset
    chords: list[tuple[Fraction, set[str]]] = []
    for moment in (m for m in halves if m <= end):
        sounding = [next((t.degree.syllable for t in v if t.onset <= moment < t.end), None) for v in voices]
        if None in sounding:
            yield f"a part is silent at {moment}"
            continue
        fits = [t for t in triads if set(sounding) <= set(t) and sounding[-1] in t[:2]]  # type: ignore[arg-type]
        if set(sounding) <= {"ti", "re", "fa"} and sounding[-1] == "re":
            fits.append(["ti", "re", "fa"])
        if not fits:
            yield f"no triad at {moment}: {sounding}"
        chords.append((moment, {name for t in fits for name in t}))
    for voice in voices:
        for n, tone in enumerate(voice):
            force = [names for moment, names in chords if moment <= tone.onset]
            if not force or tone.degree.syllable in force[-1]:
                continue
            near = [voice[k].degree for k in (n - 1, n + 1) if 0 <= k < len(voice)]
            if tone.length > 1 or len(near) < 2 or any(abs(d.step - tone.degree.step) != 1 for d in near):
                yield f"stranger {tone.degree} in bar {tone.bar}"


def _midi(text: str) -> int:
    from kopje.core.music.pitch import Pitch

    return Pitch.parse(text).midi
