"""Songs on the wire."""

from __future__ import annotations

from collections.abc import Iterable
from datetime import datetime
from typing import Annotated, Literal
from uuid import UUID

from pydantic import Field

from kopje.api.analysis_json import ladder, minutes_and_seconds
from kopje.api.schemas.base import Body, Read, ReasonRead
from kopje.api.schemas.song_parts import ScorePartRead, SoundRead, TogetherRead, heard
from kopje.api.schemas.song_words import OnBeatRead
from kopje.core.analysis.analysis import Analysis
from kopje.core.analysis.elements import figure_name
from kopje.core.analysis.repairs import How
from kopje.core.analysis.tonic import Tone, tonic_pattern
from kopje.core.music.rhythm_syllables import spoken
from kopje.core.music.tune import Problem
from kopje.core.sequence.wording import Wording
from kopje.store import tables
from kopje.usecases.songs.look import AS_IT_IS, Variant, as_sung, focus, home_of, own_analysis, seen
from kopje.usecases.songs.songbook import Imported, Typed
from kopje.words import Words

ConceptName = Annotated[str, Field(min_length=1, max_length=60)]


class ImportedRead(Read):
    filename: str
    title: str
    song_id: UUID | None
    already: bool
    message: str
    problems: int

    @classmethod
    def of(cls, one: Imported, words: Words) -> ImportedRead:
        return cls(
            filename=one.filename,
            title=one.title,
            song_id=one.song_id,
            already=one.already,
            message=words.say(one.said) if one.said else "",
            problems=one.problems,
        )


class ImportRead(Read):
    songs: list[ImportedRead]

    @classmethod
    def of(cls, found: list[Imported], words: Words) -> ImportRead:
        return cls(songs=[ImportedRead.of(one, words) for one in found])


class ToneRead(Read):
    degree: str
    pitch: str
    midi: int

    @classmethod
    def every(cls, tones: Iterable[Tone]) -> list[ToneRead]:
        return [cls(degree=t.degree, pitch=str(t.pitch), midi=t.pitch.midi) for t in tones]


class ElementRead(Read):
    """A figure; `spoken` is in the school's rhythm syllables, empty for rests and signs."""

    key: str
    name: str
    spoken: str = ""
    count: int
    bars: list[int]


class ProblemRead(Read):
    bar: int | None
    code: str
    message: str

    @classmethod
    def of(cls, problem: Problem, words: Words) -> ProblemRead:
        return cls(bar=problem.bar, code=problem.code, message=words.say(problem.reason))


class RungRead(Read):
    """One tone of the ladder from the top; `below` names the way down to the next."""

    degree: str
    pitch: str
    count: int
    below: str | None


class TypedBody(Body):
    """A song typed by hand: a line of tones, beat by beat, and its words."""

    title: Annotated[str, Field(max_length=120)] = Field(examples=["Up the hill"])
    do: Annotated[str, Field(max_length=2, pattern=r"^[A-G](#|b)?$")] = Field(examples=["F"])
    meter: Literal["2/4", "3/4", "4/4", "2/2", "6/8", "3/8", "9/8", "12/8"] = Field(examples=["2/4"])
    line: Annotated[str, Field(max_length=20_000)] = Field(examples=["s m | sl s"])
    words: Annotated[str, Field(max_length=20_000)] = Field(examples=["Up the hill we"])

    def value(self) -> Typed:
        return Typed(self.title, self.do, self.meter, self.line, self.words)


class DraftRead(Read):
    """A typed song as it would be: its score, what does not add up, what it is made of."""

    svg: str
    problems: list[ProblemRead]
    bars: int
    tones: list[str]
    without_words: int
    on_beat: OnBeatRead | None


class AnnotationsBody(Body):
    """The teacher's word; null and empty are worked out. `phrases`: the bars in which phrases begin, after
    the first."""

    do: Annotated[str, Field(max_length=3, pattern=r"^[A-G](#|b)?$")] | None = Field(
        default=None, examples=["F"]
    )
    resting: Literal["do", "re", "mi", "fa", "so", "la"] | None = Field(default=None, examples=["do"])
    beat: Literal["1/2", "1", "3/2", "2", "3"] | None = Field(default=None, examples=[None])
    phrases: Annotated[list[Annotated[int, Field(ge=1, le=2000)]], Field(max_length=64)] = Field(
        default=[], examples=[[5]]
    )
    labels: Annotated[list[Annotated[str, Field(pattern=r"^[a-z]'{0,9}$")]], Field(max_length=64)] = Field(
        default=[], examples=[[]]
    )
    repairs: dict[Annotated[str, Field(pattern=r"^\d{1,4}$")], How] = Field(
        default={}, max_length=200, examples=[{"3": "rest"}]
    )
    has: Annotated[list[ConceptName], Field(max_length=60)] = Field(default=[], examples=[["round"]])
    lacks: Annotated[list[ConceptName], Field(max_length=60)] = Field(default=[], examples=[[]])
    sung: Annotated[str, Field(max_length=3, pattern=r"^[A-G](#|b)?$")] | None = Field(
        default=None, examples=["D"]
    )


class AnnotationsRead(Read):
    do: str | None = None
    resting: str | None = None
    beat: str | None = None
    phrases: list[int] = Field(default_factory=list)
    labels: list[str] = Field(default_factory=list)
    repairs: dict[str, How] = Field(default_factory=dict)
    has: list[str] = Field(default_factory=list)
    lacks: list[str] = Field(default_factory=list)
    sung: str | None = None


