"""Reading ABC: a tune, or a book of tunes. Our own reader, because none at hand keeps words, inline keys
and ties and survives every file (docs/adr/0002-own-readers.md).
"""

from __future__ import annotations

import re
from collections.abc import Iterator
from itertools import chain

from kopje.core.errors import FileError
from kopje.core.music.score import Part, Score
from kopje.core.music.tune import Tune
from kopje.formats.abc_music import TuneBuilder
from kopje.formats.limits import (
    MAX_LETTERS,
    MAX_LETTERS_IN_LINE,
    MAX_LINES,
    MAX_LINES_OF_HEAD,
    MAX_PARTS,
    MAX_TUNES,
    check_count,
    check_size,
)

_OF_ALL = re.compile(r"[A-DFGHILMmNORrSUZ]:|%%")  # what may stand at the head of a book
_FIELD = re.compile(r"([A-Za-z+]):(.*)", re.DOTALL)
_STRAIGHT = ("T", "C", "O", "A", "R", "S", "N", "Z", "H", "B", "D", "F", "G")


def read_abc(data: bytes, name: str = "", part: int | None = None) -> tuple[Tune, ...]:
    """All tunes of a file; FileError when there is none. Old line breaks and Latin-1 are read as well.
    `part`: the voice to read, from 1, in all tunes that have it; FileError when none has."""
    tunes: list[Tune] = []
    most = 0
    for block in _music_blocks(data):
        builder, tune = _read_voice(block, name, part or 1)
        most = max(most, len(builder.voices))
        if part is None and len(builder.voices) > 1:
            tune = _lead(block, name, builder, tune)
        if tune is not None:
            tunes.append(tune)
    if part is not None and not 1 <= part <= max(most, 1):
        raise FileError("file_no_such_part", part=part, parts=most, value=part)
    if not tunes:
        raise FileError("abc_no_tune")
    return tuple(tunes)


def read_abc_scores(data: bytes, name: str = "") -> tuple[Score, ...]:
    """All pieces of a file with every voice that has music; FileError when there is none."""
    scores: list[Score] = []
    for block in _music_blocks(data):
        builder, first = _read_voice(block, name, 1)
        check_count(len(builder.voices), MAX_PARTS, "parts")
        tunes = [first, *(_read_voice(block, name, n + 1)[1] for n in range(1, len(builder.voices)))]
        named = zip(builder.voices, tunes, strict=False)
        parts = [Part(builder.names.get(voice, ""), tune) for voice, tune in named if tune is not None]
        if parts:
            scores.append(Score.of(parts[0].tune.title, parts))
    if not scores:
        raise FileError("abc_no_tune")
    return tuple(scores)


def _music_blocks(data: bytes) -> Iterator[list[str]]:
    check_size(data)
    for block in _blocks(_decoded(data)):
        check_count(len(block), MAX_LINES, "lines")
        check_count(sum(map(len, block)), MAX_LETTERS, "letters")
        check_count(max(map(len, block), default=0), MAX_LETTERS_IN_LINE, "letters_in_line")
        yield block


def _read_voice(block: list[str], name: str, part: int) -> tuple[TuneBuilder, Tune | None]:
    builder = TuneBuilder(part=part)
    return builder, _read_tune(builder, block, name)


def _lead(block: list[str], name: str, builder: TuneBuilder, first: Tune | None) -> Tune | None:
    """The voice that is read where nobody asks for one: the first with words, else with pitches, else the one
    that starts the tune."""
    worded = next((n for n, voice in enumerate(builder.voices, 1) if voice in builder.worded), None)
    if worded is not None:
        return first if worded == 1 else _read_voice(block, name, worded)[1]
    others = (_read_voice(block, name, n)[1] for n in range(2, len(builder.voices) + 1))
    voices = (tune for tune in chain([first], others) if tune is not None)
    return next((tune for tune in voices if Part("", tune).pitched), first)


def split_abc(data: bytes) -> tuple[bytes, ...]:
    """A book as one piece of text a tune, so that each can be kept on its own."""
    check_size(data)
    pieces = ["\n".join(block).strip() + "\n" for block in _blocks(_decoded(data))]
    return tuple(piece.encode() for piece in pieces if re.search(r"^K:", piece, re.MULTILINE))


def _decoded(data: bytes) -> str:
    for encoding in ("utf-8-sig", "latin-1"):
        try:
            return data.decode(encoding).replace("\r\n", "\n").replace("\r", "\n")
        except UnicodeDecodeError:
            continue
    raise FileError("file_not_text")


def _blocks(text: str) -> Iterator[list[str]]:
    """The lines of each tune: from one X: (or from the first field) to the next. What a book says before its
    first tune is said of all."""
    check_count(text.count("\nX:"), MAX_TUNES, "tunes")
    block: list[str] = []
    head: list[str] = []
    for line in text.split("\n"):
        if line.startswith("X:"):
            if any(part.startswith("K:") for part in block):
                yield block
                block = [*head]
            elif not head:
                head = [part for part in block if _OF_ALL.match(part)]
                check_count(len(head), MAX_LINES_OF_HEAD, "lines_of_head")
        block.append(line)
    yield block


def _read_tune(builder: TuneBuilder, lines: list[str], name: str) -> Tune | None:
    in_body = False
    for raw in lines:
        line = re.sub(r"(?<!\\)%.*", "", raw).strip() if not raw.startswith("%%") else raw.strip()
        if line.startswith("%%"):
            _directive(builder, line[2:])
            continue
        match = _FIELD.match(line)
        if match and (match[1] != "|"):
            in_body = _field(builder, match[1], match[2].strip(), in_body)
        elif in_body and line:
            builder.music_line(line)
        elif in_body and not raw.strip() and builder.started:
            break
    return builder.tune(name)


def _directive(builder: TuneBuilder, text: str) -> None:
    match = re.match(r"\s*propagate-accidentals\s+(not|octave|pitch)", text)
    if match:
        builder.propagate = match[1]


def _field(builder: TuneBuilder, letter: str, value: str, in_body: bool) -> bool:
    """Take a field line; says whether music follows."""
    if letter == "K":
        builder.set_key(value)
        return True
    if letter == "I":
        _directive(builder, value)
    elif letter in ("M", "L", "Q", "V"):
        builder.inline(letter, value)
    elif letter == "w" and in_body:
        builder.words_line(value)
    elif letter in _STRAIGHT and not (in_body and letter == "T"):
        builder.facts.append((letter, value))
    return in_body
