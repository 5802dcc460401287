"""What happened in class: the one address for all of it, and what could not be taken."""

from __future__ import annotations

from uuid import UUID

from fastapi import APIRouter, BackgroundTasks

from kopje.api.deps import AtDesk, Work
from kopje.api.schemas.events import AnswerRead, AsideRead, BatchBody
from kopje.usecases.room import settle_events, take_events
from kopje.usecases.year import plan_year

router = APIRouter(tags=["events"])


@router.post("/events", operation_id="takeEvents", summary="Take what happened, up to 500 events")
def post_events(body: BatchBody, desk: AtDesk, later: BackgroundTasks) -> list[AnswerRead]:
    """Take up to 500 events; each is answered: taken, known already, or kept aside with its reason. Sending
    a batch again changes nothing. When a lesson has ended, the rest of the year follows once the answer has
    left."""
    with desk.keep() as ctx:
        found = take_events.take(ctx, body.sent, [one.reported() for one in body.events])
        answers = [AnswerRead.of(one, ctx.words) for one in found.answers]
    if found.over:
        later.add_task(plan_year.keep_up, desk, found.over)
    return answers


@router.get("/events/aside", operation_id="asideEvents", summary="Events that wait to be settled")
def get_aside(ctx: Work) -> list[AsideRead]:
    """What of one's own events could not be taken and waits to be settled."""
    return [AsideRead.of(one, ctx.words) for one in settle_events.aside(ctx)]


@router.post(
    "/events/aside/{event_id}/again",
    operation_id="takeAsideAgain",
    summary="Try again to take an event that was kept aside",
)
def post_again(event_id: UUID, ctx: Work) -> AnswerRead:
    """Try once more to take it: its child may be in the section by now."""
    return AnswerRead.of(settle_events.try_again(ctx, event_id), ctx.words)


@router.delete(
    "/events/aside/{event_id}",
    status_code=204,
    operation_id="dropAside",
    summary="Drop an event that was kept aside",
)
def delete_aside(event_id: UUID, ctx: Work) -> None:
    """It is not to count."""
    settle_events.drop(ctx, event_id)
