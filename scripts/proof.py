"""The long runs behind what the README claims; figures go to docs/measured.md. Seeded, about a few
minutes."""

from __future__ import annotations

import os
import sys
import time
from collections import Counter
from pathlib import Path
from random import Random

ROOT = Path(__file__).resolve().parents[1]
sys.path.insert(0, str(ROOT / "tests"))

from core.reading_rules import broken as rules_broken  # noqa: E402
from core.test_lesson_set import one_at_random  # noqa: E402
from core.years import question  # noqa: E402
from formats import borders, corpora, oracle, tonics  # noqa: E402
from hostile import outboxes, pulled_at  # noqa: E402
from hostile.readers import FILES, READERS, mutants, timed_reading  # noqa: E402
from hostile.readers import SECONDS as READ_WITHIN  # noqa: E402
from kopje.core.analysis.analysis import analyse  # noqa: E402
from kopje.core.music.meter import Meter  # noqa: E402
from kopje.core.music.tune import blinded  # noqa: E402
from kopje.core.planning.lesson_set.compose import compose_set  # noqa: E402
from kopje.core.planning.lesson_set.question import SetPlan  # noqa: E402
from kopje.core.planning.lesson_set.validate import broken  # noqa: E402
from kopje.core.planning.year.costs import tier  # noqa: E402
from kopje.core.planning.year.fit import fit_year  # noqa: E402
from kopje.core.planning.year.greedy import greedy  # noqa: E402
from kopje.core.planning.year.validate import breaches  # noqa: E402
from kopje.core.practice.reading.as_score import as_score  # noqa: E402
from kopje.core.practice.reading.levels import numbered_level  # noqa: E402
from kopje.core.practice.reading.make import make  # noqa: E402
from kopje.core.sequence.grades import CHOIR  # noqa: E402
from kopje.workers import Worker  # noqa: E402


def readers() -> list[str]:
    home = corpora.corpus()
    if home is None:
        return ["The corpus is not installed; nothing was measured."]
    lines = ["| collection | pieces | read | refused, by reason | slowest piece |", "|---|---|---|---|---|"]
    collections = {
        "ABC tunes": list(corpora.abc_pieces(home)),
        "MusicXML conformance": corpora.conformance_files(home),
    }
    for name, pieces in collections.items():
        found = corpora.count(pieces)
        share = 100 * found.read / max(found.pieces, 1)
        reasons = ", ".join(f"{code} {n}" for code, n in found.refusals.most_common()) or "none"
        lines.append(
            f"| {name} | {found.pieces} | {found.read} ({share:.2f} %) | {reasons} | {1000 * found.slowest:.0f} ms |"
        )
    return lines


SURE = 0.9
CLEAR = "where major or minor is clear"


def homes() -> list[str]:
    """The half of the labelled tunes that nothing was fitted on: home found blind, with the file's word, and
    when sure."""
    rows: dict[str, list[tuple[bool, bool, bool]]] = {}
    for piece in tonics.half(tonics.labelled(), learning=False):
        blind, annotations = analyse(blinded(piece.tune)), analyse(piece.tune)
        good = tonics.found_tonic(blind) == piece.tonic
        sure = float(blind.tonality.confidence) > SURE
        name = piece.collection
        rows.setdefault(name, []).append((good, tonics.found_tonic(annotations) == piece.tonic, sure))
        if tonics.clear(piece):
            rows.setdefault(CLEAR, []).append(rows[name][-1])
    every = [row for name, found in rows.items() if name != CLEAR for row in found]
    clear = rows.pop(CLEAR)
    lines = [
        "| collection | tunes | home found blind | with the file's word | of those sure (above 0.9, blind), wrong |",
        "|---|---|---|---|---|",
    ]
    for name, found in [*sorted(rows.items()), ("all", every), (CLEAR, clear)]:
        wrong = sum(sure and not good for good, _, sure in found)
        sures = sum(sure for *_, sure in found)
        lines.append(
            f"| {name} | {len(found)} | {_share(sum(r[0] for r in found), len(found))} | "
            f"{_share(sum(r[1] for r in found), len(found))} | {wrong} of {sures} |"
        )
    return lines


def _share(part: int, whole: int) -> str:
    return f"{100 * part / max(whole, 1):.1f} %"


