"""What was made for instruments."""

from __future__ import annotations

from datetime import datetime

from sqlalchemy import UniqueConstraint
from sqlalchemy.orm import Mapped

from kopje.store.base import Json, OfSchool


class KeptTexture(OfSchool):
    """Layers kept under a name; `texture` as its file is (formats/textures.py)."""

    __tablename__ = "kept_texture"
    name: Mapped[str]
    texture: Mapped[Json]
    changed: Mapped[datetime]
    __table_args__ = (UniqueConstraint("school_id", "name"),)
