"""A school's backup as one file: a zip with its tables as PostgreSQL's COPY text and a manifest with their
checksums. Sealed, that zip lies in another one, encrypted as age files that standard tools open too.

Source: docs/sources.md#backups."""

from __future__ import annotations

import hashlib
import os
import zlib
from collections.abc import Iterable, Iterator
from datetime import datetime
from pathlib import Path
from typing import IO, Annotated, Literal
from zipfile import ZIP_DEFLATED, ZIP_STORED, BadZipFile, ZipFile

import pyrage
from pydantic import AwareDatetime, BaseModel, Field, ValidationError, model_validator

from kopje.core.errors import BackupError

BLOCK = 1 << 18
MOST_MANIFEST = 4 << 20
SWELLS = 200  # text of rows is never packed better than this
MANIFEST, SEAL, KEY, SEALED = "manifest.json", "seal.json", "key.age", "school.zip.age"
Name = Annotated[str, Field(pattern=r"^[a-z][a-z0-9_]{0,62}$")]
DAMAGED = (BadZipFile, zlib.error, EOFError, OSError, NotImplementedError, RuntimeError, ValueError)


class TableTold(BaseModel):
    """One table: its columns in the order of the rows' fields, how many rows, and their checksum."""

    columns: list[Name]
    rows: Annotated[int, Field(ge=0)]
    sha256: str


class Manifest(BaseModel):
    """What a backup holds. `revision`: of the tables' schema."""

    format: Literal["kopje-backup"] = "kopje-backup"
    version: Literal[1] = 1
    made: AwareDatetime
    revision: str
    schools: list[str]
    tables: dict[Name, TableTold] = {}

    @model_validator(mode="after")
    def _some(self) -> Manifest:
        if len(self.tables) > 200:
            raise ValueError("too many tables")
        return self


class SealTold(BaseModel):
    """What can be said of a sealed backup without opening it."""

    format: Literal["kopje-sealed-backup"] = "kopje-sealed-backup"
    version: Literal[1] = 1
    made: AwareDatetime
    revision: str
    sha256: str


class BackupWriter:
    """Tables one after the other; the manifest is written last, so that half a file is never taken for a
    whole one."""

    def __init__(self, stream: IO[bytes], made: datetime, revision: str, schools: list[str]) -> None:
        self._zip = ZipFile(stream, "w", ZIP_DEFLATED, compresslevel=6)
        self.manifest = Manifest(made=made, revision=revision, schools=schools)

    def table(self, name: str, columns: list[str], blocks: Iterable[bytes | bytearray | memoryview]) -> None:
        checksum, rows = hashlib.sha256(), 0
        with self._zip.open(_place(name), "w", force_zip64=True) as out:
            for block in blocks:
                data = bytes(block)
                out.write(data)
                checksum.update(data)
                rows += data.count(b"\n")  # a line end within a field is written as two letters
        self.manifest.tables[name] = TableTold(columns=columns, rows=rows, sha256=checksum.hexdigest())

    def close(self) -> None:
        self._zip.writestr(MANIFEST, self.manifest.model_dump_json(indent=1))
        self._zip.close()


def _place(table: str) -> str:
    return f"tables/{table}.copy"


class BackupReader:
    """An opened backup. BackupError where it is none, is damaged, or is sealed."""

    def __init__(self, stream: IO[bytes]) -> None:
        self._size = stream.seek(0, os.SEEK_END)
        stream.seek(0)
        try:
            self._zip = ZipFile(stream)
            if SEAL in self._zip.namelist():
                raise BackupError("backup_is_sealed")
            self.manifest = Manifest.model_validate_json(_small(self._zip, MANIFEST))
        except (*DAMAGED, KeyError, ValidationError) as problem:
            raise BackupError("backup_not_ours") from problem

    @property
    def revision(self) -> str:
        return self.manifest.revision

    @property
    def tables(self) -> dict[str, TableTold]:
        return self.manifest.tables

    def blocks(self, name: str, /) -> Iterator[bytes]:
        """The rows of a table, checked when all have been read: do not keep them before."""
        told, checksum, read = self.tables[name], hashlib.sha256(), 0
        try:
            with self._zip.open(_place(name)) as rows:
                while block := rows.read(BLOCK):
                    read += len(block)
                    if read > SWELLS * max(self._size, BLOCK):
                        raise BackupError("backup_damaged", table=name)
                    checksum.update(block)
                    yield block
        except (*DAMAGED, KeyError) as problem:
            raise BackupError("backup_damaged", table=name) from problem
        if checksum.hexdigest() != told.sha256:
            raise BackupError("backup_damaged", table=name)

    def check(self) -> Manifest:
        """Read all of it; BackupError at the first table that is not as it was written."""
        for name in self.manifest.tables:
            for _ in self.blocks(name):
                pass
        return self.manifest


