"""What a class can be given, and its voice."""

from __future__ import annotations

from dataclasses import dataclass
from uuid import UUID

from kopje.core.analysis.key_choice import Voice, voice_of
from kopje.core.errors import NotFoundError
from kopje.core.practice.reading.given import Offer, Sort, offers
from kopje.core.reasons import because
from kopje.core.sequence.grades import CHOIR
from kopje.usecases.context import Context
from kopje.usecases.snapshot import SectionNow, snapshot


@dataclass(frozen=True)
class Given:
    """What a class can be given, and its voice."""

    section: SectionNow
    offers: tuple[Offer, ...]
    voice: Voice | None

    def offer(self, sort: Sort, due: str) -> Offer:
        found = next((one for one in self.offers if (one.sort, one.due) == (sort, due)), None)
        if found is None:
            raise NotFoundError("no_such", what=because("what_exercise"), value=due)
        return found

    def beside(self, offer: Offer) -> tuple[str | None, str | None]:
        """The level before and after, where it is one."""
        keys = [one.due for one in self.offers if one.sort == offer.sort == "level"]
        if offer.due not in keys:
            return None, None
        at = keys.index(offer.due)
        return (keys[at - 1] if at else None), (keys[at + 1] if at + 1 < len(keys) else None)


def given(ctx: Context, section_id: UUID) -> Given:
    """Of the concepts that the class can name; a choir reads every level of its ladder."""
    section = snapshot(ctx, [section_id]).section(section_id)
    choir = section.grade == CHOIR
    named = [c for c in ctx.sequence.concepts if choir or section.state.named(c.key)]
    return Given(section, offers(named, choir), None if choir else voice_of(section.grade))
