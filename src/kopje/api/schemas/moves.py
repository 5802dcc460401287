"""A song as a dance, on the wire."""

from __future__ import annotations

from kopje.api.schemas.base import Read
from kopje.core.instruments.moves.vocabulary import Formation, Side, Travel
from kopje.core.reasons import because
from kopje.usecases.instruments.moves import SongMoves
from kopje.words import Words


class MovePartRead(Read):
    """A part of the dance: `says` what is done; beats from the start; bars as printed. `own`: a child's idea
    has its place here."""

    label: str
    first_bar: int
    last_bar: int
    begins: float
    beats: float
    cue: str
    says: str
    side: Side | None
    travel: Travel | None
    own: bool


class MovesRead(Read):
    """The map of a dance, what it needs, and what to mind."""

    title: str
    formation: Formation
    parts: list[MovePartRead]
    comes_back: bool
    needs: list[str]
    care: list[str]

    @classmethod
    def of(cls, found: SongMoves, children: int, prop: str | None, words: Words) -> MovesRead:
        d, n = found.dance, found.needs
        said = [words.word("moves_floor", wide=_metres(n.floor[0]), deep=_metres(n.floor[1]), count=children)]
        if prop == "elastic":
            said.append(words.word("moves_elastic", length=_metres(n.length)))
        elif prop is not None:
            said.append(words.say(because(f"moves_{prop}", count=n.pieces)))
        care = ["moves_care_floor" if d.formation != "chairs" else "moves_care_chairs"]
        care += ["moves_care_touch"] if d.touches else []
        care += [f"moves_care_{prop}"] if prop else []
        return cls(
            title=found.title,
            formation=d.formation,
            parts=[
                MovePartRead(
                    label=one.label,
                    first_bar=one.bars[0],
                    last_bar=one.bars[1],
                    begins=float(one.begins),
                    beats=float(one.beats),
                    cue=one.cue,
                    says=_says(one.move, one.side, one.travel, words),
                    side=one.side,
                    travel=one.travel,
                    own=one.own,
                )
                for one in d.parts
            ],
            comes_back=d.comes_back,
            needs=said,
            care=[words.word(key) for key in care],
        )


def _metres(centimetres: int) -> str:
    return f"{centimetres / 100:.1f}"


def _says(move: str, side: Side | None, travel: Travel | None, words: Words) -> str:
    said = because(f"move_{move}")
    if travel is not None:
        return words.say(because("move_travels", move=said, way=because(f"way_{travel}")))
    return words.say(because("move_side", move=said, side=because(f"side_{side}")) if side else said)
