"""Where data lies: a school's where the system keeps what applications must not lose, the demo's beside the
checkout."""

from __future__ import annotations

import hashlib
import os
import shutil
import subprocess
import tempfile
from pathlib import Path

import platformdirs

NAME = "database"


def school_folder(chosen: Path | None) -> Path:
    """The folder that was chosen, else the user's own place for application data; for root the machine's."""
    if chosen is not None:
        return chosen.expanduser().absolute() / NAME
    root = os.geteuid() == 0
    place = platformdirs.site_data_path("kopje") if root else platformdirs.user_data_path("kopje")
    return place / NAME


def backups_folder(chosen: Path | None) -> Path:
    """Beside a school's own database, unless another place is told in Set-up."""
    return school_folder(chosen).with_name("backups")


def demo_folder(checkout: Path) -> Path:
    """`.kopje/database`; where the database's own user could not enter that, a folder in the system's
    temporary one that is named after the checkout. A demo may be lost: it is made anew. Schools of earlier
    versions lay here too."""
    local = checkout / ".kopje" / NAME
    if os.geteuid() != 0 or reachable(checkout):
        return local
    mark = hashlib.sha256(str(checkout).encode()).hexdigest()[:12]
    return Path(tempfile.gettempdir()) / f"kopje-{mark}" / NAME


def reachable(folder: Path) -> bool:
    """Whether the database's own user could enter the folder."""
    while not folder.exists():
        folder = folder.parent
    return all(part.stat().st_mode & 0o001 for part in (folder, *folder.parents))


def make(folder: Path) -> None:
    """With the folders above it; others may pass through those that are new, whatever this shell's usual
    rights are."""
    for part in (*reversed(folder.parents), folder):
        if not part.exists():
            part.mkdir()
            part.chmod(0o755)


def has_data(folder: Path) -> bool:
    return (folder / "data" / "PG_VERSION").exists()


def move(old: Path, new: Path) -> None:
    """Move a folder with its owners and rights; nothing is taken away before everything has arrived."""
    make(new.parent)
    try:
        old.rename(new)
    except OSError:  # another file system
        half = new.with_name(f"{new.name}.half")
        shutil.rmtree(half, ignore_errors=True)
        subprocess.run(["cp", "-a", str(old), str(half)], check=True)
        half.rename(new)
        shutil.rmtree(old)
