"""Who may come in, by which link, on which devices, with which password."""

from __future__ import annotations

import uuid
from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Path, Request

from kopje.api.deps import COOKIE, Provided, Transaction, Work
from kopje.api.schemas.adults import (
    AcceptBody,
    AdultsRead,
    DeviceRead,
    GivenBody,
    InvitedRead,
    LinkRead,
    PasswordBody,
)
from kopje.usecases.setup import adults

router = APIRouter(tags=["adults"])
Token = Annotated[str, Path(min_length=8, max_length=80)]


@router.get("/adults", operation_id="adults", summary="Who may come in, and which links wait")
def get_adults(ctx: Work) -> AdultsRead:
    return AdultsRead.of(adults.adults(ctx))


@router.post("/adults", status_code=201, operation_id="inviteAdult", summary="Invite somebody by a link")
def post_adult(body: GivenBody, ctx: Work) -> LinkRead:
    """The link works once, within a week."""
    return LinkRead(token=adults.invite(ctx, body.value()))


@router.put("/adults/{adult_id}", operation_id="changeAdult", summary="Change what somebody may do")
def put_adult(adult_id: UUID, body: GivenBody, ctx: Work) -> AdultsRead:
    adults.change(ctx, adult_id, body.value())
    ctx.session.flush()
    return get_adults(ctx)


@router.delete("/adults/{adult_id}", operation_id="removeAdult", summary="Let somebody in no longer")
def delete_adult(adult_id: UUID, ctx: Work) -> AdultsRead:
    """At once, on every device. Marks go on saying who made them."""
    adults.remove(ctx, adult_id)
    ctx.session.flush()
    return get_adults(ctx)


@router.post(
    "/adults/{adult_id}/new-password",
    status_code=201,
    operation_id="newPasswordLink",
    summary="A link by which somebody sets a new password",
)
def post_new_password(adult_id: UUID, ctx: Work) -> LinkRead:
    return LinkRead(token=adults.new_password_for(ctx, adult_id))


@router.delete(
    "/invitations/{invitation_id}", status_code=204, operation_id="withdrawLink", summary="Withdraw a link"
)
def delete_invitation(invitation_id: UUID, ctx: Work) -> None:
    adults.withdraw(ctx, invitation_id)


@router.get("/links/{token}", operation_id="invited", summary="To whom a link was given")
def get_link(token: Token, session: Transaction, services: Provided) -> InvitedRead:
    return InvitedRead.model_validate(adults.invited(session, token, services.settings.now()))


@router.post("/links/{token}", status_code=204, operation_id="acceptLink", summary="Use a link up")
def post_link(token: Token, body: AcceptBody, services: Provided) -> None:
    """A new adult, or a new password; then one signs in."""
    now = services.settings.now()
    adults.accept(services.work, token, body.login, body.password, uuid.uuid4, now)


@router.put("/me/password", status_code=204, operation_id="changePassword", summary="Change one's password")
def put_password(body: PasswordBody, request: Request, ctx: Work) -> None:
    """Every other device is signed out."""
    adults.change_password(ctx, body.old, body.new, request.cookies.get(COOKIE, ""))


@router.get("/devices", operation_id="devices", summary="Where one is signed in")
def get_devices(request: Request, ctx: Work) -> list[DeviceRead]:
    here = request.cookies.get(COOKIE, "")
    return [DeviceRead.model_validate(one) for one in adults.devices(ctx, here)]


@router.delete(
    "/devices/{device_id}", status_code=204, operation_id="signOutDevice", summary="Sign one device out"
)
def delete_device(device_id: UUID, ctx: Work) -> None:
    adults.end_device(ctx, device_id)
