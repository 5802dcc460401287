"""Commands about instruments: layers, words that become a rhythm, bars, the recorder."""

from __future__ import annotations

import argparse
import json
from collections.abc import Iterator
from pathlib import Path
from typing import TYPE_CHECKING, Any

from kopje.core.errors import FileError, TuneError
from kopje.settings import Settings
from kopje.words import Words, catalogue

if TYPE_CHECKING:
    from kopje.core.analysis.analysis import Analysis
    from kopje.core.music.pitch import Pitch


def add_commands(commands: argparse._SubParsersAction[argparse.ArgumentParser]) -> None:
    layers = commands.add_parser("layers", help="say whether layers fit together")
    layers.add_argument("file", type=Path, metavar="FILE")
    layers.set_defaults(run=_layers)
    speech = commands.add_parser("speech", help="make a rhythm of words")
    speech.add_argument("words", metavar="WORDS")
    speech.add_argument("--meter", required=True, metavar="M")
    speech.add_argument("--figures", default="", metavar="KEY,KEY", help="what the class knows")
    speech.set_defaults(run=_speech)
    barred = commands.add_parser("barred", help="which bars come off and on for a tune")
    barred.add_argument("file", type=Path, metavar="FILE")
    barred.add_argument("--do", metavar="X")
    barred.set_defaults(run=_barred)
    recorder = commands.add_parser("recorder", help="what a tune needs of the recorder")
    recorder.add_argument("file", type=Path, metavar="FILE")
    recorder.add_argument("--tones", metavar="B4,A4,G4", help="what is known; else every fingering there is")
    recorder.add_argument("--system", choices=("baroque", "german"), default="baroque")
    recorder.set_defaults(run=_recorder)
    for one in (layers, speech, barred, recorder):
        one.add_argument("--json", action="store_true")


def _tell(found: dict[str, Any], options: argparse.Namespace) -> int:
    """As JSON on one line; else name by name."""
    if options.json:
        print(json.dumps(found, ensure_ascii=False))
    else:
        for name, value in found.items():
            print(f"{name}: {value if isinstance(value, str) else json.dumps(value, ensure_ascii=False)}")
    return 0


def _bytes(file: Path) -> bytes:
    from kopje.formats.limits import bytes_of

    try:
        return bytes_of(file)
    except OSError as problem:
        raise FileError("file_cannot_be_opened", why=problem.strerror or "", value=file.name) from problem


def _layers(options: argparse.Namespace) -> int:
    from kopje.core.instruments.texture import written
    from kopje.formats.textures import read_texture

    t = read_texture(_bytes(options.file))
    return _tell(
        {
            "loop_beats": {one.name: str(one.beats) for one in t.layers},
            "together_after_beats": str(t.together_after),
            "does_not_fit": [one.name for one in t.does_not_fit],
            "all_in_bar": t.all_in,
            "hidden": [{"layer": one.name, "under": other.name} for one, other in t.hidden],
            "silent_beats": list(t.silent_beats),
            "onsets_per_beat": {one.name: str(one.density) for one in t.layers},
            "entry_order": [one.name for one in t.entry_order],
            "sum": written(t.sum),
        },
        options,
    )


def _speech(options: argparse.Namespace) -> int:
    from kopje.core.instruments.speech.rhythm import proposals, why
    from kopje.core.instruments.speech.spoken import spoken
    from kopje.core.instruments.texture import written
    from kopje.core.music.meter import Meter
    from kopje.formats.hyphens import syllables_of
    from kopje.formats.stress import stress_dictionary

    meter = Meter.parse(options.meter)
    said = spoken(options.words, stress_dictionary(), syllables_of)
    figures = [key.strip() for key in options.figures.split(",") if key.strip()]
    words = Words(catalogue(Settings().language, Settings().locales))
    return _tell(
        {
            "syllables": [one.text for one in said],
            "stress": [int(one.stressed) for one in said],
            "proposals": [
                {"rhythm": written(laid.values), "why": words.say(why(said, laid, meter))}
                for laid in proposals(said, meter, figures)
            ],
        },
        options,
    )


def _barred(options: argparse.Namespace) -> int:
    from kopje.core.instruments.barred import bars_for, moved_to, natural_homes
    from kopje.core.music.degree import plain_do

    for a, pitches in _tunes(options.file):
        do = a.tonality.do
        to = plain_do(options.do) if options.do else do
        if do is None and to is not None:
            raise TuneError("no_do_to_move", value=options.do)
        there = moved_to(pitches, do, to) if do is not None and to is not None else frozenset(pitches)
        bars = bars_for(there)
        _tell(
            {
                "do": str(to) if to else None,
                **{name: _ascii(getattr(bars, name)) for name in ("off", "on", "missing")},
                "in_range": bars.in_range,
                "natural_homes": list(natural_homes(pitches, do)) if do else [],
            },
            options,
        )
    return 0


def _recorder(options: argparse.Namespace) -> int:
    from kopje.core.instruments.recorder import fingerings, in_order, keys_for
    from kopje.core.music.pitch import Pitch

    table = fingerings(options.system)
    given = [one.strip() for one in (options.tones or "").split(",") if one.strip()]
    tones = {str(Pitch.parse(one)) for one in given} if options.tones is not None else set(table)
    for a, pitches in _tunes(options.file):
        needs = [str(pitch) for pitch in in_order(pitches)]
        missing = [name for name in needs if name not in tones]
        do = a.tonality.do
        _tell(
            {
                "needs": needs,
                "playable": not missing,
                "missing": missing,
                "fingerings": {name: table[name] for name in needs if name in table},
                "keys": [
                    {"do": str(one.do), "playable": one.playable}
                    for one in (keys_for(pitches, do, tones) if do else ())
                ],
            },
            options,
        )
    return 0


def _tunes(file: Path) -> Iterator[tuple[Analysis, set[Pitch]]]:
    from kopje.core.analysis.analysis import analyse
    from kopje.formats.read import read_tunes

    for tune in read_tunes(_bytes(file), file.name):
        a = analyse(tune)
        yield a, {sound.pitch for sound in a.attacks if sound.pitch is not None}


def _ascii(names: tuple[str, ...]) -> list[str]:
    return sorted(name.replace("♯", "#").replace("♭", "b") for name in names)
