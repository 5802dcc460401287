"""The parts of a score on the wire: what each sounds, and what they do together."""

from __future__ import annotations

from dataclasses import replace
from uuid import UUID

from kopje.api.schemas.base import Read
from kopje.core.analysis.analysis import Analysis
from kopje.core.analysis.key_choice import best_voice
from kopje.core.analysis.together import part_name, remarks
from kopje.core.reasons import because
from kopje.core.songs.singing_together import Round
from kopje.store import tables
from kopje.usecases.songs.look import AS_IT_IS, Variant, as_sung, laid_out, parts_seen
from kopje.usecases.songs.sing_together import Partner
from kopje.words import Words


class SoundRead(Read):
    """One attack, for playing and pointing: printed note, bar, onset and length in quarters, its phrase
    (from 0)."""

    note: int
    bar: int
    onset: float
    length: float
    midi: int | None
    pitch: str | None
    degree: str | None
    phrase: int


def heard(a: Analysis, aloud: Analysis) -> list[SoundRead]:
    """Every attack once through: letters as printed, sounding as sung."""
    sounding = {s.note: s.pitch.midi for s in aloud.attacks if s.pitch}
    phrase = {index: n for n, p in enumerate(a.phrases) for index in range(p.first, p.stop)}
    return [
        SoundRead(
            note=s.note,
            bar=s.bar,
            onset=float(s.onset),
            length=float(s.duration),
            midi=sounding.get(s.note),
            pitch=str(s.pitch) if s.pitch else None,
            degree=str(a.degree(s) or "") or None,
            phrase=phrase.get(index, 0),
        )
        for index, s in enumerate(a.timeline)
        if s.attack
    ]


def part_names(song: tables.Song, words: Words, variant: Variant = AS_IT_IS) -> list[str]:
    """What its parts are called, in their order; none where it has only one."""
    names = [part.name for part in laid_out(song, variant).parts]
    return [words.say(part_name(names, n)) for n in range(len(names))] if len(names) > 1 else []


class ScorePartRead(Read):
    """One part, counted from 1; `voice`: for which choir voice it lies best, in a sentence."""

    number: int
    name: str
    lead: bool
    low: str | None
    high: str | None
    voice: str
    sounds: list[SoundRead]

    @classmethod
    def every(cls, song: tables.Song, variant: Variant, words: Words) -> list[ScorePartRead]:
        """Of a song of one part none: everything is said of it already."""
        score, minor = laid_out(song, variant), words.sequence.wording.minor
        names = part_names(song, words, variant)
        if not names:
            return []
        found = []
        for n, a in enumerate(parts_seen(song, variant, minor)):
            aloud = as_sung(song, minor, replace(variant, part=n + 1))
            low, high = a.range or (None, None)
            found.append(
                cls(
                    number=n + 1,
                    name=names[n],
                    lead=n == score.lead,
                    low=str(low) if low else None,
                    high=str(high) if high else None,
                    voice=words.say(best_voice(aloud.attacks)),
                    sounds=heard(a, aloud),
                )
            )
        return found


class TogetherRead(Read):
    """What two parts do together that is worth a look, and in which bars."""

    kind: str
    bars: list[int]
    message: str

    @classmethod
    def every(cls, song: tables.Song, variant: Variant, words: Words) -> list[TogetherRead]:
        score = laid_out(song, variant)
        names = [part.name for part in score.parts]
        return [
            cls(kind=one.kind, bars=list(one.bars), message=words.say(one.said_of(names)))
            for one in remarks(score)
        ]


class RoundRead(Read):
    """A song as a round: each of `voices` enters `after` bars later."""

    voices: int
    after: int
    well: bool
    message: str

    @classmethod
    def of(cls, one: Round, words: Words) -> RoundRead:
        said = because("round_so", voices=one.voices, after=one.after, how=one.fit.said)
        return cls(voices=one.voices, after=one.after, well=one.fit.well, message=words.say(said))


class PartnerRead(Read):
    """Another song that fits over this one."""

    id: UUID
    title: str
    well: bool
    message: str

    @classmethod
    def of(cls, one: Partner, words: Words) -> PartnerRead:
        return cls(id=one.id, title=one.title, well=one.fit.well, message=words.say(one.fit.said))


class SingTogetherRead(Read):
    """The ways to sing one song as a round, and the songs that fit over it, best first."""

    rounds: list[RoundRead]
    partners: list[PartnerRead]
