"""What is to be said of a texture, the gravest first. Source: docs/sources.md#layers."""

from __future__ import annotations

from collections.abc import Iterator

from kopje.core.exact import Fraction
from kopje.core.instruments.texture import Layer, Texture, cut
from kopje.core.reasons import Listed, Reason, because, listed

MOST_BEATS = 6  # silent beats that are named
HARD = Fraction(1)  # onsets per beat above which a pattern is worth cutting


def told(t: Texture) -> tuple[Reason, ...]:
    return tuple(_told(t))


def _told(t: Texture) -> Iterator[Reason]:
    for layer in t.does_not_fit:
        fits = t.would_fit(layer)
        yield because(
            "texture_hangs",
            "against",
            layer.name,
            name=layer.name,
            beats=_beats(layer.beats),
            phrase=_beats(t.phrase),
            fits=Listed(tuple(str(one) for one in fits), by="comma"),
        )
    for layer in t.no_whole_bars:
        if layer in t.does_not_fit:
            continue  # said already
        yield because("texture_no_bars", "note", layer.name, name=layer.name, beats=_beats(layer.beats))
    if not t.does_not_fit:
        yield because("texture_closes", "for", phrase=_beats(t.phrase))
    same = len({layer.beats for layer in t.layers}) == 1
    if not same:
        yield because("texture_meet", beats=_beats(t.together_after))
    for name, under in _hidden(t):
        yield because("texture_hidden", "against", name, name=name, under=listed(under))
    if t.silent_beats:
        yield because(
            "texture_silent",
            beats=listed((str(n) for n in t.silent_beats), MOST_BEATS),
            count=len(t.silent_beats),
            cycle=_beats(t.together_after),
        )
    if len(t.layers) > 1:
        yield because(
            "texture_entries",
            names=Listed(tuple(layer.name for layer in t.entry_order), by="comma"),
            pulse=int(t.entry_order[0].pulse),
        )
        if t.all_in > 1:
            yield because("texture_all_in", bar=t.all_in)
    yield from _pieces(t)


def _hidden(t: Texture) -> Iterator[tuple[str, list[str]]]:
    """Each layer that hides, with all that hide it."""
    for layer in t.layers:
        under = [other.name for one, other in t.hidden if one is layer]
        if under:
            yield layer.name, under


def _pieces(t: Texture) -> Iterator[Reason]:
    """Where the busiest pattern is cut for teaching."""
    hardest: Layer = max(t.layers, key=lambda layer: layer.density)
    pieces = cut(hardest)
    if pieces is not None and hardest.density > HARD:
        first = sum((one.length for one in pieces[0]), Fraction(0))
        yield because("texture_cut", "note", hardest.name, name=hardest.name, beat=int(first) + 1)


def _beats(length: Fraction) -> Reason:
    return because("texture_beats", beats=str(length), one=int(length == 1))
