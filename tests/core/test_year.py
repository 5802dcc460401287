"""Laying the arcs of a year: must-rules, what gives way, and why."""

from dataclasses import replace

import pytest

from core.years import demand, question
from kopje.core.planning.year.arcs import Arc, Concert, YearQuestion
from kopje.core.planning.year.costs import plan_cost, priority_cost
from kopje.core.planning.year.exchanges import in_turn, put_in_turn
from kopje.core.planning.year.fit import fit_year
from kopje.core.planning.year.greedy import greedy
from kopje.core.planning.year.keep import keep_order
from kopje.core.planning.year.validate import breaches, first_lesson
from kopje.core.planning.year.ways import (
    conflict,
    conflict_of_words,
    core,
    short_by,
    slack,
    verdict,
    ways_out,
)
from kopje.core.sequence.concepts import ConceptKey
from kopje.core.sequence.so_mi_first import SO_MI_FIRST
from making import said

SEEDS = [*range(30), 205, 254]  # the last two: a rest that lies behind what is left of a begun arc


def second_grade(lessons: int, **more: object) -> YearQuestion:
    concepts = [c for c in SO_MI_FIRST.concepts if c.grade == 2 and c.core]
    known = frozenset(c.key for c in SO_MI_FIRST.concepts if c.grade < 2)
    return YearQuestion(tuple(map(demand, concepts)), 1, lessons, ready=known, **more)  # type: ignore[arg-type]


def with_override(asked: YearQuestion, key: str, **override: int) -> YearQuestion:
    return replace(asked, demands=tuple(replace(d, **override) if d.key == key else d for d in asked.demands))


@pytest.mark.parametrize("seed", SEEDS)
def test_a_fitted_year_keeps_every_must_rule_and_is_never_worse_than_a_greedy_one(seed: int) -> None:
    asked = question(seed)
    first, plan = greedy(asked), fit_year(asked)
    assert breaches(asked, first) == breaches(asked, plan) == ()
    assert plan.cost == plan_cost(asked, plan) <= first.cost
    assert priority_cost(asked, plan) <= priority_cost(asked, first)
    assert 0 < plan.bound <= plan.cost  # the solver has answered: a greedy plan has no bound


@pytest.mark.parametrize("seed", range(0, 60, 3))
def test_short_arcs_that_change_places_leave_every_rule_and_cost_as_it_was(seed: int) -> None:
    asked = question(seed)
    plan = greedy(asked)
    pairs = in_turn(asked, plan.by_key)
    turned = put_in_turn(plan, pairs)
    assert breaches(asked, turned) == ()
    assert plan_cost(asked, turned) == plan_cost(asked, plan)
    assert all(turned.by_key[a].start < turned.by_key[b].start for a, b in pairs)


def test_the_same_question_has_the_same_plan() -> None:
    assert [fit_year(question(seed)) for seed in (4, 9)] == [fit_year(question(seed)) for seed in (4, 9)]


def test_the_validator_sees_what_is_wrong() -> None:
    asked = second_grade(60)
    plan = fit_year(asked)
    do = plan.by_key[ConceptKey("do")]
    twice = replace(plan, arcs=(*plan.arcs, replace(do, concept=ConceptKey("half"))))
    assert any("holds" in said for said in breaches(asked, twice))
    early = replace(
        plan,
        arcs=tuple(
            Arc(a.concept, 1, a.new, a.middle, 12, a.warm) if a.concept == "do-pentatonic" else a
            for a in plan.arcs
        ),
    )
    assert any("do-pentatonic" in said for said in breaches(asked, early))
    assert any("do not make up" in said for said in breaches(asked, replace(plan, arcs=plan.arcs[1:])))


def test_a_year_with_room_says_so_and_a_full_one_says_by_how_much() -> None:
    roomy, tight = second_grade(72), second_grade(28)
    assert short_by(roomy) == 0
    assert said(verdict(roomy, fit_year(roomy), 0)).startswith("It fits: ")
    short = short_by(tight)
    assert (slack(tight, fit_year(tight), short) < 0) is (
        "Short by" in said(verdict(tight, fit_year(tight), short))
    )
    assert short > 0
    assert short_by(second_grade(28 + short)) == 0
    assert short_by(second_grade(28 + short - 1)) == 1


