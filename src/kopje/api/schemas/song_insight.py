"""What is said about a song beyond its tones, on the wire."""

from __future__ import annotations

from typing import Annotated, Literal
from uuid import UUID

from pydantic import Field

from kopje.api.analysis_json import bars_of
from kopje.api.schemas.base import Body, Read
from kopje.api.schemas.song_words import OnBeatRead
from kopje.api.schemas.songs import phrase_bars
from kopje.core.analysis.analysis import Analysis
from kopje.core.analysis.difficulty import difficulty
from kopje.core.analysis.melodic_turns import skeleton, turns
from kopje.core.analysis.motion import motion
from kopje.core.analysis.relations import relations
from kopje.core.analysis.repairs import How, repairs
from kopje.core.analysis.text_setting import sums, sung_syllables
from kopje.core.songs.keys import KeyAdvice
from kopje.store import tables
from kopje.usecases.songs.words_on_beat import words_on_beat
from kopje.words import Words

MOST_TURNS = 12


class PhraseRead(Read):
    """A phrase: its bars, home, and tones without repeats (all, and those on strong beats); `relation`: how
    it differs from the earlier one it is like."""

    label: str
    first_bar: int
    last_bar: int
    do: str | None
    resting_tone: str | None
    tonality: str
    skeleton: list[str]
    strong: list[str]
    motion: dict[str, int]
    relation: str | None


class TurnRead(Read):
    tones: list[str]
    bars: list[int]


class AxisRead(Read):
    name: str
    step: int
    why: str


class RepairRead(Read):
    bar: int
    how: How
    sentence: str


class TwinRead(Read):
    """Another song of the same title."""

    id: UUID
    tone_set_name: str | None
    meter: str
    bars: int


class SungSyllableRead(Read):
    """A syllable of a verse with the rest of its word and the tones it is sung on."""

    verse: int
    text: str
    before: str
    after: str
    bar: int
    note: int
    tones: list[str]


class VerseRead(Read):
    verse: int
    syllables: int
    tones: int
    sentence: str


class InsightRead(Read):
    """`phrases_from`: the teacher's word, the file's marks, or equal spans; `heard_bars`: where they begin
    as the tune suggests."""

    phrases_from: Literal["told", "marks", "spans"]
    heard_bars: list[int]
    sung_syllables: list[SungSyllableRead]
    verses: list[VerseRead]
    phrases: list[PhraseRead]
    turns: list[TurnRead]
    difficulty: list[AxisRead]
    repairs: list[RepairRead]
    twins: list[TwinRead]
    on_beat: OnBeatRead | None

    @classmethod
    def of(cls, song: tables.Song, a: Analysis, words: Words, twins: list[tables.Song]) -> InsightRead:
        return cls(
            phrases_from=a.phrases_from,
            heard_bars=list(dict.fromkeys(phrase_bars(a, heard=True))),
            sung_syllables=[
                SungSyllableRead(
                    verse=s.verse,
                    text=s.text,
                    before=s.before,
                    after=s.after,
                    bar=s.bar,
                    note=s.note,
                    tones=[str(tone) for tone in s.tones],
                )
                for s in sung_syllables(a)
            ],
            verses=[
                VerseRead(verse=v.verse, syllables=v.syllables, tones=v.tones, sentence=words.say(v.reason))
                for v in sums(a)
            ],
            phrases=_phrases(a, words),
            turns=[
                TurnRead(tones=[str(tone) for tone in turn.tones], bars=list(turn.bars))
                for turn in turns(a)[:MOST_TURNS]
            ],
            difficulty=[AxisRead(name=x.name, step=x.step, why=words.say(x.why)) for x in difficulty(a)],
            repairs=[
                RepairRead(bar=way.bar, how=way.how, sentence=words.say(way.reason))
                for way in repairs(a.tune)
            ],
            on_beat=OnBeatRead.of(
                words_on_beat(a, song.facts.get("language", ""), song.facts.get("signed", "")), words
            ),
            twins=[
                TwinRead(
                    id=twin.id,
                    tone_set_name=twin.summary.get("tone_set_name"),
                    meter=twin.summary.get("meter", ""),
                    bars=twin.summary.get("bars_long", 0),
                )
                for twin in twins
                if twin.id != song.id
            ],
        )


def _phrases(a: Analysis, words: Words) -> list[PhraseRead]:
    related = {one.phrase: words.say(one.reason) for one in relations(a)}
    found = []
    for index, (phrase, home) in enumerate(zip(a.phrases, a.homes, strict=True)):
        bars = bars_of(a, phrase)
        found.append(
            PhraseRead(
                label=phrase.label,
                first_bar=bars[0] if bars else 0,
                last_bar=bars[-1] if bars else 0,
                do=str(home.do) if home.do else None,
                resting_tone=home.resting,
                tonality=home.name,
                skeleton=[str(tone) for tone in skeleton(a, index)],
                strong=[str(tone) for tone in skeleton(a, index, strong=True)],
                motion=motion(a.timeline, (phrase,)),
                relation=related.get(index),
            )
        )
    return found


class KeyRead(Read):
    """A key that suits; `written`: the song stands in it already."""

    do: str
    low: str
    high: str
    written: bool
    reasons: list[str]

    @classmethod
    def of(cls, advice: KeyAdvice, words: Words) -> KeyRead:
        said = [words.say(reason) for reason in advice.reasons]
        return cls(
            do=str(advice.do),
            low=str(advice.low),
            high=str(advice.high),
            written=advice.written,
            reasons=said,
        )


Line = Annotated[str, Field(max_length=600)]


class AboutBody(Body):
    """What is known about a song beside its notes; an empty text takes a fact away."""

    title: Annotated[str, Field(min_length=1, max_length=200, pattern=r"\S")] = Field(
        examples=["Up the hill"]
    )
    facts: dict[Annotated[str, Field(max_length=20)], Line] = Field(
        max_length=20, examples=[{"origin": "our school", "season": "winter", "verified": "yes"}]
    )
