"""What the surroundings set: the database, the port, the date."""

from __future__ import annotations

import os
from dataclasses import dataclass
from datetime import date, datetime, time
from pathlib import Path

CHECKOUT = Path(__file__).resolve().parents[2]


@dataclass(frozen=True, slots=True)
class Settings:
    """`today` fixes the date everywhere; `clock` also the time (KOPJE_TODAY=2026-11-24 or 2026-11-24T09:10).

    `language` is the one that Kopje speaks, of those in the folder `locales`.
    """

    database_url: str | None = None
    port: int = 8000
    today: date | None = None
    clock: time | None = None
    web: Path = CHECKOUT / "web" / "dist"
    locales: Path = CHECKOUT / "locales"
    language: str = "en"
    songs: Path = Path(__file__).resolve().parent / "demo" / "songs"

    @classmethod
    def from_environment(cls) -> Settings:
        text = os.environ.get("KOPJE_TODAY", "")
        fixed = datetime.fromisoformat(text) if text else None
        url = os.environ.get("KOPJE_DATABASE_URL")
        if url and url.startswith("postgresql://"):
            url = url.replace("postgresql://", "postgresql+psycopg://", 1)
        return cls(
            database_url=url or None,
            port=int(os.environ.get("KOPJE_PORT", "8000")),
            locales=Path(os.environ.get("KOPJE_LOCALES", CHECKOUT / "locales")),
            language=os.environ.get("KOPJE_LANGUAGE", "en"),
            today=fixed.date() if fixed else None,
            clock=fixed.time() if fixed and "T" in text else None,
        )

    def now(self) -> datetime:
        """Local time, on the fixed date if there is one."""
        moment = datetime.now().astimezone()
        if self.today is None:
            return moment
        return datetime.combine(self.today, self.clock or moment.time()).astimezone()
