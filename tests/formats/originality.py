"""Is every shipped tune our own? Held against the installed collections and against the other shipped ones.

Tunes are compared as intervals in semitones, and as intervals with the ratio of neighbouring lengths, so that key,
octave and note values do not matter. `python -m tests.formats.originality` prints what it finds.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, field
from difflib import SequenceMatcher
from itertools import combinations, pairwise
from pathlib import Path

from tests.formats.corpora import abc_pieces, corpus

from kopje.core.analysis.analysis import Analysis, analyse
from kopje.core.analysis.timeline import Sound, sounds
from kopje.core.errors import KopjeError
from kopje.core.exact import Fraction
from kopje.core.music.tune import Tune
from kopje.formats.abc import read_abc
from kopje.formats.read import read_scores

SONGS = Path(__file__).parents[2] / "src" / "kopje" / "demo" / "songs"
WINDOW = 10  # tones
MOST_COMMON = Fraction(1, 4)  # of the windows may come twice or more in the collections
MOST_ALIKE = Fraction(7, 10)  # of two shipped tunes
LONG_PHRASE = 8  # tones; a shorter one is a turn that nobody owns
LONG_LINE = 14  # tones of two phrases that may not be found by their intervals alone
MOST_OF_ONE_RHYTHM = 3
BREAK = "\x00"

# Phrases that stand in many tunes and cannot be avoided by who teaches with few tones.
FORMULAS = {
    "so-mi chant": "so so mi mi and the like: two tones leave no other line",
    "scale": "a scale up or down is what the song is about",
}

Step = tuple[int, Fraction]


@dataclass
class Collection:
    """All tunes as text, a character for each step, so that a line is found by searching text."""

    tunes: int = 0
    codes: dict[Step, str] = field(default_factory=dict)
    with_lengths: str = ""
    intervals: str = ""
    windows: Counter[str] = field(default_factory=Counter)

    def code(self, step: Step) -> str:
        return self.codes.setdefault(step, chr(0x100 + len(self.codes)))

    def text(self, steps: Sequence[Step]) -> str:
        return "".join(map(self.code, steps))


def steps(line: Iterable[Sound]) -> list[Step]:
    """From each attack to the next: semitones, and how many times as long the second is."""
    heard = [s for s in line if s.pitch is not None]
    return [
        (two.pitch.midi - one.pitch.midi, two.duration / one.duration)
        for one, two in pairwise(heard)
        if one.pitch and two.pitch
    ]


def only_intervals(line: Sequence[Step]) -> str:
    return "".join(chr(0x100 + max(min(by, 40), -40)) for by, _ in line)


def collected(home: Path) -> Collection:
    found = Collection()
    lengths, intervals = [], []
    for name, data in abc_pieces(home):
        try:
            tune = read_abc(data, name)[0]
        except KopjeError:
            continue
        line = steps(sounds(tune))
        text = found.text(line)
        found.windows.update({text[n : n + WINDOW - 1] for n in range(len(text) - WINDOW + 2)})
        lengths.append(text)
        intervals.append(only_intervals(line))
        found.tunes += 1
    found.with_lengths, found.intervals = BREAK.join(lengths), BREAK.join(intervals)
    return found


@dataclass(frozen=True)
class Shipped:
    slug: str
    a: Analysis

    @property
    def tune(self) -> Tune:
        return self.a.tune

    def phrase_steps(self) -> list[list[Step]]:
        return [steps(self.a.timeline[p.first : p.stop]) for p in self.a.phrases]

    @property
    def tones(self) -> list[tuple[str, Fraction]]:
        return [(str(self.a.degree(s)), s.beats) for s in self.a.attacks]

    @property
    def rhythm(self) -> tuple[object, ...]:
        return (str(self.tune.bars[0].meter), *((s.kind, s.beats) for s in self.a.timeline))


def shipped() -> list[Shipped]:
    return [
        Shipped(file.stem, analyse(read_scores(file.read_bytes(), file.name)[0].tune))
        for file in sorted(SONGS.glob("*.abc"))
    ]


def plain_line(line: Sequence[Step]) -> bool:
    """A chant of two tones, or a scale: what FORMULAS excuses."""
    moves = {abs(by) for by, _ in line if by}
    ways = {by > 0 for by, _ in line if by}
    return len(moves) <= 1 or (len(ways) == 1 and max(moves) <= 2)


def borrowed(song: Shipped, among: Collection) -> list[str]:
    """Phrases that stand in the collections with their lengths, and pairs of phrases found by intervals alone."""
    found = []
    phrases = song.phrase_steps()
    for n, line in enumerate(phrases):
        if len(line) + 1 >= LONG_PHRASE and not plain_line(line):
            times = among.with_lengths.count(among.text(line))
            if times:
                found.append(f"phrase {n + 1} as it is, {times}x")
    whole = steps(song.a.timeline)
    start = 0
    for n, (one, two) in enumerate(pairwise(phrases)):
        line = whole[start : start + len(one) + 1 + len(two)]
        if len(line) + 1 >= LONG_LINE and only_intervals(line) in among.intervals:
            found.append(f"phrases {n + 1} and {n + 2} by their tones")
        start += len(one) + 1
    return found


def common_share(song: Shipped, among: Collection) -> Fraction:
    """Of the windows of ten tones those that come in two tunes of the collections or more."""
    text = among.text(steps(song.a.timeline))
    windows = [text[n : n + WINDOW - 1] for n in range(len(text) - WINDOW + 2)]
    return Fraction(sum(among.windows[one] >= 2 for one in windows), len(windows)) if windows else Fraction(0)


def likeness(one: Shipped, other: Shipped) -> float:
    """difflib's ratio over tones and lengths."""
    matcher = SequenceMatcher(None, one.tones, other.tones, autojunk=False)
    return matcher.ratio() if matcher.quick_ratio() > float(MOST_ALIKE) else 0.0


def too_alike(songs: Sequence[Shipped]) -> list[tuple[str, str, float]]:
    pitched = [song for song in songs if song.a.range]
    found = ((a.slug, b.slug, likeness(a, b)) for a, b in combinations(pitched, 2))
    return [one for one in found if one[2] > float(MOST_ALIKE)]


def main() -> None:
    home = corpus()
    assert home is not None
    among, songs = collected(home), shipped()
    print(f"{among.tunes} tunes of the collections, {len(songs)} of ours")
    for song in songs:
        share = common_share(song, among)
        said = borrowed(song, among) + ([f"{share} of its windows are common"] if share > MOST_COMMON else [])
        if said:
            print(song.slug, "; ".join(said))
    for one, other, ratio in too_alike(songs):
        print(f"{one} and {other}: {ratio:.2f}")
    for rhythm, times in Counter(song.rhythm for song in songs).items():
        if times > MOST_OF_ONE_RHYTHM:
            print(times, "share one rhythm:", [s.slug for s in songs if s.rhythm == rhythm])


if __name__ == "__main__":
    main()