def _small(archive: ZipFile, name: str) -> bytes:
    with archive.open(name) as stream:
        data = stream.read(MOST_MANIFEST + 1)
    if len(data) > MOST_MANIFEST:
        raise BackupError("backup_not_ours")
    return data


class Seal(BaseModel):
    """To whom backups are sealed: anybody can seal with it, only the passphrase opens. `key`: the secret key,
    itself sealed with the passphrase."""

    recipient: str
    key: bytes

    @classmethod
    def by(cls, passphrase: str) -> Seal:
        identity = pyrage.x25519.Identity.generate()
        return cls(
            recipient=str(identity.to_public()),
            key=pyrage.passphrase.encrypt(str(identity).encode(), passphrase),
        )

    def opened(self, passphrase: str) -> pyrage.x25519.Identity:
        """BackupError for another passphrase."""
        try:
            secret = pyrage.passphrase.decrypt(self.key, passphrase).decode("ascii")
            return pyrage.x25519.Identity.from_str(secret)
        except (pyrage.DecryptError, pyrage.IdentityError, ValueError) as problem:
            raise BackupError("backup_passphrase") from problem


def seal(plain: Path, sealed: Path, by: Seal) -> None:
    """A sealed copy of a backup; the plain one stays where it is."""
    with plain.open("rb") as stream:
        manifest = BackupReader(stream).manifest
    recipient, half = pyrage.x25519.Recipient.from_str(by.recipient), sealed.with_suffix(".age")
    try:
        pyrage.encrypt_file(str(plain), str(half), [recipient])
        told = SealTold(made=manifest.made, revision=manifest.revision, sha256=_sha256(half))
        with ZipFile(sealed, "w", ZIP_STORED) as out:
            out.writestr(SEAL, told.model_dump_json(indent=1))
            out.writestr(KEY, by.key)
            out.write(half, SEALED)
    finally:
        half.unlink(missing_ok=True)


def unseal(sealed: Path, plain: Path, passphrase: str) -> Seal:
    """Open a sealed backup into a plain one; what it was sealed with comes back. BackupError for a wrong
    passphrase or a damaged file."""
    half = plain.with_suffix(".age")
    try:
        with ZipFile(sealed) as archive:
            key = _small(archive, KEY)
            identity = Seal(recipient="", key=key).opened(passphrase)
            with archive.open(SEALED) as stream, half.open("wb") as out:
                while block := stream.read(BLOCK):
                    out.write(block)
        pyrage.decrypt_file(str(half), str(plain), [identity])
    except (*DAMAGED, KeyError, pyrage.DecryptError) as problem:
        raise BackupError("backup_not_ours") from problem
    finally:
        half.unlink(missing_ok=True)
    return Seal(recipient=str(identity.to_public()), key=key)


def check(path: Path) -> Manifest | SealTold:
    """Read a whole file, sealed or not, and compare its checksums."""
    with path.open("rb") as stream:
        if not is_sealed(stream):
            return BackupReader(stream).check()
        try:
            with ZipFile(stream) as archive:
                told = SealTold.model_validate_json(_small(archive, SEAL))
                checksum = hashlib.sha256()
                with archive.open(SEALED) as inner:
                    while block := inner.read(BLOCK):
                        checksum.update(block)
        except (*DAMAGED, KeyError, ValidationError) as problem:
            raise BackupError("backup_not_ours") from problem
    if checksum.hexdigest() != told.sha256:
        raise BackupError("backup_damaged", table=SEALED)
    return told


def is_sealed(stream: IO[bytes]) -> bool:
    """BackupError where it is no zip at all."""
    try:
        with ZipFile(stream) as archive:
            found = SEAL in archive.namelist()
    except DAMAGED as problem:
        raise BackupError("backup_not_ours") from problem
    stream.seek(0)
    return found


def _sha256(path: Path) -> str:
    with path.open("rb") as stream:
        return hashlib.file_digest(stream, "sha256").hexdigest()
