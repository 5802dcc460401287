"""Rules as data, tested from the same tables that the application uses; and laws of keys and voices."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kopje.core.analysis import elements
from kopje.core.analysis.analysis import analyse
from kopje.core.analysis.key_choice import VOICES, best_keys, weights
from kopje.core.exact import Fraction
from kopje.core.music.degree import Do
from kopje.core.music.meter import Meter
from kopje.core.music.pitch import Pitch
from kopje.core.music.tune import Bar, Note, Tune, numbered
from kopje.core.planning.catalogue import CATALOGUE
from kopje.core.planning.template import SHIPPED_TEMPLATES
from kopje.core.sequence.concepts import STRANDS
from kopje.core.sequence.grades import outside
from kopje.core.sequence.shipped import SHIPPED

A = Pitch("A", 0, 4)
SIMPLE = {
    **elements.ONE_BEAT_SIMPLE,
    **elements.TWO_BEAT_SIMPLE,
    **{(k,): v for k, v in elements.LONG_SIMPLE.items()},
}


def tune_of(lengths: tuple[Fraction, ...], meter: Meter) -> Tune:
    """The lengths (in beats) from the first beat of a bar, filled up with quarters (or dotted quarters)."""
    filled = [*lengths]
    while sum(filled) < meter.beats:
        filled.append(Fraction(1))
    notes = tuple(Note("note", length * meter.beat, A) for length in filled)
    return Tune("x", numbered([Bar(notes, meter, None)]))


@pytest.mark.parametrize("meter", ["4/4", "2/2", "4/8"])
@pytest.mark.parametrize(("lengths", "key"), SIMPLE.items(), ids=SIMPLE.values())
def test_each_figure_keeps_its_name_whatever_note_has_the_beat(
    lengths: tuple[Fraction, ...], key: str, meter: str
) -> None:
    found = dict((row[0], row[1]) for row in analyse(tune_of(lengths, Meter.parse(meter))).element_rows)
    assert found.pop(key) == (1 if key != "quarter" else Meter.parse(meter).beats)
    assert set(found) <= {"quarter"}


@pytest.mark.parametrize(
    ("lengths", "key"), elements.ONE_BEAT_COMPOUND.items(), ids=elements.ONE_BEAT_COMPOUND.values()
)
def test_each_compound_figure_keeps_its_name(lengths: tuple[Fraction, ...], key: str) -> None:
    for meter in ("6/8", "12/8", "6/4"):
        rows = analyse(tune_of(lengths, Meter.parse(meter))).element_rows
        assert key in {row[0] for row in rows}
        assert {row[0] for row in rows} <= {key, "dotted_quarter"}


lengths_of_a_beat = st.lists(
    st.sampled_from(
        [*elements.ONE_BEAT_SIMPLE, (Fraction(1, 4), Fraction(1, 4), Fraction(1, 4), Fraction(1, 4))]
    ),
    min_size=4,
    max_size=4,
)


@given(lengths_of_a_beat)
def test_beats_that_fill_a_bar_leave_no_figure_without_a_name_and_none_is_lost(
    beats: list[tuple[Fraction, ...]],
) -> None:
    flat = tuple(length for beat in beats for length in beat)
    found = analyse(tune_of(flat, Meter.parse("4/4")))
    assert all(figure.key for figure in found.figures)
    counted = sum(count * sizes(key) for key, count, _ in found.element_rows)
    assert counted == len(flat)


def sizes(key: str) -> int:
    """How many notes a figure has."""
    return next(len(lengths) for lengths, name in SIMPLE.items() if name == key)


pitches = st.lists(st.integers(57, 77), min_size=1, max_size=12)


@given(pitches, st.sampled_from(sorted(VOICES)))
def test_a_key_that_is_offered_is_singable_and_the_first_is_the_cheapest(midi: list[int], grade: int) -> None:
    naturals = [m for m in midi if m % 12 in (0, 2, 4, 5, 7, 9, 11)] or [60]
    beats = weights((pitch_of(m), Fraction(1)) for m in naturals)
    voice = VOICES[grade]
    found = best_keys(beats, Do("C", 0, 4), voice)
    assert [choice.cost for choice in found] == sorted(choice.cost for choice in found)
    for choice in found:
        assert voice.lowest.midi <= choice.low.midi <= choice.high.midi <= voice.highest.midi
        assert abs(choice.do.fifths) <= 4
        assert choice.high.midi - choice.low.midi == max(naturals) - min(naturals)
    if max(naturals) - min(naturals) <= 5:
        assert found[0].comfortable or grade == 0


def pitch_of(midi: int) -> Pitch:
    octave, place = divmod(midi, 12)
    return Pitch("CCDDEFFGGAAB"[place], 0, octave - 1)


def test_every_slot_of_every_template_has_an_activity_that_fits_and_the_minutes_can_be_kept() -> None:
    for grade in range(9):
        for minutes in (30, 40, 45, 60):
            template = SHIPPED_TEMPLATES.of(grade)
            slots = template.slots_for(minutes)
            least = 0
            for slot in slots:
                fits = [a for a in CATALOGUE if slot.role in a.roles and outside(grade, grade, a.grades) == 0]
                assert fits, (grade, slot.role)
                least += min(a.minutes[0] for a in fits)
            assert least <= template.available(minutes, len(slots))


def test_every_activity_speaks_for_itself_and_says_its_care() -> None:
    for one in CATALOGUE:
        least, usual, most = one.minutes
        assert 1 <= least <= usual <= most <= 20, one.key
        assert one.steps, one.key
        assert all(step.endswith((".", "?", "!")) for step in one.steps), one.key
        assert not (one.hears and one.voices == "class"), one.key
        if one.energy == "moving" and one.kind in ("singing game", "movement"):
            assert one.care or one.routine or "walk" in one.key, one.key


@pytest.mark.parametrize("name", SHIPPED)
def test_every_concept_has_a_known_strand_a_question_and_a_way_to_show_it(name: str) -> None:
    for concept in SHIPPED[name].concepts:
        assert concept.strand in STRANDS
        assert concept.prompt.endswith((".", "?")), concept.key
        assert concept.ways
        assert concept.grade >= max((SHIPPED[name].concept(n).grade for n in concept.needs), default=0), (
            concept.key
        )
