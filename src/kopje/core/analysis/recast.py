"""A tune in the parallel tonality: the resting pitch stays, major becomes minor and minor major. Source:
docs/sources.md#recasting."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import replace
from typing import Literal

from kopje.core.analysis.analysis import Analysis
from kopje.core.analysis.timeline import Sound
from kopje.core.errors import TuneError
from kopje.core.music.degree import LOWERED, NATURAL, RAISED, Degree, Do
from kopje.core.music.pitch import Pitch
from kopje.core.music.tune import Key, Note, Tune
from kopje.core.reasons import Tone

How = Literal["parallel", "half", "dorian", "phrygian", "lydian", "mixolydian"]
LETTERS_UP, SEMITONES_UP = 2, 3  # from a minor's resting tone to its do
RESTING_OF = {"dorian": "re", "phrygian": "mi", "lydian": "fa", "mixolydian": "so"}


def recast(a: Analysis, how: How) -> Tune:
    """The whole tune in the parallel tonality or a mode on the same resting pitch, or in the parallel one
    from its middle phrase on (“half”). TuneError where it cannot be said.

    To minor, ti goes to si where it leads home (repeats of it between allowed), else to so; so and si come
    back as ti."""
    t = a.tonality
    home = other_home(a, how)
    if t.do is None or home is None:
        said = "recast_no_parallel" if how in ("parallel", "half") else "recast_no_mode"
        raise TuneError(said, value=t.name)
    if len(a.areas) > 1:
        raise TuneError("recast_key_changes")
    if a.moved:
        raise TuneError("recast_tonality_changes")
    do, resting = home
    first = (len(a.phrases) + 1) // 2 if how == "half" else 0
    pitches = dict(_pitches(a, do, (t.resting or "", resting), first))
    tune = _with(a.tune, pitches)
    return tune if first else _signed(tune, do.fifths - t.do.fifths)


def other_home(a: Analysis, how: How = "parallel") -> tuple[Do, str] | None:
    """(do, resting tone) after recasting the whole; None where it has no such tonality, or has it already."""
    t = a.tonality
    if t.do is None or t.name == "not_established" or t.resting is None:
        return None
    if how in RESTING_OF:
        resting = RESTING_OF[how]
        if t.name == how:
            return None
        up = Degree.parse(resting)
        pitch = t.do.sounding(Degree.parse(t.resting)).moved(-up.step, -up.semitones)
        return Do(pitch.letter, pitch.alter, pitch.octave), resting
    if t.name not in ("major", "minor"):
        return None
    return _other_do(t.do, t.name == "major"), "la" if t.name == "major" else "do"


def _other_do(do: Do, to_minor: bool) -> Do:
    """The resting pitch stays: la of the minor is do of the major."""
    up = do.pitch.moved(LETTERS_UP, SEMITONES_UP) if to_minor else do.pitch.moved(-LETTERS_UP, -SEMITONES_UP)
    return Do(up.letter, up.alter, up.octave)


def _pitches(a: Analysis, do: Do, homes: tuple[str, str], first: int) -> Iterable[tuple[int, Pitch]]:
    """New pitches of the sounds from a phrase on; `homes`: resting tone before and after."""
    for phrase in a.phrases[first:]:
        inside = [s for s in a.timeline[phrase.first : phrase.stop] if s.attack and s.pitch]
        for place, sound in enumerate(inside):
            degree = a.degree(sound)
            if degree is not None and sound.pitch is not None:
                leads = (
                    homes == ("do", "la") and degree.syllable == "ti" and _leads_home(a, inside[place + 1 :])
                )
                yield sound.note, _recast(sound.pitch, degree, do, homes, leads)


def _leads_home(a: Analysis, following: Sequence[Sound]) -> bool:
    for sound in following:
        degree = a.degree(sound)
        if degree is None or degree.syllable != "ti":
            return degree is not None and degree.syllable == "do"
    return False


def _recast(pitch: Pitch, degree: Degree, do: Do, homes: tuple[str, str], leads: bool) -> Pitch:
    """The same letter in the other scale; what was altered stays altered by as much."""
    alter = degree.alter + leads
    if homes == ("la", "do") and degree.syllable == "si":
        alter = 0  # the leading tone is a tone of major
    new = do.degree(Pitch(pitch.letter, 0, pitch.octave))
    found = Degree(new.index, alter, new.octave)
    natural = NATURAL[found.index]
    if (alter and natural not in (RAISED if alter > 0 else LOWERED)) or abs(alter) > 1:
        raise TuneError("recast_no_syllable", tone=Tone(str(degree)), value=str(degree))
    return do.sounding(found)


def _with(tune: Tune, pitches: dict[int, Pitch]) -> Tune:
    """New pitches by the index of printed notes; tied notes go with the one they hold."""
    bars, index, held = [], 0, None
    for bar in tune.bars:
        notes: list[Note] = []
        for note in bar.notes:
            pitch = held if note.tie_in else pitches.get(index, note.pitch)
            notes.append(replace(note, pitch=pitch if note.pitch else None))
            held = pitch
            index += 1
        bars.append(replace(bar, notes=tuple(notes)))
    return replace(tune, bars=tuple(bars))


def _signed(tune: Tune, fifths: int) -> Tune:
    """The signature of the new do; what has no signature of seven signs or fewer keeps the old one."""

    def key(old: Key | None) -> Key | None:
        return Key(old.fifths + fifths, None) if old and abs(old.fifths + fifths) <= 7 else old

    return replace(tune, bars=tuple(replace(bar, key=key(bar.key)) for bar in tune.bars))
