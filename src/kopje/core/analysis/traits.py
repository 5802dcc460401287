"""What can be found in a song beside its tones and figures: silence, direction, form, felt meter, signs.

Each detector is pure: an analysis in, the bars where the thing is out; no bars means that it is not there.
What no detector finds a teacher tags. Source: docs/sources.md#traits.
"""

from __future__ import annotations

from collections.abc import Callable, Iterable, Iterator, Mapping, Sequence
from itertools import groupby, pairwise

from kopje.core.analysis.analysis import Analysis
from kopje.core.analysis.motion import move, neighbours
from kopje.core.analysis.phrases import Phrase
from kopje.core.analysis.timeline import Sound
from kopje.core.exact import Fraction
from kopje.core.music.marks import LOUDNESS
from kopje.core.music.pitch import Pitch

Detector = Callable[[Analysis], Iterable[int]]
LONG_TO_SHORT = 2  # one of two neighbouring tones is at least so many times as long
CLEAR_LINE = 4  # semitones that a line goes one way before it is plainly up or down
LINE_TONES = 3
FEW_LINES = 3  # lines of the staff that two- and three-line songs stand on
SMALLEST_RONDO = 5
MOST_IN_GROUP = 4
DOMINANT = frozenset({"so", "ti", "re", "fa"})


def traits(a: Analysis) -> dict[str, tuple[int, ...]]:
    """Every trait that is there, with its bars in order."""
    found = {key: tuple(sorted(set(detect(a)))) for key, detect in DETECTORS.items()}
    return {key: bars for key, bars in found.items() if bars}


# --- sound and silence, long and short ----------------------------------------------------------
def _rest(a: Analysis) -> Iterator[int]:
    """A silence of a beat or more inside the song, or a bar of it: where nobody sings."""
    last = max((sound.onset for sound in a.attacks), default=Fraction(0))
    for sound in a.timeline:
        if not sound.attack and sound.beats >= 1 and sound.bar > 0 and sound.onset < last + 1:
            yield sound.bar


def _long_short(a: Analysis) -> Iterator[int]:
    for one, two in _pairs(a):
        if max(one.duration, two.duration) >= LONG_TO_SHORT * min(one.duration, two.duration):
            yield two.bar


def _pairs(a: Analysis) -> Iterator[tuple[Sound, Sound]]:
    for phrase in a.phrases:
        yield from neighbours(a.timeline, phrase)


# --- direction and motion -----------------------------------------------------------------------
def _contour(a: Analysis) -> Iterator[int]:
    """Lines of three tones or more that go one way, a third or farther; repeated tones go along."""
    for phrase in a.phrases:
        tones = [next(same) for _, same in groupby(_sung(a, phrase), key=lambda s: s.pitch)]
        moves = [(_midi(two) - _midi(one), one.bar) for one, two in pairwise(tones)]
        for _, line in groupby(moves, key=lambda pair: pair[0] > 0):
            one_way = list(line)
            far = abs(sum(by for by, _ in one_way)) >= CLEAR_LINE
            if far and len(one_way) >= LINE_TONES - 1:
                yield one_way[0][1]


def _midi(sound: Sound) -> int:
    return sound.pitch.midi if sound.pitch else 0


def _sung(a: Analysis, phrase: Phrase) -> list[Sound]:
    return [sound for sound in a.attacks_in(phrase) if sound.pitch is not None]


def _moves(kind: str) -> Detector:
    def found(a: Analysis) -> Iterator[int]:
        for one, two in _pairs(a):
            if one.pitch is not None and two.pitch is not None and move(one.pitch, two.pitch) == kind:
                yield two.bar

    return found


# --- form ---------------------------------------------------------------------------------------
def _begins(a: Analysis, index: int) -> int:
    return max(a.timeline[a.phrases[index].first].bar, 1)


def letters(a: Analysis) -> tuple[str, ...]:
    """The letters of the phrases without primes."""
    return tuple(phrase.label.rstrip("'") for phrase in a.phrases)


def _same_different(a: Analysis) -> Iterator[int]:
    """Two phrases that are the same, and another that is not."""
    labels = [phrase.label for phrase in a.phrases]
    if len(set(letters(a))) > 1:
        yield from (_begins(a, n) for n, label in enumerate(labels) if label in labels[:n])


