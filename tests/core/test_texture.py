"""Layers, words that become a rhythm, bars and recorder, against answers worked out the long way."""

from __future__ import annotations

import random
from fractions import Fraction
from math import lcm

import pytest

from conftest import SETTINGS
from kopje.core.analysis.analysis import analyse
from kopje.core.errors import TextureError
from kopje.core.instruments.barred import bars_for, natural_homes
from kopje.core.instruments.bordun import borduns, crosses
from kopje.core.instruments.letters import differences, read_letters
from kopje.core.instruments.recorder import fingerings, fingers_moved, hardest_change, keys_for
from kopje.core.instruments.speech.rhythm import proposals, usual_figures
from kopje.core.instruments.speech.spoken import Said, spoken
from kopje.core.instruments.texture import FAMILIES, Beat, Layer, Texture, cut, written
from kopje.core.music.degree import Do, plain_do
from kopje.core.music.meter import Meter
from kopje.core.music.pitch import Pitch
from kopje.formats.hyphens import syllables_of
from kopje.formats.read import read_tunes
from kopje.formats.stress import stress_dictionary
from kopje.formats.textures import read_texture, write_texture

FINE = 12  # points a beat: halves, thirds, quarters
METERS = [Meter.parse(text) for text in ("2/4", "3/4", "4/4", "6/8")]


def random_texture(draw: random.Random) -> Texture:
    layers = []
    for name in "abcdefgh"[: draw.randint(1, 8)]:
        loop = tuple(
            Beat(
                Fraction(draw.choice((3, 4, 6, 6, 12, 12, 12, 24)), FINE),  # type: ignore[arg-type]
                draw.random() < 0.3,
            )
            for _ in range(draw.randint(1, 5))
        )
        whole = sum(Fraction(b.length.numerator, b.length.denominator) for b in loop)
        rest = -whole % 1
        if rest:  # most loops fill whole beats
            loop += (Beat(rest, True),)  # type: ignore[arg-type]
        layers.append(Layer(name, draw.choice(FAMILIES), loop, (), draw.randint(1, 9)))
    return Texture(draw.choice(METERS), draw.randint(1, 8), tuple(layers))


def points(layer: Layer, cycle: int) -> tuple[set[int], set[int]]:
    """(where it begins, where it sounds) by walking the loop round and round."""
    begins, sounds, at = set(), set(), 0
    while at < cycle:
        for one in layer.loop:
            length = int(one.length * FINE)
            if not one.rest:
                begins.add(at)
                sounds.update(range(at, at + length))
            at += length
    return begins, sounds