SECTIONS = 1000


def phrases() -> list[str]:
    """Borders said and heard blind beside those of the files' lines and fermatas; what is heard was learned
    on other pieces."""
    rows: dict[str, borders.Score] = {}
    for collection, tune in (*borders.phrased(learning=False), *borders.printed(most=4000)):
        shown = collection in (*borders.PHRASED, borders.FERMATAS)
        rows.setdefault(collection if shown else f"{collection} (lines of print)", borders.Score()).add(tune)
    lines = [
        "| collection | tunes | borders shown | equal spans | both | F1 | heard | both | F1 |",
        "|---|---|---|---|---|---|---|---|---|",
    ]
    return lines + [
        f"| {name} | {x.tunes} | {x.shown} | {x.said} | {x.both} | {x.f1:.2f} | {x.heard} | {x.heard_right} | {x.f1_heard:.2f} |"
        for name, x in sorted(rows.items())
    ]


def other_reader() -> list[str]:
    """Two thousand tunes and a few beside another reader: pitches, lengths, attacks, bars."""
    home = corpora.corpus()
    if home is None:
        return ["The corpus is not installed; nothing was measured."]
    pieces = Random(11).sample(list(corpora.abc_pieces(home)), 2010)
    found = oracle.compare(pieces)
    lines = [
        f"{found.pieces} tunes read by both ({found.not_read} given up by the other): {found.same} the same in every pitch, length, "
        f"attack and bar; {sum(found.reasons.values())} differences explained by the text of the tune, {len(found.unexplained)} not.",
        "",
        "| difference | tunes |",
        "|---|---|",
    ]
    lines += [f"| {oracle.KNOWN[why][0]} | {count} |" for why, count in found.reasons.most_common()]
    return lines + [f"| not explained yet: {kind} ({digest}) | 1 |" for digest, kind in found.unexplained]


SPANS = ((0, 36), (37, 52), (53, 200))


def years() -> list[str]:
    """A thousand made-up sections: must-rules by the separate validator, how often the best is proven, how
    long it takes."""
    rows: dict[tuple[int, int], list[tuple[bool, float, float]]] = {span: [] for span in SPANS}
    broken, worse = 0, 0
    for seed in range(SECTIONS):
        asked = question(seed)
        first = greedy(asked)
        start = time.perf_counter()
        plan = fit_year(asked)
        took = time.perf_counter() - start
        broken += bool(breaches(asked, plan)) + bool(breaches(asked, first))
        worse += tier(asked, plan) > tier(asked, first)
        span = next(one for one in SPANS if one[0] <= asked.lessons <= one[1])
        rows[span].append((plan.status == "best_possible", took, (plan.cost + 1) / (first.cost + 1)))
    lines = [
        f"{SECTIONS} sections, seeds 0 to {SECTIONS - 1}: {broken} plans break a must-rule, {worse} cost more than the greedy plan.",
        "",
        "| lessons to plan | sections | proven best | median | slowest | cost beside the greedy plan, mean |",
        "|---|---|---|---|---|---|",
    ]
    for (low, high), found in rows.items():
        if found:
            proven = 100 * sum(one[0] for one in found) / len(found)
            times = sorted(one[1] for one in found)
            ratio = sum(one[2] for one in found) / len(found)
            lines.append(
                f"| {low} to {high} | {len(found)} | {proven:.1f} % | {times[len(times) // 2]:.2f} s | {times[-1]:.2f} s | {ratio:.2f} |"
            )
    return lines


SETS = int(os.environ.get("KOPJE_PROOF_SETS", "2000"))


