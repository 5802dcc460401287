"""What could fill a slot, with what it costs and why. Source: docs/sources.md#composer."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import dataclass, replace
from functools import cache, cached_property

from kopje.core.planning.activities import Activity, Role, kind_name
from kopje.core.planning.fetch import fits_size, lacking
from kopje.core.planning.lesson import Choice, LeftOver, LessonQuestion, New
from kopje.core.planning.offers import Offers
from kopje.core.planning.template import Slot
from kopje.core.planning.timely import timely
from kopje.core.reasons import Named, Reason, because
from kopje.core.sequence.concepts import Concept, ConceptKey
from kopje.core.sequence.grades import grade_name
from kopje.core.sequence.section_state import Due, SectionState, due
from kopje.core.songs.suitability import Fit

CANDIDATES_A_SLOT = 16
MOVING_A_SLOT = 3  # beside the best ones, so that a lesson need not sit still
NOT_THE_MAIN_THING = 10
NEW = 2
WARM = 5  # things that were named long ago and may be kept warm
LATELY = 3
OTHER_KIND = 2
FELL_FLAT, WENT_WELL = 4, 1
OTHER_GRADES = 9  # for each grade that somebody lies outside those an activity is made for


@dataclass(frozen=True, slots=True)
class Candidate:
    """A choice for a slot with its own cost; what it costs beside others is the composer's."""

    choice: Choice
    activity: Activity
    cost: int
    new: New | None
    reasons: tuple[Reason, ...]


