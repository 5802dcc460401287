"""Recorded pieces: the shelf, tapping, and how our own sound."""

from __future__ import annotations

from uuid import UUID

from fastapi import APIRouter

from kopje.api.deps import Provided, Work
from kopje.api.schemas.recordings import PerformanceRead, RecordingBody, RecordingRead
from kopje.usecases.songs import recordings

router = APIRouter(tags=["recordings"])


@router.get("/recordings", operation_id="recordings", summary="Every recorded piece, by title")
def get_recordings(ctx: Work) -> list[RecordingRead]:
    return [RecordingRead.of_shelf(found, ctx.words) for found in recordings.shelf(ctx)]


@router.post("/recordings", status_code=201, operation_id="addRecording", summary="Add a recorded piece")
def post_recording(body: RecordingBody, ctx: Work) -> RecordingRead:
    return RecordingRead.of_shelf(recordings.one(ctx, recordings.add(ctx, body.value())), ctx.words)


@router.post(
    "/recordings/shipped",
    status_code=201,
    operation_id="bringShippedPieces",
    summary="Bring in the pieces that come with Kopje",
)
def post_shipped(ctx: Work, services: Provided) -> list[RecordingRead]:
    recordings.bring_shipped_pieces(ctx, services.settings.pieces)
    return [RecordingRead.of_shelf(found, ctx.words) for found in recordings.shelf(ctx)]


@router.get("/recordings/{recording_id}", operation_id="recording", summary="One recorded piece")
def get_recording(recording_id: UUID, ctx: Work) -> RecordingRead:
    return RecordingRead.of_shelf(recordings.one(ctx, recording_id), ctx.words)


@router.put(
    "/recordings/{recording_id}",
    operation_id="changeRecording",
    summary="Tap a piece anew, or call it otherwise",
)
def put_recording(recording_id: UUID, body: RecordingBody, ctx: Work) -> RecordingRead:
    recordings.change(ctx, recording_id, body.value())
    return RecordingRead.of_shelf(recordings.one(ctx, recording_id), ctx.words)


@router.delete(
    "/recordings/{recording_id}",
    status_code=204,
    operation_id="takeOffRecording",
    summary="Take a piece off the shelf",
)
def delete_recording(recording_id: UUID, ctx: Work) -> None:
    recordings.take_off(ctx, recording_id)


@router.post(
    "/recordings/{recording_id}/bring-back",
    operation_id="putBackRecording",
    summary="Put a piece back on the shelf",
)
def post_back(recording_id: UUID, ctx: Work) -> RecordingRead:
    recordings.put_back(ctx, recording_id)
    return RecordingRead.of_shelf(recordings.one(ctx, recording_id), ctx.words)


@router.get(
    "/recordings/{recording_id}/performance",
    operation_id="performance",
    summary="Every tone of one of our own pieces, with its moment",
)
def get_performance(recording_id: UUID, ctx: Work) -> PerformanceRead:
    return PerformanceRead.of(recordings.performance(ctx, recording_id))
