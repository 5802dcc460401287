"""Sequences go out and come back unchanged; what cannot be taught is refused and named."""

import json
from dataclasses import replace

import pytest

from core.years import demand
from kopje.core.errors import SequenceError
from kopje.core.planning.year.arcs import YearQuestion
from kopje.core.planning.year.fit import fit_year
from kopje.core.reasons import because
from kopje.core.sequence.concepts import STRANDS, ConceptKey, Sequence
from kopje.core.sequence.shipped import SHIPPED, with_used
from kopje.formats.sequence_files import concept_values, read_sequence, sequence_of, write_case, write_csv
from making import refuses


@pytest.mark.parametrize("shipped", SHIPPED.values(), ids=list(SHIPPED))
def test_each_shipped_sequence_survives_both_files_and_is_in_order(shipped: Sequence) -> None:
    assert read_sequence(write_csv(shipped).encode(), "ours.csv").concepts == shipped.concepts
    assert (
        read_sequence(write_case(shipped, dict.fromkeys(STRANDS, "Strand")).encode(), "ours.json").concepts
        == shipped.concepts
    )
    dated = replace(
        shipped, concepts=(replace(shipped.concepts[0], not_before="10-01"), *shipped.concepts[1:])
    )
    assert read_sequence(write_csv(dated).encode(), "ours.csv").concepts == dated.concepts
    rows = [(c.name, concept_values(c)) for c in shipped.concepts]
    assert sequence_of(shipped.name, rows).concepts == shipped.concepts


@pytest.mark.parametrize("shipped", SHIPPED.values(), ids=list(SHIPPED))
def test_each_grade_of_a_shipped_sequence_can_be_taught_in_a_long_year(shipped: Sequence) -> None:
    for grade in range(6):
        mine = [c for c in shipped.concepts if c.grade == grade and c.core]
        known = frozenset(c.key for c in shipped.concepts if c.grade < grade)
        plan = fit_year(YearQuestion(tuple(map(demand, mine)), 1, 90, ready=known))
        assert plan.left_out == (), (shipped.name, grade)


def test_a_cycle_a_double_key_and_a_wrong_order_are_refused_and_named() -> None:
    so_mi = SHIPPED["so-mi"]
    values = [(because("at_row", number=n), concept_values(c)) for n, c in enumerate(so_mi.concepts, 1)]
    circular = [(w, {**v, "needs": ["do-pentatonic"]} if v["key"] == "do" else v) for w, v in values]
    with refuses(SequenceError, r"wait for each other: .*do"):
        sequence_of("x", circular)
    with refuses(SequenceError, "“do” stands twice"):
        sequence_of("x", [*values, ("Row 99", concept_values(so_mi.concept("do")))])
    with refuses(SequenceError, "stands before"):
        sequence_of("x", list(reversed(values)))
    with refuses(SequenceError, "“13-01” is no month and day"):
        sequence_of("x", [(where, {**v, "not_after": "13-01"}) for where, v in values])
    with refuses(SequenceError, "Row 2: key, name, strand and grade are needed"):
        read_sequence(b"key,name,strand,grade\ndo,do,melody,two\n", "a.csv")


def test_another_systems_package_is_read_with_its_order() -> None:
    package = {
        "CFDocument": {"title": "District"},
        "CFItems": [
            {"identifier": "a", "fullStatement": "Keeps a beat", "educationLevel": ["KG"]},
            {
                "identifier": "b",
                "fullStatement": "Reads a rhythm",
                "educationLevel": ["02"],
                "humanCodingScheme": "R2",
            },
        ],
        "CFAssociations": [
            {
                "associationType": "precedes",
                "originNodeURI": {"identifier": "a"},
                "destinationNodeURI": {"identifier": "b"},
            }
        ],
    }
    found = read_sequence(json.dumps(package).encode(), "d.json")
    assert [(c.key, c.grade, c.needs) for c in found.concepts] == [("a", 0, ()), ("R2", 2, ("a",))]


def test_what_is_in_use_comes_along_as_optional() -> None:
    old, new = SHIPPED["so-mi"], SHIPPED["scale"]
    whole, along = with_used(new, [old.concept("so-mi"), old.concept("la")])
    assert [c.key for c in along] == ["so-mi"]
    assert not whole.concept("so-mi").core
    assert whole.concept("la") == new.concept("la")
    assert replace(whole.concept("so-mi"), core=True).needs == (ConceptKey("high-low"), ConceptKey("contour"))


def test_a_sequence_from_before_traits_were_kept_is_found_as_it_was() -> None:
    """What ships under the same key is found as it ships; a concept of the school's own goes on with any song."""
    rows = [
        {"key": "aaba", "name": "form a a b a", "strand": "form", "grade": 2, "ways": ["sing"]},
        {"key": "own-clap", "name": "our clap", "strand": "beat", "grade": 1, "ways": ["sing"]},
        {
            "key": "own-tone",
            "name": "fi",
            "strand": "melody",
            "grade": 5,
            "ways": ["sing"],
            "degrees": ["fi"],
        },
    ]
    found = sequence_of("Old", [(because("at_row", number=n), row) for n, row in enumerate(rows, 1)])
    assert [c.found_by for c in found.concepts] == ["analysis", "any_song", "analysis"]
    assert found.concept("aaba").traits == ("aaba",)