@dataclass(frozen=True)
class Slots:
    """The slots of this lesson and the candidates of each. `asked_for`: what is due, where it is known from a
    longer look than this lesson's."""

    question: LessonQuestion
    asked_for: tuple[Due, ...] | None = None

    @cached_property
    def offers(self) -> Offers:
        return Offers(self.question)

    @cached_property
    def left_over(self) -> tuple[LeftOver, ...]:
        """What comes to the front, without what was refused since."""
        refused = self.question.refused
        return tuple(
            item
            for item in self.question.left_over
            if (item.choice.activity, item.choice.song) not in refused
        )

    @cached_property
    def slots(self) -> tuple[Slot, ...]:
        """Left-overs after the opening; each takes the place of the slot it came from, never of one that is
        pinned."""
        asked = self.question
        rest = list(asked.habits.template(asked.state.grade).slots_for(asked.minutes))
        for item in self.left_over:
            free = [slot for slot in rest if slot.key not in self.question.pins]
            same = next((slot for slot in free if slot.role == item.role), None)
            if same is None:
                same = next((slot for slot in free if slot.role in ("review", "play", "game")), None)
            if same is not None:
                rest.remove(same)
        front = [Slot(f"left-{n}", item.role, carried=True) for n, item in enumerate(self.left_over, 1)]
        keys = {slot.key for slot in (*front, *rest)}
        for (
            key,
            choice,
        ) in self.question.pins.items():  # a pin in a slot that nothing is carried into any more
            if key not in keys:
                front.append(Slot(key, self.activity(choice).roles[0]))
                same = next(
                    (s for s in rest if s.role == front[-1].role and s.key not in self.question.pins), None
                )
                if same is not None:
                    rest.remove(same)
        opening = [slot for slot in rest if slot.role == "opening"]
        return (*opening, *front, *(slot for slot in rest if slot not in opening))

    def activity(self, choice: Choice) -> Activity:
        return self.question.habits.repertoire.activity(choice.activity)

    @cached_property
    def due(self) -> tuple[Due, ...]:
        return due(self.question.state, self.question.laid) if self.asked_for is None else self.asked_for

    def candidates(self, index: int) -> tuple[Candidate, ...]:
        """The best candidates of a slot, cheapest first. A pin or a left-over stands alone."""
        slot = self.slots[index]
        if slot.key in self.question.pins:
            pinned = self.made(self.question.pins[slot.key])
            return (replace(pinned, reasons=(because("pinned", about="part"), *pinned.reasons)),)
        if slot.carried:
            item = self.left_over[int(slot.key.rsplit("-", 1)[1]) - 1]
            why = because("left_over", "for", "part", day=item.day, state=item.tick or "not_reached")
            return (self._of(item.choice, 0, (why,)),)
        every = sorted(self.fitting(slot), key=lambda c: (c.cost, c.activity.title, c.choice.thing or ""))
        best = every[:CANDIDATES_A_SLOT]
        moving = [c for c in every[CANDIDATES_A_SLOT:] if c.activity.energy == "moving"]
        return (*best, *moving[:MOVING_A_SLOT])

    def fitting(self, slot: Slot) -> list[Candidate]:
        """Everything that fits a slot and was not refused for this section, in no order."""
        refused = self.question.refused
        return [c for c in self._fitting(slot) if (c.choice.activity, c.choice.song) not in refused]

    def made(self, choice: Choice) -> Candidate:
        """A choice that is already settled."""
        return self._of(choice, 0, ())

    def _fitting(self, slot: Slot) -> Iterator[Candidate]:
        for item in self._able:
            if slot.role in item.roles:
                if item.with_concept:
                    yield from self._with_concept(slot, item)
                else:
                    for choice, cost, reasons in self.offers.of(item, Choice(item.key)):
                        yield self._of(choice, cost, reasons)

    @cached_property
    def _able(self) -> tuple[Activity, ...]:
        """What goes with as many children as there are, and with what the room has."""
        asked = self.question
        return tuple(
            item
            for item in asked.habits.repertoire.offered
            if fits_size(item, asked.rolls) and not lacking(item, asked.rolls, asked.habits.room)
        )

    def _with_concept(self, slot: Slot, item: Activity) -> Iterator[Candidate]:
        places: dict[str, int] = {}
        for wanted in self._wanted_in(slot.role):
            place = places.setdefault(wanted.concept.key, len(places))
            if wanted.purpose not in item.purposes or not item.fits(wanted.concept):
                continue
            choice = Choice(item.key, None, wanted.concept.key, wanted.purpose)
            main = place * (NOT_THE_MAIN_THING if slot.role == "focus" else 1)
            phase, in_phase = self._in_phase(wanted, item)
            for filled, cost, reasons in self.offers.of(item, choice, wanted.concept):
                yield self._of(filled, cost + main + in_phase, (*wanted.reasons, *phase, *reasons))

    @staticmethod
    def _in_phase(wanted: Due, item: Activity) -> tuple[tuple[Reason, ...], int]:
        """Whether the kind of activity is what the school does in this phase, where its phases say so."""
        if wanted.phase is None or not wanted.phase.kinds:
            return (), 0
        if item.kind in wanted.phase.kinds:
            said = because(
                "phase", "for", wanted.concept.key, kind=kind_name(item.kind), phase=wanted.phase.word
            )
            return (said,), 0
        return (), OTHER_KIND

    @cached_property
    def _wanted_in(self) -> Callable[[Role], list[Due]]:
        return cache(self._wanted)  # every activity of a slot asks the same

    def _wanted(self, role: Role) -> list[Due]:
        """What a slot would work on, most wanted first; review keeps named things warm."""
        state, main = self.question.state, list(self.due)
        practise = [item for item in main if item.purpose == "practise"]
        warm = [
            self._warm(concept) for concept in self._named if concept.key not in {d.concept.key for d in main}
        ]
        if role == "review":
            return [*practise, *warm[:WARM]]
        if role in ("opening", "voice", "game", "play"):
            return [*practise, *(d for d in main if d.purpose == "prepare"), *warm[:WARM]]
        without_song = [
            self._as_preparing(item)
            for item in main
            if item.purpose == "present" and not self.can_present(item)
        ]
        main = [item for item in main if item.purpose != "present" or self.can_present(item)]
        wanted = [*without_song, *main] or warm[:2]
        # Rhythm leads in one lesson, melody in the next: whichever line had fewer touches comes first.
        wanted.sort(key=lambda item: (item.purpose != "present", self._touched(item, state)))
        return [*wanted[1:], wanted[0]] if role == "second" and wanted else wanted

    @staticmethod
    def _touched(item: Due, state: SectionState) -> int:
        taught = state.taught_counts(item.concept.key)
        return taught.prepared + taught.practised

    @cached_property
    def _named(self) -> list[Concept]:
        state = self.question.state
        named = [c for c in self.question.state.sequence.concepts if state.named(c.key) and c.named_in_music]
        return sorted(named, key=lambda c: (state.taught_counts(c.key).practised, -c.grade))

    @staticmethod
    def _warm(concept: Concept) -> Due:
        return Due(concept, "practise", (because("warm", about=concept.key, concept=Named(concept.key)),))

    @staticmethod
    def _as_preparing(item: Due) -> Due:
        key = item.concept.key
        return Due(
            item.concept, "prepare", (*item.reasons, because("no_song", "against", key, concept=Named(key)))
        )

    def can_present(self, item: Due) -> bool:
        """With a song that has it, or by an activity that asks for none."""
        return bool(self._fits(item)) or any(
            "present" in one.purposes and one.song == "none" and not one.plays and one.fits(item.concept)
            for one in self.question.habits.repertoire.offered
        )

    def _fits(self, item: Due) -> tuple[Fit, ...]:
        """The best songs for a concept and purpose that nothing bars."""
        return self.offers.fits_of(item.concept.key, item.purpose, ())

    @cached_property
    def day(self) -> frozenset[str]:
        """What the day of the lesson is like."""
        return self.question.day

    def _of(self, choice: Choice, cost: int, reasons: tuple[Reason, ...]) -> Candidate:
        item = self.activity(choice)
        new = self._new(choice, item)
        extra: list[Reason] = []
        if new:
            extra.append(because("new", about="part", what=new_thing(new, choice.concept)))
        if item.hears:
            extra.append(because("hears", "for", "part", count=item.hears))
        if item.key in self.question.lately:
            extra.append(because("lately", "against", "part"))
        extra += lacking(item, self.question.rolls, self.question.habits.room)
        if not fits_size(item, self.question.rolls):
            least, most = item.size
            extra.append(because("wrong_size", "against", "part", least=least, most=most))
        away = item.too_young_or_old(self.question.state)
        if away:
            first, last = item.grades
            extra.append(
                because("other_grades", "against", "part", first=grade_name(first), last=grade_name(last))
            )
        timed = self.question.habits.repertoire.timed.get(item.key)
        if timed is not None:
            extra.append(because("took", about="part", minutes=timed))
        taste, said = _taste(self.question.rated.get(item.key), self.question.why.get(item.key, ""))
        card = self.offers.cards.get(choice.song or "")
        suits, why = timely(card.times, self.day) if card and card.times else (0, ())
        extra += (*said, *why)
        lately = (LATELY - 2 * item.routine) * (item.key in self.question.lately)
        total = cost + OTHER_GRADES * away + NEW * bool(new) + lately + taste + suits
        return Candidate(choice, item, total, new, (*reasons, *extra))

    def _new(self, choice: Choice, item: Activity) -> New | None:
        """What is new to the class in it: a name, a song, or an activity without a song."""
        if choice.purpose == "present" and choice.concept:
            return "name"
        if choice.song is not None and choice.song not in self.question.met:
            return "song"
        if choice.piece is not None and choice.piece not in self.question.met:
            return "piece"
        if choice.thing is None and not self.question.done.get(item.key):
            return "activity"
        return None


def _taste(rated: tuple[int, int] | None, why: str) -> tuple[int, tuple[Reason, ...]]:
    """What an activity costs more or less because it fell flat or went well with them; `why` is repeated."""
    well, flat = rated or (0, 0)
    said = (because("rated_why", about="part", why=why),) if why else ()
    if flat > well:
        return min(FELL_FLAT * (flat - well), 2 * FELL_FLAT), (because("fell_flat", "against", "part"), *said)
    return (-WENT_WELL, (because("went_well", "for", "part"), *said)) if well > flat else (0, said)


NEW_WORDS = {"song": "new_song_word", "piece": "new_piece_word", "activity": "new_activity"}


def new_thing(new: New, concept: ConceptKey | None) -> Reason:
    """The term for what is new in a part."""
    return because("new_name", concept=Named(concept or "")) if new == "name" else because(NEW_WORDS[new])
