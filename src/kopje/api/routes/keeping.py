"""Backups: when the last was made, one more, where they lie, and whether they are sealed."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter, Path
from fastapi.responses import FileResponse

from kopje.api.deps import Provided, Work
from kopje.api.problems import answers
from kopje.api.schemas.keeping import BackupsRead, BackupsToldRead, FolderBody, SealBody
from kopje.core.backups import old
from kopje.core.errors import NotAllowedError
from kopje.usecases.setup import privacy, set_up_school

router = APIRouter(tags=["keeping"], prefix="/backups")


@router.get("", operation_id="backups", summary="The backups that are kept here")
def get_backups(ctx: Work, services: Provided) -> BackupsRead:
    return BackupsRead.of(services.backups.kept(), ctx.words)


@router.get("/told", operation_id="backupsTold", summary="Whether the last good backup is recent")
def get_told(ctx: Work, services: Provided) -> BackupsToldRead:
    found = services.backups.kept()
    last = found.files[0].made if found.files else None
    long_ago = old(last or set_up_school.school(ctx).created, services.backups.now())
    trouble = ctx.words.say(found.trouble) if found.trouble else None
    return BackupsToldRead(old=long_ago, last=last, trouble=trouble)


@router.post("", status_code=201, operation_id="makeBackup", summary="Make one more backup now")
def post_backup(ctx: Work, services: Provided) -> BackupsRead:
    services.backups.now_by_hand()
    return BackupsRead.of(services.backups.kept(), ctx.words)


@router.get(
    "/{backup_name}",
    operation_id="backupFile",
    summary="One backup, to be kept elsewhere too",
    response_class=FileResponse,
    responses=answers("application/zip"),
)
def get_backup(
    backup_name: Annotated[str, Path(max_length=80)],
    ctx: Work,
    services: Provided,
) -> FileResponse:
    if services.backups.kept().several_schools:
        raise NotAllowedError("backup_several")
    path = services.backups.file(backup_name)
    privacy.looked(services.work, ctx, "backup_taken_out")
    return FileResponse(path, media_type="application/zip", filename=path.name)


@router.put("/folder", operation_id="setBackupFolder", summary="Choose where backups lie")
def put_folder(body: FolderBody, ctx: Work, services: Provided) -> BackupsRead:
    services.backups.choose(body.folder)
    return BackupsRead.of(services.backups.kept(), ctx.words)


@router.put("/seal", operation_id="sealBackups", summary="Seal backups with a passphrase from now on")
def put_seal(body: SealBody, ctx: Work, services: Provided) -> BackupsRead:
    services.backups.seal_with(body.passphrase)
    return BackupsRead.of(services.backups.kept(), ctx.words)


@router.delete("/seal", operation_id="unsealBackups", summary="Seal backups no more")
def delete_seal(ctx: Work, services: Provided) -> BackupsRead:
    services.backups.unsealed()
    return BackupsRead.of(services.backups.kept(), ctx.words)
