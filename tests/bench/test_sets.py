"""Composing lesson sets: beside the greedy composer and the bound, and after one pin."""

from __future__ import annotations

from dataclasses import replace
from statistics import median

from bench.timing import p95, say, timed
from core.test_lesson_set import asked
from kopje.core.planning.lesson import Choice
from kopje.core.planning.lesson_set.candidates import Cells
from kopje.core.planning.lesson_set.compose import compose_set
from kopje.core.planning.lesson_set.greedy import first_answer
from kopje.core.planning.lesson_set.linear import solve_part
from kopje.core.planning.lesson_set.model import SetModel
from kopje.core.planning.lesson_set.question import SetQuestion
from kopje.core.planning.lesson_set.search import best_answer
from kopje.core.planning.lesson_set.wishes import whole_model

GRADES, SEEDS = (0, 1, 2, 3, 4, 5), (1, 2)
WORKS = (5.0, 10.0)
NEAR, POINTS = 1.10, 4


def test_sets_of_six_beside_greedy_and_bound() -> None:
    for half in (False, True):
        print(f"with {'half of the songs' if half else 'all songs'}")
        models = {}
        for grade in GRADES:
            for seed in SEEDS:
                question = asked(grade, 6, seed)
                songs = question.songs[::2] if half else question.songs
                models[grade, seed] = _greedy(replace(question, songs=songs))
        walked = [took for _, took, _ in models.values()]
        print(
            f"cells, model and greedy: median {median(walked):.2f} s, slowest {max(walked):.2f} s (wanted 2)"
        )
        for work in WORKS:
            _solved(work, models)


def _greedy(question: SetQuestion) -> tuple[SetModel, float, int]:
    took, made = timed(lambda: whole_model(Cells(question)))
    greedy_took, hint = timed(lambda: first_answer(made))
    return made, took + greedy_took, solve_part(made.linear, hint, 2.5, [0] * len(made.linear.tops)).cost


def _solved(work: float, models: dict[tuple[int, int], tuple[SetModel, float, int]]) -> None:
    near = proven = 0
    solved, ratios = [], []
    for (grade, seed), (made, _, greedy) in models.items():
        took, best = timed(lambda made=made: best_answer(made, work))
        solved.append(took)
        near += best.cost <= max(NEAR * best.bound, best.bound + POINTS)
        proven += best.proven
        ratios.append(best.cost / greedy if greedy else 1.0)
        print(
            f"  grade {grade}, seed {seed}, {len(made.z)} cells: greedy {greedy}, found {best.cost}, "
            f"bound {best.bound}"
        )
    print(f"{work} of work: median {median(solved):.1f} s, slowest {max(solved):.1f} s of this machine")
    every = len(models)
    print(f"within 10 % or {POINTS} points of the bound: {near} of {every}; proven {proven}")
    print(f"cost beside the greedy composer: median {median(ratios):.2f}, worst {max(ratios):.2f}")


def test_after_one_pin() -> None:
    took, fresh, kept = [], [], []
    for grade in GRADES:
        question = asked(grade, 6)
        seconds, plan = timed(lambda question=question: compose_set(replace(question, work=2.5)))
        fresh.append(seconds)
        there = [{part.slot: part.choice for part in lesson.parts} for lesson in plan.lessons]
        frames = [replace(frame, there=there[n]) for n, frame in enumerate(question.lessons)]
        frames[2] = replace(frames[2], pins={"closing-1": Choice("one-minute-still")})
        pinned = replace(question, lessons=tuple(frames), keep=True, work=6.25)
        seconds, again = timed(lambda pinned=pinned: compose_set(pinned))
        took.append(seconds)
        same = [
            part.choice == there[n].get(part.slot)
            for n, lesson in enumerate(again.lessons)
            for part in lesson.parts
            if (n, part.slot) != (2, "closing-1")
        ]
        kept.append(sum(same) / len(same))
    say("one pin, beside composing afresh", sum(took), sum(fresh), "of interest")
    print(f"after one pin: median {median(took):.2f} s, 95 % {p95(took):.2f} s (wanted 1 and 2.5)")
    print(
        f"free parts unchanged: median {100 * median(kept):.0f} %, least {100 * min(kept):.0f} % (wanted 85)"
    )
