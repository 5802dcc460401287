"""What the surroundings set: the database, the port, the date."""

from __future__ import annotations

from datetime import date, datetime, time
from pathlib import Path
from socket import gethostname
from typing import Annotated, Any, Literal
from zoneinfo import ZoneInfo

from pydantic import Field, model_validator
from pydantic_settings import BaseSettings, SettingsConfigDict

CHECKOUT = Path(__file__).resolve().parents[2]


class Settings(BaseSettings):
    """From the environment, each with KOPJE_ in front: KOPJE_PORT, KOPJE_DATABASE_URL (docs/running.md lists
    them).

    `today` fixes the date everywhere; `clock` also the time (KOPJE_TODAY=2026-11-24 or 2026-11-24T09:10).
    `language` is the one that Kopje speaks, of those in the folder `locales`. `data`: where a school's own
    database lies; None: where the system keeps such things. `hosts`: names by which it is reached, beside
    this machine's own, with commas between. `certificate` and `key`: files for https. `first_code`: asked
    for on the first run, instead of one that is printed."""

    model_config = SettingsConfigDict(env_prefix="KOPJE_", env_ignore_empty=True, frozen=True, extra="ignore")

    database_url: str | None = None
    data: Path | None = None
    host: str = "127.0.0.1"
    hosts: str = ""
    certificate: Path | None = None
    key: Path | None = None
    first_code: str | None = None
    port: Annotated[int, Field(ge=1, le=65535)] = 8000
    log_level: Literal["debug", "info", "warning", "error"] = "warning"
    today: date | None = None
    clock: time | None = None
    web: Path = CHECKOUT / "web" / "dist"
    locales: Path = CHECKOUT / "locales"
    language: str = "en"
    songs: Path = Path(__file__).resolve().parent / "demo" / "songs"
    pieces: Path = Path(__file__).resolve().parent / "demo" / "pieces"

    @model_validator(mode="before")
    @classmethod
    def _read(cls, values: dict[str, Any]) -> dict[str, Any]:
        """`today` may hold a time too; an address of the database may leave out the driver."""
        moment, url = values.get("today"), values.get("database_url")
        if isinstance(moment, str) and "T" in moment:
            fixed = datetime.fromisoformat(moment)
            values = {**values, "today": fixed.date(), "clock": fixed.time()}
        if isinstance(url, str) and url.startswith("postgresql://"):
            values = {**values, "database_url": url.replace("postgresql://", "postgresql+psycopg://", 1)}
        return values

    @property
    def known_as(self) -> frozenset[str]:
        """The names of hosts under which it may be asked."""
        told = (name.strip().lower() for name in self.hosts.split(","))
        machine = gethostname().lower()
        usual = ("localhost", machine, f"{machine.split('.')[0]}.local", self.host.lower())
        return frozenset(name for name in (*told, *usual) if name)

    def now(self, time_zone: str | None = None) -> datetime:
        """The time in a zone (None: of this machine), on the fixed date if there is one."""
        zone = ZoneInfo(time_zone) if time_zone else None
        moment = datetime.now().astimezone(zone)
        if self.today is None:
            return moment
        fixed = datetime.combine(self.today, self.clock or moment.time())
        return fixed.replace(tzinfo=zone) if zone else fixed.astimezone()
