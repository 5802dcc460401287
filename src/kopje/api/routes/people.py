"""First run, sign-in and sign-out."""

from __future__ import annotations

import secrets
import uuid

from fastapi import APIRouter, Request, Response

from kopje.api.deps import COOKIE, DEVICE, Provided, Teacher, Transaction, Work, keep_cookies
from kopje.api.schemas.people import FirstRunBody, FirstRunRead, MeRead, SchoolBody, SchoolRead, SignInBody
from kopje.core.errors import SignInError
from kopje.usecases.context import Context
from kopje.usecases.setup import set_up_school, sign_in
from kopje.usecases.songs.bring_shipped_songs import bring_shipped_songs
from kopje.usecases.songs.recordings import bring_shipped_pieces

router = APIRouter(tags=["people"])


@router.get(
    "/first-run",
    operation_id="firstRunNeeded",
    summary="Whether there is no school yet",
)
def first_run_needed(session: Transaction, services: Provided) -> FirstRunRead:
    now = services.settings.now()
    return FirstRunRead(
        needed=set_up_school.first_run_needed(session),
        code=services.first_code is not None,
        weekday=now.weekday(),
        clock=f"{now:%H:%M}",
    )


@router.post(
    "/first-run",
    status_code=201,
    operation_id="firstRun",
    summary="Open the school: its first teacher and section",
)
def first_run(
    body: FirstRunBody, request: Request, response: Response, session: Transaction, services: Provided
) -> MeRead:
    if services.first_code is not None and not secrets.compare_digest(
        services.first_code.strip().upper().encode(), body.code.strip().upper().encode()
    ):
        raise SignInError("first_code_wrong")
    set_up_school.known_zone(body.time_zone)
    now = services.settings.now(body.time_zone)
    ids = (uuid.uuid4(), uuid.uuid4())
    set_up_school.first_run(
        session, ids, body.school, body.teacher, body.login, body.password, now, body.time_zone
    )
    ctx = Context(session, ids[0], ids[1], now, uuid.uuid4)
    set_up_school.add_section(ctx, body.section.value())
    if body.bring_songs:
        bring_shipped_songs(ctx, services.settings.songs)
        bring_shipped_pieces(ctx, services.settings.pieces)
    token, device = secrets.token_urlsafe(32), secrets.token_urlsafe(32)
    sign_in.begin(session, ids[1], token, device, request.headers.get("user-agent", ""), now)
    keep_cookies(request, response, token, device)
    return MeRead(id=ids[1], name=body.teacher, school=body.school, role="owner")


@router.post(
    "/sign-in",
    operation_id="signIn",
    summary="Sign in with a login and a password",
)
def post_sign_in(body: SignInBody, request: Request, response: Response, services: Provided) -> MeRead:
    token, device = secrets.token_urlsafe(32), request.cookies.get(DEVICE) or secrets.token_urlsafe(32)
    address = request.client.host if request.client else ""
    agent = request.headers.get("user-agent", "")
    known = request.cookies.get(DEVICE)
    knock = sign_in.Knock(body.login, body.password, address, known, agent, body.end_others)
    found = sign_in.sign_in(services.work, knock, token, device, services.settings.now())
    keep_cookies(request, response, token, device)
    return MeRead(id=found.teacher_id, name=found.name, school=found.school, role=found.role)


@router.post("/sign-out", status_code=204, operation_id="signOut", summary="Sign out on this device")
def sign_out(request: Request, response: Response, session: Transaction, teacher: Teacher) -> None:  # noqa: ARG001
    sign_in.sign_out(session, request.cookies.get(COOKIE))
    response.delete_cookie(COOKIE, path="/")


@router.post(
    "/sign-out-everywhere",
    status_code=204,
    operation_id="signOutEverywhere",
    summary="Sign out on every device",
)
def sign_out_everywhere(response: Response, session: Transaction, teacher: Teacher) -> None:
    sign_in.sign_out_everywhere(session, teacher.teacher_id)
    response.delete_cookie(COOKIE, path="/")


@router.get("/me", operation_id="me", summary="Who is signed in")
def me(teacher: Teacher) -> MeRead:
    return MeRead(id=teacher.teacher_id, name=teacher.name, school=teacher.school, role=teacher.role)


@router.get("/school", operation_id="school", summary="The school's name and time zone")
def get_school(ctx: Work) -> SchoolRead:
    row = set_up_school.school(ctx)
    return SchoolRead(name=row.name, time_zone=row.time_zone, clock=f"{ctx.now:%H:%M}")


@router.put("/school", operation_id="setSchool", summary="Set the school's name and time zone")
def put_school(body: SchoolBody, ctx: Work, services: Provided) -> SchoolRead:
    """Its name and its time zone; a day of the school is a day there."""
    row = set_up_school.set_school(ctx, body.name.strip(), body.time_zone)
    clock = services.settings.now(row.time_zone)
    return SchoolRead(name=row.name, time_zone=row.time_zone, clock=f"{clock:%H:%M}")