def test_ways_out_differ_and_each_is_a_sound_plan() -> None:
    asked = second_grade(36)
    found = ways_out(asked)
    assert 2 <= len(found) <= 3
    assert len({way.reason for way in found}) == len(found)
    for way in found:
        assert breaches(way.question, way.plan) == ()
    kept = [way for way in found if way.kind in ("shorten", "reserve")]
    assert all(not set(way.plan.left_out) & {d.key for d in core(asked)} for way in kept)


def test_wishes_that_collide_are_named_and_no_others() -> None:
    asked = with_override(with_override(second_grade(60), "do", fixed=30), "re", latest=12)
    asked = replace(asked, concerts=(Concert("Autumn concert", 50, frozenset({ConceptKey("half")})),))
    found = [said(reason) for reason in conflict(asked)]
    assert found == ["Do begins in lesson 30.", "Re is named by lesson 12."]
    assert conflict(with_override(second_grade(60), "do", fixed=10)) == ()
    lost = Concert("Too soon", 3, frozenset({ConceptKey("four-beat-meter"), ConceptKey("half")}))
    asked = with_override(second_grade(60, concerts=(lost,)), "do", fixed=10)
    assert conflict(asked)
    assert conflict_of_words(asked) == ()  # the concert was lost before anybody said anything
    half = Concert("Soon", 12, frozenset({ConceptKey("four-beat-meter"), ConceptKey("half")}))
    collide = conflict_of_words(with_override(second_grade(60, concerts=(half,)), "half", earliest=20))
    assert [reason.about for reason in collide] == ["half", "Soon"]


def test_a_concert_pulls_its_concept_forward() -> None:
    usual = fit_year(second_grade(60)).by_key[ConceptKey("do-pentatonic")].present
    assert usual is not None
    concert = Concert("Concert", usual - 1, frozenset({ConceptKey("do-pentatonic")}))
    plan = fit_year(second_grade(60, concerts=(concert,)))
    present = plan.by_key[ConceptKey("do-pentatonic")].present
    assert present is not None
    assert present <= concert.lesson or "comes too soon" in verdict(
        second_grade(60, concerts=(concert,)), plan, 0
    )


def test_what_has_begun_goes_on_at_once_and_after_a_lost_lesson_the_order_stays() -> None:
    asked = second_grade(60)
    before = fit_year(asked)
    begun = tuple(replace(d, prepared=3) if d.key == "do" else d for d in asked.demands)
    starts = {arc.concept: first_lesson(arc) for arc in before.arcs}
    lost = replace(asked, demands=begun, first=6, before=starts)
    after = fit_year(lost)
    assert after.by_key[ConceptKey("do")].start == 6
    assert after.by_key[ConceptKey("do")].present == 7
    order = [arc.concept for arc in after.arcs if arc.concept in starts and not arc.short]
    assert order == sorted(order, key=lambda key: starts[key])
    assert breaches(lost, after) == ()


@pytest.mark.parametrize("seed", range(100, 112))
def test_after_a_lost_lesson_the_order_stays_and_every_must_rule_holds(seed: int) -> None:
    asked = question(seed)
    plan = fit_year(asked, quick=True)
    fewer = replace(asked, last=asked.last - 1)
    kept = keep_order(fewer, plan)
    assert breaches(fewer, kept) == ()
    for short in (False, True):
        order = [arc.concept for arc in plan.arcs if arc.short == short and arc.concept in kept.by_key]
        starts = [first_lesson(kept.by_key[key]) for key in order if not fewer.by_key[key].begun]
        assert starts == sorted(starts)
    assert len(set(kept.left_out) - set(plan.left_out)) <= 1
    assert keep_order(fewer, plan) == kept
