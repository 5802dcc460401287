"""Laying a year: beside many greedy plans, and after a lost lesson beside a fresh fit."""

from __future__ import annotations

from concurrent.futures import ThreadPoolExecutor
from dataclasses import replace
from random import Random
from statistics import median

from bench.timing import p95, say, timed
from core.years import question
from kopje.core.planning.year.costs import tier
from kopje.core.planning.year.fit import fit_year
from kopje.core.planning.year.greedy import greedy
from kopje.core.planning.year.keep import keep_order
from kopje.core.planning.year.validate import first_lesson
from kopje.core.planning.year.ways import conflict, short_by, ways_out

SECTIONS = range(25)
GREEDY = 48


def test_twenty_five_sections() -> None:
    fit_year(question(0))
    quick, slow, costs = [], [], []
    for seed in SECTIONS:
        asked = question(seed)
        took, plan = timed(lambda asked=asked: fit_year(asked))
        slow.append(took)
        chance, firsts = Random(seed), []
        for _ in range(GREEDY):
            order = list(asked.demands)
            chance.shuffle(order)
            seconds, first = timed(lambda asked=asked, order=order: greedy(asked, order))
            quick.append(seconds)
            firsts.append(first)
        best = min((tier(asked, first), first.cost) for first in firsts)
        assert tier(asked, plan) <= best[0]
        costs.append((plan.cost + 1) / (best[1] + 1))
    say(
        f"lay {len(SECTIONS)} sections, beside {GREEDY} greedy plans each",
        sum(slow),
        sum(quick),
        "of interest",
    )
    print(
        f"greedy plan: median {1000 * median(quick):.1f} ms, slowest {1000 * max(quick):.1f} ms (wanted 50)"
    )
    print(
        f"best plan: median {median(slow):.2f} s, slowest {max(slow):.2f} s (wanted 0.4 and 6); all {sum(slow):.1f} s (wanted 18)"
    )
    print(
        f"cost beside the best of {GREEDY} greedy plans: mean {sum(costs) / len(costs):.2f} (wanted 0.85), worst {max(costs):.2f}"
    )
    fitted = [question(seed) for seed in SECTIONS]
    with ThreadPoolExecutor(2) as two:
        both, _ = timed(lambda: list(two.map(fit_year, fitted)))
    say("the same 25 two at a time, beside one after the other", both, sum(slow), "10 s")


def test_after_a_lost_lesson_and_the_ways_out() -> None:
    fresh, again, out, named = [], [], [], []
    for seed in SECTIONS:
        asked = question(seed)
        took, plan = timed(lambda asked=asked: fit_year(asked))
        fresh.append(took)
        lost = replace(
            asked, last=asked.last - 1, before={arc.concept: first_lesson(arc) for arc in plan.arcs}
        )
        again.append(timed(lambda lost=lost, plan=plan: keep_order(lost, plan))[0])
        if short_by(asked):
            out.append(timed(lambda asked=asked: ways_out(asked))[0])
        named.append(timed(lambda asked=asked: conflict(asked))[0])
    say("order-kept plan after a lost lesson beside a fresh fit, p95", p95(again), p95(fresh), "under 0.15 s")
    print(
        f"ways out: median {median(out):.2f} s, slowest {max(out):.2f} s (wanted 2); a conflict named: slowest {max(named):.2f} s (wanted 2.5)"
    )