def _phrases(a: Analysis) -> Iterator[int]:
    """Phrases that the song itself marks off, not all alike: a and b."""
    if a.phrases_from != "spans" and len(set(letters(a))) > 1:
        yield from (_begins(a, n) for n in range(1, len(a.phrases)))


def forms(of: Sequence[str]) -> Iterator[tuple[int, tuple[str, ...]]]:
    """The form in phrases, then in pairs, threes and fours of phrases, each as new letters."""
    for size in range(1, MOST_IN_GROUP + 1):
        if len(of) % size == 0 and len(of) // size > 1:
            groups = [tuple(of[n : n + size]) for n in range(0, len(of), size)]
            named = {group: chr(ord("a") + n) for n, group in enumerate(dict.fromkeys(groups))}
            yield size, tuple(named[group] for group in groups)


def form_places(of: Sequence[str], *wanted: str) -> list[int]:
    """Where the parts of one of these forms begin, as indexes into the letters; nothing for another form.

    >>> form_places("aaba", "a a b a"), form_places("aabbccbb", "a b c b"), form_places("abcd", "a a b a")
    ([0, 1, 2, 3], [0, 2, 4, 6], [])
    """
    for size, form in forms(of):
        if " ".join(form) in wanted:
            return [n * size for n in range(len(form))]
    return []


def rondo_places(of: Sequence[str]) -> list[int]:
    """Where the part that comes back begins, between others that differ: a b a c a, and longer.

    >>> rondo_places("abaca"), rondo_places("ababa")
    ([0, 2, 4], [])
    """
    for size, form in forms(of):
        between = form[1::2]
        comes_back = all(letter == "a" for letter in form[::2])
        differ = len(set(between)) == len(between) and "a" not in between
        if len(form) >= SMALLEST_RONDO and len(form) % 2 and comes_back and differ:
            return [n * size for n in range(0, len(form), 2)]
    return []


def _form(*wanted: str) -> Detector:
    def found(a: Analysis) -> Iterator[int]:
        yield from (_begins(a, n) for n in form_places(letters(a), *wanted))

    return found


def _rondo(a: Analysis) -> Iterator[int]:
    yield from (_begins(a, n) for n in rondo_places(letters(a)))


def _words_of(a: Analysis, phrase: Phrase, verse: int) -> str:
    said = (
        syllable.text + ("" if syllable.joins else " ")
        for sound in a.attacks_in(phrase)
        for syllable in sound.syllables
        if syllable.verse == verse
    )
    return "".join(c for c in "".join(said).lower() if c.isalnum() or c == " ").strip()


def _verse_refrain(a: Analysis) -> Iterator[int]:
    """Some phrases change their words from verse to verse, others keep them: the refrain."""
    verses = max((s.verse for sound in a.attacks for s in sound.syllables), default=1)
    if verses < 2:
        return
    said = [[_words_of(a, phrase, verse) for verse in range(1, verses + 1)] for phrase in a.phrases]
    refrain = [n for n, words in enumerate(said) if words[0] and len({w for w in words if w}) == 1]
    changing = [n for n, words in enumerate(said) if len({w for w in words if w}) > 1]
    if refrain and changing:
        yield from (_begins(a, n) for n in refrain)


def _call_answer(a: Analysis) -> Iterator[int]:
    """Every second phrase is the same answer, in tones and words, to calls that are not it."""
    labels, words = [p.label for p in a.phrases], [_words_of(a, p, 1) for p in a.phrases]
    calls, answers = list(zip(labels, words, strict=True))[::2], list(zip(labels, words, strict=True))[1::2]
    one_answer = len(calls) == len(answers) >= 2 and len(set(answers)) == 1 and answers[0][1]
    if one_answer and answers[0] not in calls and len({said for _, said in calls}) > 1:
        yield from (_begins(a, n) for n in range(1, len(labels), 2))


def _endings(a: Analysis) -> Iterator[int]:
    yield from (bar.number for bar in a.tune.bars if bar.ending)


def _repeat_sign(a: Analysis) -> Iterator[int]:
    yield from (bar.number for bar in a.tune.bars if bar.right == "repeat")


# --- meter as felt ------------------------------------------------------------------------------
def _felt(beats: int | None, compound: bool) -> Detector:
    def found(a: Analysis) -> Iterator[int]:
        for bar in a.tune.bars:
            if bar.number and bar.meter.compound == compound and beats in (None, bar.meter.beats):
                yield bar.number

    return found