class OwnRead(Read):
    """What is worked out when the teacher says nothing."""

    do: str | None
    resting_tone: str | None
    tonality: str
    confidence: float
    form: str


class RemovedSongRead(Read):
    """A song that was taken out of the songbook and can be taken back."""

    id: UUID
    title: str
    removed: datetime


class SongRead(Read):
    id: UUID
    title: str
    shipped: bool
    facts: dict[str, str]
    meters: list[str]
    bars: int
    seconds: str | None
    do: str | None
    resting_tone: str | None
    tonality: str
    confidence: float
    reasons: list[ReasonRead]
    tone_set: list[str]
    tone_set_name: str | None
    low: str | None
    high: str | None
    final: str | None
    elements: list[ElementRead]
    unnamed: list[ElementRead]
    motion: dict[str, int]
    form: str
    phrase_bars: list[int]
    annotations: AnnotationsRead
    own: OwnRead
    problems: list[ProblemRead]
    ladder: list[RungRead]
    words: dict[str, list[str]]
    sounds: list[SoundRead]
    tempo: float | None
    beat: float
    beats: int
    pickup: float
    starting: ToneRead | None
    tonic: list[ToneRead]
    part: int
    parts: list[ScorePartRead]
    together: list[TogetherRead]

    @classmethod
    def of(cls, song: tables.Song, words: Words, variant: Variant = AS_IT_IS) -> SongRead:
        """Everything that is said is of the part that is looked at."""
        wording = words.sequence.wording
        a = seen(song, variant, wording.minor)
        aloud = as_sung(song, wording.minor, variant)
        low, high = a.range or (None, None)
        home = home_of(song, a, variant)
        return cls(
            id=song.id,
            title=song.title,
            shipped=song.shipped,
            facts=song.facts,
            meters=list(dict.fromkeys(str(bar.meter) for bar in a.tune.bars)),
            bars=a.tune.bars[-1].number,
            seconds=minutes_and_seconds(a),
            do=str(a.tonality.do) if a.tonality.do else None,
            resting_tone=a.tonality.resting,
            tonality=home.name,
            confidence=round(float(home.confidence), 2),
            reasons=ReasonRead.every(home.reasons, words),
            tone_set=[str(d) for d in a.tone_set],
            tone_set_name=a.tone_set_name,
            low=str(low) if low else None,
            high=str(high) if high else None,
            final=str(a.final) if a.final else None,
            elements=_elements(a, words),
            unnamed=_unnamed(a),
            motion=a.motion,
            form=a.form,
            phrase_bars=phrase_bars(a),
            annotations=AnnotationsRead(**(song.annotations or {})),
            own=own(song, wording),
            problems=[ProblemRead.of(p, words) for p in a.problems],
            ladder=[RungRead(**rung) for rung in ladder(aloud)],
            words={tone: list(said) for tone, said in a.words.items()},
            sounds=heard(a, aloud),
            tempo=float(a.tune.tempo) if a.tune.tempo else None,
            beat=float(a.tune.bars[0].meter.beat),
            beats=a.tune.bars[0].meter.beats,
            pickup=float(a.tune.pickup),
            starting=starting(aloud),
            tonic=tonic(aloud),
            part=focus(song, variant) + 1,
            parts=ScorePartRead.every(song, variant, words),
            together=TogetherRead.every(song, variant, words),
        )


def phrase_bars(a: Analysis, heard: bool = False) -> list[int]:
    """In which bar each phrase begins; an upbeat belongs to the bar it leads to. `heard`: as the tune itself
    suggests."""
    firsts = (a.timeline[phrase.first] for phrase in (a.phrases_heard if heard else a.phrases))
    return [first.bar + (first.bar == 0 or first.place > 0) for first in firsts]


def own(song: tables.Song, words: Wording) -> OwnRead:
    a = own_analysis(song, words.minor)
    t = a.tonality
    return OwnRead(
        do=str(t.do) if t.do else None,
        resting_tone=t.resting,
        tonality=t.name,
        confidence=round(float(t.confidence), 2),
        form=a.form,
    )


def _elements(a: Analysis, words: Words) -> list[ElementRead]:
    return [
        ElementRead(
            key=k,
            name=words.say(figure_name(k)),
            spoken=spoken(k, words.sequence.wording.rhythm, words.sequence.wording.own_rhythm),
            count=n,
            bars=list(bars),
        )
        for k, n, bars in a.element_rows
    ]


def _unnamed(a: Analysis) -> list[ElementRead]:
    bars: dict[str, list[int]] = {}
    for figure in a.figures:
        if figure.key is None:
            bars.setdefault(figure.text, []).append(figure.bar)
    return [ElementRead(key="unnamed", name=t, count=len(b), bars=sorted(set(b))) for t, b in bars.items()]


def starting(a: Analysis) -> ToneRead | None:
    """The first tone."""
    first = next((sound for sound in a.attacks if sound.pitch), None)
    if first is None or first.pitch is None:
        return None
    return ToneRead(degree=str(a.degree(first) or ""), pitch=str(first.pitch), midi=first.pitch.midi)


def tonic(a: Analysis) -> list[ToneRead]:
    return ToneRead.every(tonic_pattern(a.tonality))
