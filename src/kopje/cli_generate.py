"""`kopje generate`: exercises to read as files."""

from __future__ import annotations

import argparse
from pathlib import Path
from typing import TYPE_CHECKING

from kopje.core.errors import PracticeError
from kopje.settings import Settings
from kopje.words import Words, catalogue

if TYPE_CHECKING:
    from kopje.core.practice.reading.make import Made

LARGEST_SEED = 2**63 - 1


def add_commands(commands: argparse._SubParsersAction[argparse.ArgumentParser]) -> None:
    generating = commands.add_parser("generate", help="make an exercise to read and write it into a file")
    kinds = generating.add_subparsers(required=True)
    reading = _kind(kinds, "sight-singing", "by a level of the ladder of reading")
    reading.add_argument("--level", type=int, required=True, metavar="N")
    reading.add_argument("--parts", type=int, metavar="P", help="as many as the level has")
    reading.set_defaults(run=_reading)
    rhythm = _kind(kinds, "rhythm", "a line of figures without pitches")
    rhythm.add_argument("--figures", required=True, metavar="KEY,KEY")
    rhythm.set_defaults(run=_rhythm)
    melody = _kind(kinds, "melody", "one part of just these tones and figures")
    melody.add_argument("--tones", required=True, metavar="TONES", help='octave-marked: "so, do re mi"')
    melody.add_argument("--figures", required=True, metavar="KEY,KEY")
    melody.add_argument("--do", required=True, metavar="LETTER")
    melody.add_argument("--motion", choices=("steps", "skips", "leaps"), default="leaps")
    melody.add_argument("--rests-on", metavar="TONE")
    melody.set_defaults(run=_melody)


def _kind(
    kinds: argparse._SubParsersAction[argparse.ArgumentParser], name: str, said: str
) -> argparse.ArgumentParser:
    parser = kinds.add_parser(name, help=said)
    parser.add_argument("--seed", type=int, required=True, metavar="S")
    parser.add_argument("--bars", type=int, required=True, metavar="B")
    parser.add_argument("--meter", default="4/4", metavar="M")
    parser.add_argument("--out", type=Path, required=True, metavar="FILE")
    return parser


def _reading(options: argparse.Namespace) -> int:
    from kopje.core.music.meter import Meter
    from kopje.core.practice.reading.levels import numbered_level
    from kopje.core.practice.reading.make import make

    task = numbered_level(options.level)
    if options.parts not in (None, task.parts):
        raise PracticeError("reading_parts", level=options.level, parts=task.parts, value=options.parts)
    made = make(task, Meter.parse(options.meter), options.bars, _seed(options))
    title = _words().word("generated_level", level=options.level, number=str(options.seed))
    return _write(made, title, options)


def _rhythm(options: argparse.Namespace) -> int:
    from kopje.core.music.meter import Meter
    from kopje.core.practice.reading.own import rhythm_line

    made = rhythm_line(_keys(options), Meter.parse(options.meter), options.bars, _seed(options))
    return _write(made, _words().word("generated_rhythm", number=str(options.seed)), options)


def _melody(options: argparse.Namespace) -> int:
    from kopje.core.music.meter import Meter
    from kopje.core.practice.reading.own import melody

    made = melody(
        options.tones.replace(",", ", ").split()
        if " " not in options.tones.strip()
        else options.tones.split(),
        _keys(options),
        options.do,
        Meter.parse(options.meter),
        options.bars,
        _seed(options),
        options.motion,
        options.rests_on,
    )
    return _write(made, _words().word("generated_melody", number=str(options.seed)), options)


def _keys(options: argparse.Namespace) -> list[str]:
    return [key.strip() for key in options.figures.split(",") if key.strip()]


def _seed(options: argparse.Namespace) -> int:
    seed: int = options.seed
    if not 0 <= seed <= LARGEST_SEED:
        raise PracticeError("reading_seed", most=str(LARGEST_SEED), value=seed)
    return seed


def _write(made: Made, title: str, options: argparse.Namespace) -> int:
    from kopje.core.practice.reading.as_score import as_score
    from kopje.core.practice.reading.figures import TIE
    from kopje.core.practice.reading.levels import VOICES_OF
    from kopje.formats.write import write_score

    words = _words()
    names = [words.word(f"part_{voice}") for voice in VOICES_OF[len(made.voices)]]
    ties = TIE in getattr(options, "figures", "").split(",")
    if ties and not any(not e.rest and e.length >= 2 for e in made.voices[0]):
        raise PracticeError("figures_no_tie", value=options.figures)
    written = write_score(as_score(made, title, names, ties), options.out.name)
    try:
        options.out.write_bytes(written)
    except OSError as problem:
        raise PracticeError(
            "reading_not_written", name=options.out.name, why=problem.strerror or ""
        ) from problem
    return 0


def _words() -> Words:
    settings = Settings()
    return Words(catalogue(settings.language, settings.locales))