def _tied(a: Analysis) -> Iterator[int]:
    """Printed ties, over the bar line or inside a bar."""
    yield from (bar.number for bar, _, note in a.tune.notes() if note.tie_out)


# --- harmony ------------------------------------------------------------------------------------
def _two_chords(a: Analysis) -> Iterator[int]:
    """Bars that ask for the dominant: every strong tone belongs to it, and one not to the tonic too."""
    if a.tonality.resting != "do":
        return
    strong: dict[int, set[str]] = {}
    for sound in a.attacks:
        degree = a.degree(sound)
        if sound.strong and degree is not None:
            strong.setdefault(sound.bar, set()).add(degree.syllable)
    yield from (bar for bar, tones in strong.items() if tones <= DOMINANT and tones & {"ti", "re"})


# --- signs --------------------------------------------------------------------------------------
def _marked(*marks: str) -> Detector:
    def found(a: Analysis) -> Iterator[int]:
        yield from (sound.bar for sound in a.attacks if set(sound.marks) & set(marks))

    return found


def _louder_softer(a: Analysis) -> Iterator[int]:
    """Growing signs, or two loudnesses that differ."""
    said = [(s.bar, m) for s in a.attacks for m in s.marks if m in LOUDNESS]
    yield from (bar for (_, one), (bar, two) in pairwise(said) if one != two)
    yield from _marked("crescendo", "diminuendo")(a)


def _tempo_marked(a: Analysis) -> Iterator[int]:
    if a.tune.tempo is not None:
        yield 1


# --- the staff ----------------------------------------------------------------------------------
def _few_lines(a: Analysis) -> Iterator[int]:
    """Three tones at most that lie within three lines: they can stand on a staff of two or three."""
    steps = {s.pitch.step for s in a.attacks if s.pitch}
    if 2 <= len(steps) <= FEW_LINES and max(steps) - min(steps) <= 2 * (FEW_LINES - 1):
        yield from (s.bar for s in a.attacks if s.pitch)


def _do_place(on_line: bool) -> Detector:
    bottom_line = Pitch("E", 0, 4).step

    def found(a: Analysis) -> Iterator[int]:
        do = a.tonality.do
        if do is None:
            return
        for sound in a.attacks:
            degree = a.degree(sound)
            is_do = degree is not None and degree.index == degree.alter == 0
            if sound.pitch and is_do and ((sound.pitch.step - bottom_line) % 2 == 0) == on_line:
                yield sound.bar

    return found


def _lettered(a: Analysis) -> Iterator[int]:
    yield from (s.bar for s in a.attacks if s.pitch)


def _needs_sign(a: Analysis) -> Iterator[int]:
    """Tones of the scale that are no natural: the signature or a sign makes them so."""
    for sound in a.attacks:
        degree = a.degree(sound)
        if sound.pitch and sound.pitch.alter and degree and degree.alter == 0:
            yield sound.bar


def _key_signature(a: Analysis) -> Iterator[int]:
    if any(sound.key and sound.key.fifths for sound in a.attacks):
        yield from _needs_sign(a)


DETECTORS: Mapping[str, Detector] = {
    "rest": _rest,
    "long_short": _long_short,
    "contour": _contour,
    "step": _moves("step"),
    "skip": _moves("skip"),
    "leap": _moves("leap"),
    "same_different": _same_different,
    "phrases": _phrases,
    "aaba": _form("a a b a"),
    "abac": _form("a b a c"),
    "rondo": _rondo,
    "verse_refrain": _verse_refrain,
    "call_answer": _call_answer,
    "endings": _endings,
    "repeat_sign": _repeat_sign,
    "felt_two": _felt(2, compound=False),
    "felt_three": _felt(3, compound=False),
    "felt_four": _felt(4, compound=False),
    "felt_compound": _felt(None, compound=True),
    "two_chords": _two_chords,
    "tied": _tied,
    "fermata": _marked("fermata"),
    "staccato": _marked("staccato"),
    "accent": _marked("accent"),
    "loudness_marked": _marked(*LOUDNESS),
    "louder_softer": _louder_softer,
    "tempo_marked": _tempo_marked,
    "few_lines": _few_lines,
    "do_on_line": _do_place(on_line=True),
    "do_in_space": _do_place(on_line=False),
    "lettered": _lettered,
    "needs_sign": _needs_sign,
    "key_signature": _key_signature,
}
