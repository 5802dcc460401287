"""Layers: words of a class's own figures, what is kept."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any
from uuid import UUID

from kopje.core.errors import TextureError
from kopje.core.instruments.speech.rhythm import Laid, proposals, usual_figures
from kopje.core.instruments.speech.spoken import Said, spoken
from kopje.core.music.meter import Meter
from kopje.core.practice.reading.figures import usable
from kopje.formats.hyphens import syllables_of
from kopje.formats.stress import stress_dictionary
from kopje.store import tables as t
from kopje.store import textures
from kopje.usecases.context import Context
from kopje.usecases.practice.given import given
from kopje.usecases.practice.rounds import knows

MOST_KEPT = 200


def figures_of(ctx: Context, section_id: UUID, meter: Meter) -> tuple[str, ...]:
    """Figures for words: what the class can name, and what everybody speaks: the beat, its halves, a rest."""
    known = knows(given(ctx, section_id)).figures
    return tuple(dict.fromkeys((*usual_figures(meter), *usable(known, meter))))


def to_rhythm(
    ctx: Context, section_id: UUID, words: str, meter: Meter
) -> tuple[Sequence[Said], Sequence[Laid]]:
    """The syllables and up to five rhythms of figures that the class knows. TextureError as in the core."""
    said = spoken(words, stress_dictionary(), syllables_of)
    return said, proposals(said, meter, figures_of(ctx, section_id, meter))


def every(ctx: Context) -> Sequence[t.KeptTexture]:
    return textures.of_school(ctx.session, ctx.school_id)


def keep(ctx: Context, name: str, texture: Mapping[str, Any]) -> t.KeptTexture:
    """Keep layers under a name; the same name again takes its place."""
    kept = every(ctx)
    found = next((one for one in kept if one.name == name.strip()), None)
    if found is None and len(kept) >= MOST_KEPT:
        raise TextureError("texture_too_many", most=MOST_KEPT, value=len(kept))
    if found is None:
        found = t.KeptTexture(id=ctx.new_id(), school_id=ctx.school_id, name=name.strip())
        ctx.session.add(found)
    found.texture, found.changed = dict(texture), ctx.now
    ctx.session.flush()
    return found


def drop(ctx: Context, texture_id: UUID) -> None:
    ctx.session.delete(textures.texture(ctx.session, ctx.school_id, texture_id))