def test_five_thousand_textures_are_answered_as_by_walking_through_them() -> None:
    draw = random.Random(16)
    for _ in range(5_000):
        t = random_texture(draw)
        sizes = [int(layer.beats * FINE) for layer in t.layers]
        cycle = lcm(*sizes)
        assert t.together_after == Fraction(cycle, FINE)
        if cycle > 1_500:
            continue
        every = {layer.name: points(layer, cycle) for layer in t.layers}
        hidden = {
            (one, other)
            for one, (mine, _) in every.items()
            for other, (theirs, _) in every.items()
            if one != other and mine <= theirs
        }
        assert {(one.name, other.name) for one, other in t.hidden} == hidden
        begins = set().union(*(one for one, _ in every.values()))
        sounds = set().union(*(one for _, one in every.values()))
        beats = range(0, cycle, FINE)
        silent = [n // FINE + 1 for n in beats if not sounds & set(range(n, min(n + FINE, cycle)))]
        assert list(t.silent_beats) == silent
        at = 0
        for one in t.sum:
            assert (at in begins) is not one.rest
            inside = range(at + 1, at + int(one.length * FINE))
            assert not begins & set(inside)
            assert all((n in sounds) is not one.rest for n in inside)
            at += int(one.length * FINE)
        assert at == cycle
        order = sorted(
            range(len(t.layers)),
            key=lambda n: (
                sorted(points(t.layers[n], sizes[n])[0]) != list(range(0, sizes[n], FINE)) or sizes[n] % FINE,
                Fraction(len(points(t.layers[n], sizes[n])[0]), sizes[n]),
                FAMILIES.index(t.layers[n].family),
                n,
            ),
        )
        assert [layer.name for layer in t.entry_order] == [t.layers[n].name for n in order]
        bar = t.phrase_bars * t.meter.beats * FINE
        assert [one.name for one in t.does_not_fit] == [
            one.name for one, size in zip(t.layers, sizes, strict=True) if bar % size
        ]
        for one in t.layers:
            assert all(t.phrase % fit == 0 for fit in t.would_fit(one))
            pieces = cut(one)
            assert pieces is None or pieces[0] + pieces[1] == one.loop


def test_a_texture_comes_back_from_its_file_and_bad_ones_say_what_is_wrong() -> None:
    texture = random_texture(random.Random(3))
    assert read_texture(write_texture(texture)) == texture
    good = '{"meter":"4/4","phrase_bars":4,"layers":[%s]}'
    layer = '{"name":"a","family":"skin","rhythm":["%s"]}'
    for data, code in (
        ("[]", "texture_unreadable"),
        (good % "", "texture_count"),
        (good % (layer % "x"), "texture_value"),
        (good % (layer % "0"), "texture_empty"),
        (good % ",".join([layer % "1"] * 2), "texture_twice"),
        (good % (layer % "1").replace("skin", "string"), "texture_unreadable"),
        (good % (layer % "1").replace("}", ',"strokes":["high","low"]}'), "texture_strokes"),
    ):
        with pytest.raises(TextureError) as refused:
            read_texture(data.encode())
        assert refused.value.reason.code == code


SENTENCES = {
    "The LITtle BEEtle HURried over the HILL": "0101010 10 01",
    "CAN you HEAR the RAIN, FALLing ON the ROOF?": "1 0 1 0 1 10 0 0 1",
    "I DON'T WANT to GO HOME": "0 1 1 0 1 1",
    "WAtermelon, baNAna, POtato": "1000 010 010",
    "SLEEpy LION, Open your EYES and LISten": "10 10 10 0 1 0 10",
    "NO MORE SNOW upON the MOUNtain": "1 1 1 00 0 10",
    "GRANDmother's BLACKberries TASted WONderful": "100 100 10 100",
}


def said(words: str) -> tuple[Said, ...]:
    return spoken(words.lower(), stress_dictionary(), syllables_of)


def test_words_fall_into_syllables_with_their_stress() -> None:
    wrong = [
        (words, got)
        for words, asked in SENTENCES.items()
        if (got := "".join(str(int(one.stressed)) for one in said(words))) != asked.replace(" ", "")
    ]
    assert wrong == []
    for words in ("", "3 bears", "…"):
        with pytest.raises(TextureError):
            said(words)


@pytest.mark.parametrize("meter", METERS, ids=str)
def test_every_proposal_holds_the_words_in_whole_bars_of_known_figures(meter: Meter) -> None:
    for words in SENTENCES:
        syllables = said(words)
        found = proposals(syllables, meter)
        assert 3 <= len(found) <= 5
        assert len({laid.values for laid in found}) == len(found)
        assert [laid.cost for laid in found] == sorted(laid.cost for laid in found)
        for laid in found:
            assert sum(not one.rest for one in laid.values) == len(syllables)
            assert sum(one.length for one in laid.values) == laid.bars * meter.beats
        first = found[0]
        on_beats = [place.denominator == 1 for place in first.places]
        assert all(on for on, one in zip(on_beats, syllables, strict=True) if one.stressed)
        assert first.values[0].rest is not syllables[0].stressed
    with pytest.raises(TextureError):
        proposals(said("hello there"), meter, [usual_figures(meter)[-1]])


def test_the_same_words_give_the_same_rhythm() -> None:
    laid = proposals(said("Watermelon, banana"), Meter.parse("4/4"))
    assert [written(one.values) for one in laid] == [
        written(one.values) for one in proposals(said("Watermelon, banana"), Meter.parse("4/4"))
    ]


BARS = {  # (do, degrees): off, on, missing; by hand
    ("C", "do re mi fa so la ti"): ("", "", ""),
    ("F", "do re mi so la"): ("", "", ""),
    ("F", "do re mi fa so la"): ("B", "B♭", ""),
    ("G", "do re mi fa so la"): ("", "", ""),
    ("G", "do re mi so la ti"): ("F", "F♯", ""),
    ("D", "do re mi so la"): ("F", "F♯", ""),
    ("D", "do re mi fa so la ti"): ("C F", "F♯", "C♯"),
    ("C", "la ti do re mi fa si"): ("G", "", "G♯"),
    ("F", "la do mi si"): ("C", "", "C♯"),
    ("Bb", "do re mi fa"): ("B E", "B♭", "E♭"),
}
STEPS = {"do": 0, "re": 2, "mi": 4, "fa": 5, "so": 7, "si": 8, "la": 9, "ti": 11}
LETTER = {"do": 0, "re": 1, "mi": 2, "fa": 3, "so": 4, "si": 4, "la": 5, "ti": 6}


def test_bars_off_and_on_as_by_hand_and_homes_without_a_swap() -> None:
    for (do, degrees), (off, on, missing) in BARS.items():
        home = plain_do(do).pitch
        pitches = [home.moved(LETTER[one], STEPS[one]) for one in degrees.split()]
        bars = bars_for(pitches)
        assert (" ".join(bars.off), " ".join(bars.on), " ".join(bars.missing)) == (off, on, missing)
        natural = natural_homes(pitches, plain_do(do))
        for letter in "CDEFGAB":
            there = [plain_do(letter).pitch.moved(LETTER[one], STEPS[one]) for one in degrees.split()]
            assert (letter in natural) is all(pitch.alter == 0 for pitch in there)


def test_recorder_keys_are_those_in_which_some_octave_lies_on_the_tones() -> None:
    draw = random.Random(5)
    table = sorted(fingerings("german"))
    for _ in range(300):
        do = Do(*draw.choice((("C", 0), ("G", 0), ("F", 0), ("D", 0), ("B", -1), ("A", 0), ("B", 0))))
        tones = set(draw.sample(table, draw.randint(3, len(table))))
        names = draw.sample(sorted(STEPS), draw.randint(1, 4))
        pitches = {do.pitch.moved(LETTER[n] + 7 * o, STEPS[n] + 12 * o) for n in names for o in (0,)}
        found = keys_for(pitches, do, tones)
        assert len({str(one.do) for one in found}) == 9
        away = []
        for one in found:
            near = [
                Pitch(one.do.letter, one.do.alter, octave)
                for octave in range(2, 8)
                if abs(Pitch(one.do.letter, one.do.alter, octave).midi - do.pitch.midi) <= 12
            ]
            fits = [
                all(str(p.moved(to.step - do.pitch.step, to.midi - do.pitch.midi)) in tones for p in pitches)
                for to in near
            ]
            assert one.playable is any(fits)
            away.append(min((abs(to.midi - do.pitch.midi), to.midi - do.pitch.midi) for to in near))
        assert away == sorted(away)


def test_every_bordun_that_fits_never_rubs_and_only_the_crossover_crosses() -> None:
    """Each song of ours walked through again: at each stroke what sounds, by pitch alone."""
    fits = 0
    for file in SETTINGS.songs.glob("*"):
        a = analyse(read_tunes(file.read_bytes(), file.name)[0])
        meter = a.tune.bars[0].meter
        for one in borduns(a):
            assert bars_for([one.pitch(stroke) for stroke in one.strokes]).playable
            assert crosses(one.strokes, one.do) is (one.rung == "crossover")
            rubs = set()
            for bar in range(1, one.times + 1):
                sounds = [s for s in a.attacks if s.bar == bar and s.pitch]
                for stroke in one.strokes:
                    at = stroke.beat * meter.beat
                    for s in sounds:
                        assert s.pitch is not None
                        if s.place <= at < s.place + s.duration:
                            apart = abs(s.pitch.midi - one.pitch(stroke).midi) % 12
                            if apart in (1, 11):
                                rubs.add(bar)
            assert rubs <= {clash.bar for clash in one.clashes}
            assert not (one.fits and rubs)
            fits += one.fits
    assert fits > 300


def test_two_hundred_corrupted_lines_are_found_at_their_places() -> None:
    draw = random.Random(12)
    tunes = [
        [s.pitch.name for s in analyse(read_tunes(f.read_bytes(), f.name)[0]).attacks if s.pitch]
        for f in sorted(SETTINGS.songs.glob("*"))
    ]
    for _ in range(200):
        tune = draw.choice([one for one in tunes if one])
        at, how = draw.randrange(len(tune)), draw.choice(("more", "less", "other"))
        letters = list(tune)
        if how == "less":
            del letters[at]
        else:
            new = draw.choice([one for one in ("A", "B", "C", "D", "E", "Bb", "F#") if one != tune[at]])
            letters[at : at + (how == "other")] = [new]
        if not letters:
            continue
        size = draw.randint(3, 9)
        lines = [letters[n : n + size] for n in range(0, len(letters), size)]
        given = read_letters("\n".join(" ".join(line).lower() for line in lines).replace("bb", "B♭"))
        (found,) = differences(given, tune)
        assert found.kind == how
        where = (found.line - 1) * size + found.place - 1
        # Among letters that are alike any of them may be the one.
        alike = tune[at] if how == "less" else letters[at]
        low, high = sorted((where, at))
        assert all(one == alike for one in letters[low:high])
    assert differences(read_letters("g A | b"), ["G", "A", "B"]) == ()
    for wrong in ("", "G H", "do re"):
        with pytest.raises(TextureError):
            read_letters(wrong)


def test_the_hardest_change_moves_most_holes() -> None:
    table = fingerings("baroque")
    assert fingers_moved(table["B4"], table["A4"]) == 1
    assert fingers_moved(table["C5"], table["D5"]) == 1
    assert hardest_change(["B4", "A4", "C5", "D4", "G4"], table) == ("C5", "D4", 5)
    assert hardest_change(["B4"], table) is None
