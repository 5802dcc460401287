"""The wishes of variety: kinds, activities and songs that change, songs that are many, little that moves
after a pin. Source: docs/sources.md#composer."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Sequence

from kopje.core.planning.facts import Recent
from kopje.core.planning.lesson_set.candidates import Cell, Cells, slot_by_slot
from kopje.core.planning.lesson_set.linear import Term
from kopje.core.planning.lesson_set.model import SetModel
from kopje.core.planning.lesson_set.naming import add_naming
from kopje.core.planning.lesson_set.prices import free_of
from kopje.core.sequence.grades import CHOIR

SONGS_A_SET = 5
SET, DOZEN = 6, 12  # lessons over which variety is looked at
WORN = 6  # a song is in no more than so many of a dozen
BEHIND = 2  # songs by which a class is behind before one lesson brings two
REPERTOIRE = 24  # songs; up to here there is a new one for every lesson


def whole_model(cells: Cells) -> SetModel:
    """Every rule and every wish of a question."""
    model = SetModel(cells).with_rules()
    add_naming(model)
    for lesson in model.lessons:
        _variety(model, lesson)
    _often(model)
    _warm(model)
    _growth(model)
    _songs(model)
    if model.question.keep:
        _stable(model)
    return model


def _variety(model: SetModel, lesson: int) -> None:
    here = model.by_lesson[lesson]
    kinds, concepts = defaultdict(list), defaultdict(list)
    for cell in here:
        kinds[cell.activity.kind].append(cell)
        if cell.choice.concept is not None:
            concepts[cell.choice.concept].append(cell)
    groups = [("same_kind", free_of(kind, model.grade), group) for kind, group in kinds.items()]
    groups += [("concept_often", 2, group) for group in concepts.values()]
    for key, free, group in groups:
        if len({c.slot for c in group}) > free:
            model.linear.at_most([*model.sum_of(group), (-1, model.miss(key, lesson, 4))], free)
    pieces = [cell for cell in here if cell.choice.piece]
    if len({c.slot for c in pieces}) > 1:
        model.linear.at_most([*model.sum_of(pieces), (-1, model.miss("second_piece", lesson, 3))], 1)
    voice = model.question.lessons[lesson].voice
    if voice is not None:
        sung = [(c.minutes(model.grade)[1], model.z[c]) for c in here if c.activity.needs_voice]
        model.linear.at_most([*sung, (-1, model.miss("voice", lesson, 60))], voice)
    out = model.question.lessons[lesson].out
    if out is not None:
        _set_up(model, lesson, out)
    due = {item.concept.key for item in model.cells.coming[lesson].wanted}
    for index, slot in enumerate(model.cells.slots[lesson]):
        if slot.role in ("play", "game") and due:
            idle = [c for c in model.by_slot.get((lesson, index), []) if c.choice.concept not in due]
            model.linear.at_most([*model.sum_of(idle), (-1, model.miss("idle_slot", lesson))], 0)


def _set_up(model: SetModel, lesson: int, out: frozenset[str]) -> None:
    """What stands out for the class before or after costs no minute between them."""
    alone: dict[str, list[Cell]] = defaultdict(list)
    for cell in model.by_lesson[lesson]:
        for thing, _ in cell.activity.needs:
            if thing not in out:
                alone[thing].append(cell)
    for thing in sorted(alone):
        brought = model.miss("set_up", lesson)
        for group in slot_by_slot(alone[thing]):
            model.linear.at_most([*model.sum_of(group), (-1, brought)], 0)


def _often(model: SetModel) -> None:
    """Activities change from lesson to lesson, and songs do."""
    count = len(model.question.lessons)
    by_activity: dict[str, list[Cell]] = defaultdict(list)
    for cell in model.cells.cells:
        by_activity[cell.activity.key].append(cell)
    half = max(1, -(-count // 2))
    for key, cells in by_activity.items():
        if key in model.question.lately:
            start = [c for c in cells if c.lesson == 0 and not c.settled]
            model.linear.at_most([*model.sum_of(start), (-1, model.miss("same_activity", 0))], 0)
        _apart(model, cells)
        if not cells[0].activity.routine:
            _in_turn(model, cells)
        before = sum(key in one.activities for one in _back(model, SET))
        least = max(0, max(half, SET // 2) - before) if count < SET else half
        if len({c.lesson for c in cells}) > least:
            often = model.miss("activity_often", -1, count)
            model.linear.at_most([*model.sum_of(c for c in cells if not c.settled), (-1, often)], least)
    if model.grade == CHOIR:
        return  # a choir rehearses what it will sing
    for thing, cells in model.by_thing.items():
        if cells[0].choice.thing is None:
            continue
        if len({c.lesson for c in cells}) > half:
            often = model.miss("song_often", -1, count)
            model.linear.at_most([*model.sum_of(cells), (-1, often)], half)
        before = sum(thing in one.things for one in _back(model, DOZEN))
        if before + len({c.lesson for c in cells}) > WORN:
            worn = model.miss("song_worn", -1, count)
            model.linear.at_most([*model.sum_of(cells), (-1, worn)], max(0, WORN - before))


def _warm(model: SetModel) -> None:
    """What is not due but kept warm changes from lesson to lesson: they have named many things."""
    kept: dict[str, list[Cell]] = defaultdict(list)
    due = [{item.concept.key for item in one.wanted} for one in model.cells.coming]
    for cell in model.cells.cells:
        concept = cell.choice.concept
        if concept is not None and concept not in due[cell.lesson] and not cell.settled:
            kept[concept].append(cell)
    for key in sorted(kept):
        there: dict[int, int] = {}
        for lesson in sorted({cell.lesson for cell in kept[key]}):
            there[lesson] = model.linear.var()
            for group in slot_by_slot([cell for cell in kept[key] if cell.lesson == lesson]):
                model.linear.at_most([*model.sum_of(group), (-1, there[lesson])], 0)
            if lesson - 1 in there:
                both = [(1, there[lesson - 1]), (1, there[lesson])]
                model.linear.at_most([*both, (-1, model.miss("warm_again", lesson))], 1)


def _apart(model: SetModel, cells: list[Cell]) -> None:
    """An activity, at most once in each lesson, does not come in two that follow each other."""
    for lesson in list(model.lessons)[:-1]:
        pair = [c for c in cells if c.lesson in (lesson, lesson + 1)]
        if len({c.lesson for c in pair}) == 2:
            again = model.miss("same_activity", lesson + 1)
            model.linear.at_most([*model.sum_of(pair), (-1, again)], 1)


def _in_turn(model: SetModel, cells: list[Cell]) -> None:
    """It does not come three times with one lesson between, so that two just take turns."""
    for lesson in list(model.lessons)[:-4]:
        three = [c for c in cells if c.lesson in (lesson, lesson + 2, lesson + 4)]
        if len({c.lesson for c in three}) == 3:
            again = model.miss("in_turn", lesson + 4)
            model.linear.at_most([*model.sum_of(three), (-1, again)], 2)


def _back(model: SetModel, window: int) -> Sequence[Recent]:
    """The last lessons that together with the set make so many."""
    ago = window - len(model.question.lessons)
    return model.question.recent[-ago:] if ago > 0 else ()


def _growth(model: SetModel) -> None:
    """The same activity with the same song again is a repetition."""
    pairs: dict[tuple[str, str], list[Cell]] = defaultdict(list)
    for cell in model.cells.cells:
        if cell.choice.thing:
            pairs[cell.activity.key, cell.choice.thing].append(cell)
    for cells in pairs.values():
        if len({c.lesson for c in cells}) > 1:
            again = model.miss("plain_again", -1, len(model.question.lessons))
            model.linear.at_most([*model.sum_of(cells), (-1, again)], 1)


def _songs(model: SetModel) -> None:
    """Five different songs in six lessons; a new one as long as they know fewer than they had lessons."""
    if model.grade == CHOIR:
        return
    lately = {thing for one in _back(model, SET) for thing in one.things}
    sung: list[Term] = []
    new: list[Term] = []
    for thing, cells in model.by_thing.items():
        if cells[0].choice.song is None:
            continue
        if thing not in lately:
            one = model.linear.var()
            model.linear.at_most([(1, one), *model.sum_of(cells, -1)], 0)
            sung.append((1, one))
        if cells[0].unmet:
            new += [(1, model.first[thing, lesson]) for lesson in model.lessons]
    count = len(model.question.lessons)
    asked = SONGS_A_SET if count + len(_back(model, SET)) >= SET else SONGS_A_SET * count // SET
    wanted = min(asked - len(lately), len(sung))
    if wanted > 0:
        model.linear.at_least([*sung, (1, model.miss("few_songs", -1, wanted))], wanted)
    known = sum(1 for card in model.question.songs if card.id in model.question.met)
    due = min(model.question.held + count + 1, REPERTOIRE) - known
    wanted = min(due, max(count - 1, 2 if due >= BEHIND else 1))
    if wanted > 0 and new:
        model.linear.at_least([*new, (1, model.miss("new_song_due", -1, wanted))], wanted)


def _stable(model: SetModel) -> None:
    """What stands there costs nothing; whatever takes its place does."""
    for (lesson, index), cells in model.by_slot.items():
        there = model.question.lessons[lesson].there.get(model.cells.slots[lesson][index].key)
        if there is not None and not any(c.settled for c in cells):
            same = [c for c in cells if c.choice == there]
            if same:
                changed = model.miss("changed", lesson)
                model.linear.at_least([*model.sum_of(same), (1, changed)], 1)
