"""Where a choir's reading holds and where it breaks: a mark on a level says something of its rungs.

Source: docs/sources.md#reading-ladder.
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import replace

from kopje.core.choir.rungs import BREAKS, Rung, holds, rungs_of
from kopje.core.ledger.marks import Mark
from kopje.core.ledger.rules import AS_SHIPPED, LedgerRules
from kopje.core.ledger.standing import Standing, standing
from kopje.core.sequence.concepts import Concept, ConceptKey
from kopje.core.sequence.grades import CHOIR


def on_rungs(mark: Mark) -> tuple[Mark, ...]:
    """What a mark on a level says of each rung.

    Who reads a level securely has its rungs and all beneath them. Where it broke, the rung named has the
    mark's result, and the others held. Where nobody said what broke, nothing is known of any rung. In one
    part there is no part of one's own to hold."""
    rungs = [rung for rung in rungs_of(mark.concept) if rung.strand in BREAKS and rung.key != "v1"]
    if mark.result != "secure" and not mark.broke:
        return ()
    found: list[Mark] = []
    for rung in rungs:
        broke = mark.result != "secure" and rung.strand in mark.broke
        held = (rung,) if broke else [one for one in holds(rung) if one.key != "v1"]
        result = mark.result if broke else "secure"
        found += [replace(mark, concept=rung_key(one), result=result, broke=()) for one in held]
    return tuple(found)


def rung_key(rung: Rung) -> ConceptKey:
    return ConceptKey(f"rung-{rung.key}")


def rung_standing(rung: Rung, marks: Iterable[Mark], rules: LedgerRules = AS_SHIPPED) -> Standing:
    """How far a child is on a rung, by the rule that counts for everything, from all its marks on levels."""
    as_concept = Concept(rung_key(rung), rung.name, "sight-singing", CHOIR, ways=("read",))
    said = [one for mark in marks for one in on_rungs(mark)]
    return standing(as_concept, said, rules)


def newest_break(marks: Iterable[Mark]) -> tuple[str, ...]:
    """In which strands the newest of some marks broke; nothing where it held."""
    newest = max(marks, key=lambda mark: mark.order, default=None)
    return newest.broke if newest is not None and newest.result != "secure" else ()
