"""Layers, words that become a rhythm and the recorder on the wire."""

from __future__ import annotations

from collections.abc import Iterable
from datetime import datetime
from typing import Annotated, Literal
from uuid import UUID

from pydantic import Field

from kopje.api.schemas.base import Body, Read, ReasonRead
from kopje.core.instruments.barred import bars_reason, the_set
from kopje.core.instruments.bordun import Bordun, Rung, crosses, reach
from kopje.core.instruments.bordun import told as told_of_bordun
from kopje.core.instruments.faults import LOOKS
from kopje.core.instruments.letters import Difference
from kopje.core.instruments.letters import told as told_of_letter
from kopje.core.instruments.recorder import Advice
from kopje.core.instruments.speech.rhythm import Laid, why
from kopje.core.instruments.speech.spoken import Said
from kopje.core.instruments.texture import Family, Stroke, Texture, written
from kopje.core.instruments.told import told
from kopje.core.music.meter import Meter
from kopje.formats.textures import MOST_BARS, MOST_VALUES, LayerFile, TextureFile
from kopje.store import tables
from kopje.usecases.context import Context
from kopje.usecases.instruments.bars import SongBars
from kopje.usecases.instruments.recorder import ForSong
from kopje.words import Words

Value = Annotated[str, Field(min_length=1, max_length=12)]
MeterText = Annotated[str, Field(max_length=8)]


class LayerBody(Body):
    name: Annotated[str, Field(min_length=1, max_length=80, pattern=r"\S")] = Field(examples=["Shakers"])
    family: Family = Field(examples=["shaken"])
    rhythm: Annotated[list[Value], Field(min_length=1, max_length=MOST_VALUES)] = Field(
        examples=[["1", "1", "r2"]]
    )
    strokes: Annotated[list[Stroke], Field(max_length=MOST_VALUES)] = Field(default=[], examples=[["high"]])
    enters_bar: Annotated[int, Field(ge=1, le=999)] = Field(default=1, examples=[1])
    words: Annotated[list[Annotated[str, Field(max_length=40)]], Field(max_length=MOST_VALUES)] = Field(
        default=[], examples=[["rain", "drop"]], description="Syllables to think, one for each sound."
    )


class TextureBody(Body):
    meter: MeterText = Field(examples=["4/4"])
    phrase_bars: Annotated[int, Field(ge=1, le=MOST_BARS)] = Field(examples=[4])
    layers: Annotated[list[LayerBody], Field(min_length=1, max_length=16)] = Field(
        examples=[[{"name": "Shakers", "family": "shaken", "rhythm": ["1", "1", "r2"]}]]
    )

    def texture(self) -> Texture:
        """TextureError or MeterError for what cannot be one."""
        layers = [LayerFile.model_validate(one.model_dump()) for one in self.layers]
        return TextureFile(meter=self.meter, phrase_bars=self.phrase_bars, layers=layers).texture()


class LayerRead(Read):
    """A loop as it was understood: its beats, its onsets per beat, whether it closes on the phrase."""

    name: str
    beats: str
    density: str
    fits: bool


class LayersRead(Read):
    """Answers about a texture; beats of the meter, counted from 1."""

    layers: list[LayerRead]
    together_after: str
    all_in: int
    silent_beats: list[int]
    entry_order: list[str]
    sum: list[str]
    reasons: list[ReasonRead]

    @classmethod
    def of(cls, t: Texture, words: Words) -> LayersRead:
        return cls(
            layers=[
                LayerRead(
                    name=one.name,
                    beats=str(one.beats),
                    density=str(one.density),
                    fits=one not in t.does_not_fit,
                )
                for one in t.layers
            ],
            together_after=str(t.together_after),
            all_in=t.all_in,
            silent_beats=list(t.silent_beats),
            entry_order=[one.name for one in t.entry_order],
            sum=written(t.sum),
            reasons=ReasonRead.every(told(t), words),
        )


class KeepTextureBody(Body):
    name: Annotated[str, Field(min_length=1, max_length=80, pattern=r"\S")] = Field(
        examples=["Rain on the roof"]
    )
    texture: TextureBody = Field(
        examples=[
            {
                "meter": "4/4",
                "phrase_bars": 4,
                "layers": [{"name": "Shakers", "family": "shaken", "rhythm": ["1", "1", "r2"]}],
            }
        ]
    )


class TextureRead(Read):
    id: UUID
    name: str
    texture: TextureBody
    changed: datetime

    @classmethod
    def of(cls, row: tables.KeptTexture) -> TextureRead:
        texture = TextureBody.model_validate(row.texture, strict=False)
        return cls(id=row.id, name=row.name, texture=texture, changed=row.changed)


class SpeechBody(Body):
    words: Annotated[str, Field(min_length=1, max_length=400)] = Field(examples=["Rain is on the roof"])
    meter: MeterText = Field(examples=["4/4"])


class SyllableRead(Read):
    text: str
    stressed: bool
    guessed: bool


class ProposalRead(Read):
    rhythm: list[str]
    bars: int
    why: str


class SpeechRead(Read):
    """A sentence as it is spoken, and rhythms for it, the best first."""

    syllables: list[SyllableRead]
    proposals: list[ProposalRead]

    @classmethod
    def of(cls, said: list[Said], found: list[Laid], meter: Meter, words: Words) -> SpeechRead:
        return cls(
            syllables=[
                SyllableRead(text=one.text, stressed=one.stressed, guessed=one.guessed) for one in said
            ],
            proposals=[
                ProposalRead(
                    rhythm=written(laid.values), bars=laid.bars, why=words.say(why(said, laid, meter))
                )
                for laid in found
            ],
        )


