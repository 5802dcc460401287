"""Who sits where, and who works with whom."""

from __future__ import annotations

from uuid import UUID

from fastapi import APIRouter

from kopje.api.deps import Work
from kopje.api.schemas.seats import GroupOfRead, GroupsBody, SeatsBody, SeatsRead
from kopje.usecases.room import seats

router = APIRouter(tags=["seats"])


@router.get("/sections/{section_id}/seats", operation_id="seats", summary="Who sits where")
def get_seats(section_id: UUID, ctx: Work) -> SeatsRead:
    return SeatsRead.of(seats.room(ctx, section_id))


@router.put("/sections/{section_id}/seats", operation_id="setSeats", summary="Say who sits where")
def put_seats(section_id: UUID, body: SeatsBody, ctx: Work) -> SeatsRead:
    places = [str(one) if one else None for one in body.places]
    return SeatsRead.of(seats.seat(ctx, section_id, body.kind, body.across, places))


@router.post("/sections/{section_id}/groups", operation_id="drawGroups", summary="Draw groups")
def post_groups(section_id: UUID, body: GroupsBody, ctx: Work) -> list[GroupOfRead]:
    """Fairly: with partners that were not together in the last draws, as far as that can be."""
    groups = seats.draw_groups(ctx, section_id, body.value())
    names = {str(one.id): one.name for one in seats.room(ctx, section_id).roll}
    return [GroupOfRead.of(one, names) for one in groups]