def sets() -> list[str]:
    """Made-up classes and histories, each with a set composed for it: must-rules by the separate validator,
    which were given up and said so, and how often the best is proven."""
    rows: dict[str, list[SetPlan]] = {}
    unsaid, given_up = 0, Counter[int]()
    for seed in range(SETS):
        asked = one_at_random(seed)
        plan = compose_set(asked)
        unsaid += any(one.rule not in plan.relaxed for one in broken(asked, plan))
        given_up.update(plan.relaxed)
        rows.setdefault(f"grade {asked.state.grade}" if asked.state.grade < CHOIR else "choir", []).append(
            plan
        )
    rules = ", ".join(f"rule {rule} in {n}" for rule, n in sorted(given_up.items())) or "none"
    lines = [
        f"{SETS} sets of one to four lessons, seeds 0 to {SETS - 1}, half a second of work each: {unsaid} break a must-rule without saying so; given up and said: {rules}.",
        "",
        "| class | sets | proven best | points from the bound, mean |",
        "|---|---|---|---|",
    ]
    for name, plans in sorted(rows.items()):
        proven = 100 * sum(plan.status == "best_possible" for plan in plans) / len(plans)
        gap = sum(plan.gap for plan in plans) / len(plans)
        lines.append(f"| {name} | {len(plans)} | {proven:.1f} % | {gap:.1f} |")
    return lines


FUZZ = float(os.environ.get("KOPJE_PROOF_FUZZ", "600"))  # seconds of processor time for each reader


def hostile() -> list[str]:
    """Files that mean harm, and good ones spoilt at random: all read or refused in words."""
    lines = ["| reader | files | read | slowest | peak of the process |", "|---|---|---|---|---|"]
    for kind, files in FILES.items():
        worker, slowest, peak, read = Worker(seconds=READ_WITHIN), 0.0, 0, 0
        for name, made in files.items():
            took, said, megabytes = worker.run(timed_reading, kind, name, made())
            slowest, peak, read = max(slowest, took), max(peak, megabytes), read + (said == "read")
        worker.stop()
        lines.append(f"| {kind}, attacks | {len(files)} | {read} | {slowest:.2f} s | {peak} MB |")
    for kind in READERS:
        started, slowest, count, read = time.process_time(), 0.0, 0, 0
        for name, data in mutants(kind, 2026):
            took, said, _ = timed_reading(kind, name, data)
            slowest, count, read = max(slowest, took), count + 1, read + (said == "read")
            if time.process_time() - started > FUZZ:
                break
        lines.append(f"| {kind}, spoilt at random, {FUZZ:.0f} s | {count} | {read} | {slowest:.2f} s | |")
    return lines


EXERCISES = 10_000  # of each level
READ_FOR = float(os.environ.get("KOPJE_PROOF_READ", "600"))  # seconds of processor time for each level


def exercises() -> list[str]:
    """As many of 10,000 of each level as its time allows, held to every rule by the checker written apart."""
    lines = ["| level | exercises | broken rules | slowest |", "|---|---|---|---|"]
    for number in range(1, 13):
        task = numbered_level(number)
        started, count, faults, slowest = time.process_time(), 0, 0, 0.0
        while count < EXERCISES and time.process_time() - started < READ_FOR:
            begun = time.process_time()
            meter = Meter.parse(task.meters[count % len(task.meters)])
            made = make(task, meter, 8 if count % 5 == 0 else 4, 100_000 + count)
            slowest = max(slowest, time.process_time() - begun)
            faults += bool(list(rules_broken(as_score(made, "x", ["S1", "S2", "A"]), number, made.do)))
            count += 1
        lines.append(f"| {number} | {count} | {faults} | {slowest:.2f} s |")
    return lines


def sent_again() -> list[str]:
    return [outboxes.run(marks=10_000, servers=50, databases=10, cuts=50).line()]


PARTS = {
    "Where tunes are at home": homes,
    "Where phrases begin": phrases,
    "Beside another reader": other_reader,
    "Laying the years of made-up sections": years,
    "Composing lesson sets for made-up classes": sets,
    "Reading every piece of the installed collections": readers,
    "Files that mean harm": hostile,
    "Exercises to read, held to the rules of their level": exercises,
    "Killed while marks arrive": pulled_at.kills,
    "Sent again until it is acknowledged": sent_again,
    "Guessed at while a teacher signs in": pulled_at.guesses,
    "Who may do what": pulled_at.rights,
}


def main() -> None:
    text = [
        "# Measured",
        "",
        "Written by `make proof`. Times are of the machine that ran it; counts are of the seed.",
        "",
    ]
    for title, part in PARTS.items():
        print(f"» {title}", flush=True)
        lines = part()
        print("\n".join(lines), flush=True)
        text += [f"## {title}", "", *lines, ""]
    (ROOT / "docs" / "measured.md").write_text("\n".join(text))


if __name__ == "__main__":
    main()
