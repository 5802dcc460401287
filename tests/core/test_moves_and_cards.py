"""A song as a dance, and cards as they are laid: laws over every shipped song and every size of a set."""

from __future__ import annotations

from collections.abc import Sequence
from fractions import Fraction
from itertools import pairwise

import pytest

from kopje.core.instruments.cards.laying import asked, laid
from kopje.core.instruments.cards.sounding import INSTRUMENTS, SOUNDINGS, of_sounding
from kopje.core.instruments.moves.dance import Part, dance, letter
from kopje.core.instruments.moves.vocabulary import FORMATIONS, LADDER, MOVES, Formation, from_chair
from kopje.engraving.instruments_drawn import DRAWN
from making import SONGS, shipped

TOUCHING = {name for name, move in MOVES.items() if move.touch}


@pytest.mark.parametrize("formation", FORMATIONS)
def test_every_song_is_danced_as_it_is_sung(formation: Formation) -> None:
    for slug in (file.stem for file in sorted(SONGS.glob("*.abc"))):
        a = shipped(slug)
        found = dance(a, formation)
        parts = found.parts
        assert " ".join(one.label for one in parts) == a.form_played
        assert all(one.begins + one.beats == other.begins for one, other in pairwise(parts))
        by_letter = {letter(one.label): one.move for one in parts if not one.own}
        assert all(one.own or one.move == by_letter[letter(one.label)] for one in parts)  # alike is alike
        assert not away(parts)
        assert sum(one.own for one in parts) == (len(parts) > 1)
        assert not any(one.own for one in dance(a, formation, own=False).parts)
        assert not found.touches
        moves = {letter(one.label): one.move for one in dance(a, formation, own=False).parts}
        assert len(set(moves.values())) == min(len(moves), len(set(LADDER[formation]) - TOUCHING))
        assert formation != "chairs" or not found.travels
        assert all(not MOVES[from_chair(one.move)].travels for one in parts)
        assert all(not MOVES[from_chair(one.move)].touch for one in parts)


def away(parts: Sequence[Part]) -> dict[str, Fraction]:
    """How far, in beats, who travels ends from where he began; nothing where he is back."""
    signs = {"in": ("across", 1), "out": ("across", -1), "left": ("round", 1), "right": ("round", -1)}
    found: dict[str, Fraction] = {}
    for one in parts:
        if one.travel is not None:
            axis, sign = signs[one.travel]
            found[axis] = found.get(axis, Fraction(0)) + sign * one.beats
    return {axis: far for axis, far in found.items() if far}


def test_no_name_lies_under_its_picture_and_each_card_lies_once() -> None:
    for count in range(2, 41):
        for seed in range(40):
            found = laid(count, seed)
            for rows in (found.pictures, found.names):
                assert sorted(one for row in rows for one in row) == list(range(count))
                assert all(len(row) <= 6 for row in rows)
            pairs = zip(sum(found.pictures, ()), sum(found.names, ()), strict=True)
            assert all(picture != name for picture, name in pairs)


def test_the_right_name_is_offered_beside_what_sounds_alike() -> None:
    alike = list(INSTRUMENTS.values())
    places = [0] * 4
    for seed in range(60):
        for at, mine in enumerate(alike):
            offered = asked(alike, at, seed)
            assert len(set(offered)) == 4
            places[offered.index(at)] += 1
            others = sum(bool(set(mine) & set(one)) for one in alike) - 1
            assert sum(bool(set(mine) & set(alike[n])) for n in offered if n != at) == min(3, others)
    assert min(places) > 0.2 * sum(places)  # no place gives the answer away


def test_every_instrument_is_drawn_and_every_family_has_some() -> None:
    assert set(DRAWN) == set(INSTRUMENTS)
    assert len(INSTRUMENTS) >= 24
    assert all(len(of_sounding(one)) >= 2 for one in SOUNDINGS)