class BarRead(Read):
    """A bar of the set as it is written. `state`: lies there, is taken off, is put on. `degree`: of the tone
    that the song sounds on it; null where it does not."""

    pitch: str
    midi: int
    state: Literal["there", "off", "on"]
    degree: str | None


class BordunStroke(Read):
    beat: float
    hand: Literal["L", "R"]
    degree: str
    pitch: str
    midi: int


class BordunRead(Read):
    """One bar that is played over and over; `reason` says whether it fits the song."""

    rung: Rung
    strokes: list[BordunStroke]
    beats: int
    times: int
    reach: int
    crosses: bool
    reason: ReasonRead
    clash_bars: list[int]

    @classmethod
    def of(cls, found: Bordun, beats: int, ctx: Context) -> BordunRead:
        return cls(
            rung=found.rung,
            strokes=[
                BordunStroke(
                    beat=float(one.beat),
                    hand=one.hand,
                    degree=ctx.sequence.wording.tone(str(one.tone)),
                    pitch=str(found.pitch(one)),
                    midi=found.pitch(one).midi,
                )
                for one in found.strokes
            ],
            beats=beats,
            times=found.times,
            reach=reach(found),
            crosses=crosses(found.strokes, found.do),
            reason=ReasonRead.of(told_of_bordun(found), ctx.words),
            clash_bars=sorted({one.bar for one in found.clashes}),
        )


class BarsRead(Read):
    """Bars for a song, as written: what comes off and on, what is missing, where nothing needs a swap."""

    title: str
    do: str | None
    bars: list[BarRead]
    missing: list[str]
    reason: ReasonRead
    homes: list[str]
    borduns: list[BordunRead]

    @classmethod
    def of(cls, found: SongBars, ctx: Context) -> BarsRead:
        a, do = found.a, found.a.tonality.do
        said = {str(p): ctx.sequence.wording.tone(str(do.degree(p))) if do else p.name for p in found.pitches}
        return cls(
            title=a.tune.title,
            do=str(do) if do else None,
            bars=[
                BarRead(pitch=str(p), midi=p.midi, state=state, degree=said.get(str(p)))
                for p, state in the_set(found.bars)
            ],
            missing=list(found.bars.missing),
            reason=ReasonRead.of(bars_reason(found.bars), ctx.words),
            homes=list(found.homes),
            borduns=[BordunRead.of(one, a.tune.bars[0].meter.beats, ctx) for one in found.borduns],
        )


class RecorderToneRead(Read):
    """A tone of the recorder as it is written: its fingering, and the songs that it alone would open."""

    tone: str
    fingering: str
    songs: int
    titles: list[str]


class RecorderRead(Read):
    """What the school's songs ask of the recorder with the known tones."""

    tones: list[RecorderToneRead]
    playable: int
    titles: list[str]
    of: int
    next: list[RecorderToneRead]

    @classmethod
    def of_advice(cls, known: list[str], table: dict[str, str], found: Advice, most: int) -> RecorderRead:
        return cls(
            tones=[
                RecorderToneRead(tone=one, fingering=table[one], songs=0, titles=[])
                for one in known
                if one in table
            ],
            playable=len(found.playable),
            titles=list(found.playable[:most]),
            of=found.of,
            next=[
                RecorderToneRead(
                    tone=one.tone,
                    fingering=one.fingering,
                    songs=len(one.songs),
                    titles=list(one.songs[:most]),
                )
                for one in found.next
            ],
        )


class InKeyRead(Read):
    do: str
    playable: bool
    semitones: int | None


class SongRecorderRead(Read):
    """Written pitches, low first. `keys`: nearest first; `hardest`: the change at which most holes move."""

    title: str
    do: str | None
    needs: list[str]
    missing: list[str]
    fingerings: dict[str, str]
    keys: list[InKeyRead]
    hardest: list[str]
    holes: int

    @classmethod
    def of(cls, found: ForSong, table: dict[str, str]) -> SongRecorderRead:
        one, two, holes = found.hardest or ("", "", 0)
        return cls(
            title=found.title,
            do=found.do,
            needs=list(found.needs),
            missing=list(found.missing),
            fingerings={name: table[name] for name in found.needs if name in table},
            keys=[InKeyRead(do=str(k.do), playable=k.playable, semitones=k.moved) for k in found.keys],
            hardest=[one, two] if found.hardest else [],
            holes=holes,
        )


class LettersBody(Body):
    letters: Annotated[str, Field(min_length=1, max_length=4_000)] = Field(examples=["G A B"])


class LetterRead(Read):
    line: int
    place: int
    bar: int
    sentence: str


class LettersRead(Read):
    """How many tones the tune has, and each place where the letters differ."""

    of: int
    differences: list[LetterRead]

    @classmethod
    def of_found(cls, of: int, found: Iterable[tuple[Difference, int]], words: Words) -> LettersRead:
        return cls(
            of=of,
            differences=[
                LetterRead(line=d.line, place=d.place, bar=bar, sentence=words.say(told_of_letter(d, bar)))
                for d, bar in found
            ],
        )


class LookRead(Read):
    """`look`: what to look at; `attempt`: the one thing to try where it is so; `holes`: which to watch."""

    cause: str
    look: str
    attempt: str
    holes: str


class FaultRead(Read):
    heard: str
    says: str
    looks: list[LookRead]

    @classmethod
    def every(cls, words: Words) -> list[FaultRead]:
        return [
            cls(
                heard=heard,
                says=words.word(f"heard_{heard}"),
                looks=[
                    LookRead(
                        cause=one.cause,
                        look=words.word(f"look_{one.cause}"),
                        attempt=words.word(f"try_{one.cause}"),
                        holes=one.holes,
                    )
                    for one in found
                ],
            )
            for heard, found in LOOKS.items()
        ]
