"""First run, sign-in and sign-out."""

from __future__ import annotations

import secrets
import uuid

from fastapi import APIRouter, Request, Response

from kopje.api.deps import COOKIE, Provided, Teacher, Transaction, Work, keep_cookie
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
        needed=set_up_school.first_run_needed(session), weekday=now.weekday(), clock=f"{now:%H:%M}"
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
    _sign_in(session, body.login, body.password, request, response, services)
    return MeRead(id=ids[1], name=body.teacher, school=body.school, role="owner")


@router.post(
    "/sign-in",
    operation_id="signIn",
    summary="Sign in with a login and a password",
)
def post_sign_in(body: SignInBody, request: Request, response: Response, services: Provided) -> MeRead:
    with services.work.begin() as session:
        found = _sign_in(session, body.login, body.password, request, response, services)
        if not isinstance(found, SignInError):
            return MeRead(
                id=found.teacher_id,
                name=found.name,
                school=found.school,
                role=found.role,
            )
    raise found  # after the transaction: a failure must be remembered


def _sign_in(
    session: Transaction, login: str, password: str, request: Request, response: Response, services: Provided
) -> sign_in.SignedIn | SignInError:
    token = secrets.token_urlsafe(32)
    found = sign_in.sign_in(session, login, password, token, services.settings.now())
    if not isinstance(found, SignInError):
        keep_cookie(request, response, token)
    return found


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
