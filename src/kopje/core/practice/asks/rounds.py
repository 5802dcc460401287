"""Which rounds a class can play of what it can name, and a round of one kind.

Source: docs/sources.md#rounds.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal, get_args

from kopje.core.analysis.key_choice import CHOIR_VOICES, Voice
from kopje.core.errors import PracticeError
from kopje.core.ledger.luck import MOST_LUCK, luck
from kopje.core.music.clef import Clef
from kopje.core.music.degree import Degree, Do, plain_do
from kopje.core.practice.asks import ears, places, tunes
from kopje.core.practice.asks.ears import Ear
from kopje.core.practice.asks.places import Lines
from kopje.core.practice.asks.question import RUN, Question
from kopje.core.practice.reading.chance import Chance
from kopje.core.practice.reading.given import DOS, Offer
from kopje.core.practice.reading.levels import in_order
from kopje.core.sequence.concepts import Way

RoundKind = Literal[
    "place", "find", "lie", "letter",
    "direction", "move", "same", "line", "tones", "home", "sign",
    "along", "song",
]  # fmt: skip
KINDS: tuple[RoundKind, ...] = get_args(RoundKind)
ToldKind = RoundKind | Literal["reading"]  # lines read at a station, judged there by who read them
SEEN: frozenset[RoundKind] = frozenset(("place", "find", "lie", "letter"))
OF_SONGS: frozenset[RoundKind] = frozenset(("along", "song"))
FEWEST, MOST = 3, 20


def way_of(kind: ToldKind) -> Way:
    """What a round shows: places and lines are read, all others are heard."""
    return "read" if kind in SEEN or kind == "reading" else "hear"


@dataclass(frozen=True, slots=True)
class Knows:
    """What a class can name: its tones from low to high, its figures and meters, and its voice."""

    tones: tuple[Degree, ...]
    figures: tuple[str, ...] = ()
    meters: tuple[str, ...] = ()
    voice: Voice | None = None

    @property
    def home(self) -> str:
        return "la" if "la," in map(str, self.tones) and "do" not in map(str, self.tones) else "do"


def knows_of(offered: Sequence[Offer], voice: Voice | None) -> Knows:
    """Of what it can be given to read."""
    tones = tuple(dict.fromkeys(tone for one in offered for tone in one.tones))
    figures = tuple(dict.fromkeys(key for one in offered for key in one.figures))
    meters = tuple(dict.fromkeys(meter for one in offered for meter in one.meters))
    return Knows(in_order(tones), figures, meters, voice)


@dataclass(frozen=True, slots=True)
class Round:
    """Questions of one kind, one after the other; `choices` of the question that has the fewest."""

    kind: RoundKind
    questions: tuple[Question, ...]

    @property
    def choices(self) -> int:
        return min(len(question.choices) for question in self.questions)

    @property
    def least_right(self) -> int | None:
        """How many right answers luck hardly explains; None where even all of them are not enough."""
        asked = len(self.questions)
        good = [n for n in range(1, asked + 1) if luck(self.choices, asked, n, RUN) < MOST_LUCK]
        return min(good, default=None)


def kinds_for(knows: Knows) -> tuple[RoundKind, ...]:
    """Those that its tones allow, in their order."""
    names = {tone.syllable for tone in knows.tones}
    size = len(knows.tones)
    need: dict[RoundKind, bool] = {
        "find": size >= 2,
        "lie": size >= 2,
        "direction": size >= 2,
        "move": size >= 2,
        "same": size >= 2,
        "line": size >= 3,
        "tones": size >= 4,
        "home": {"do", "re", "mi", "fa", "so", "la", "ti"} <= names,
        "sign": bool({"fa", "ti"} & names) and size >= 3,
        "along": size >= 2,
    }
    return tuple(kind for kind in KINDS if need.get(kind, True))


def a_round(
    kind: RoundKind, knows: Knows, count: int, seed: int, lines: Lines = 5, clef: Clef = "G"
) -> Round:
    """The round of a seed, of a kind that needs no song. PracticeError where its tones are too few."""
    if not FEWEST <= count <= MOST:
        raise PracticeError("round_count", fewest=FEWEST, most=MOST, value=count)
    chance = Chance(seed)
    if kind == "place":
        return Round(kind, tuple(places.name_places(lines, count, chance)))
    if kind == "letter":
        return Round(kind, tuple(places.name_letters(clef, count, chance)))
    if kind in ("find", "lie"):
        make = places.find_tones if kind == "find" else places.tell_lie
        return Round(kind, tuple(make(knows.tones, lines, count, chance)))
    by_ear = {
        "direction": ears.directions,
        "move": ears.moves,
        "same": ears.same_or_not,
        "line": tunes.which_line,
        "tones": tunes.which_tones,
        "home": tunes.homes,
        "sign": tunes.with_its_sign,
    }
    if kind not in by_ear:
        raise PracticeError("round_of_songs", value=kind)
    return Round(kind, tuple(by_ear[kind](ear_of(knows, chance), count, chance)))


def ear_of(knows: Knows, chance: Chance) -> Ear:
    """Where its tones lie well, in today's key: one of those with few signs."""
    voice = knows.voice or CHOIR_VOICES["treble_1"]
    if not knows.tones:
        raise PracticeError("round_few_tones", value=0)
    do = _today(knows.tones, voice, chance)
    return Ear(knows.tones, do, knows.home, knows.figures, knows.meters, voice)


def _today(tones: Sequence[Degree], voice: Voice, chance: Chance) -> Do:
    def outside(do: Do) -> int:
        low, high = do.sounding(tones[0]).midi, do.sounding(tones[-1]).midi
        return max(voice.low.midi - low, 0) + max(high - voice.high.midi, 0)

    every = [plain_do(letter).at(octave) for letter in DOS[:4] for octave in (3, 4)]
    least = min(map(outside, every))
    return chance.pick([do for do in every if outside(do) == least])
