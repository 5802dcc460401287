"""Reading MusicXML (.musicxml, .xml) and compressed .mxl. Untrusted input ends here: no entities, no network,
bounded sizes (docs/adr/0002-own-readers.md).
"""

from __future__ import annotations

import io
import re
import zipfile
from collections.abc import Iterator
from typing import Any

from lxml import etree

from kopje.core.errors import FileError, FileTooLargeError, FileUnsafeError
from kopje.core.music.score import Part, Score
from kopje.core.music.tune import Bar, Tune, numbered
from kopje.formats.limits import (
    MAX_BARS,
    MAX_BARS_OF_ALL,
    MAX_BYTES,
    MAX_LINES_OF_PART,
    MAX_PARTS,
    ZIP_DAMAGED,
    check_count,
    check_size,
    clipped,
)
from kopje.formats.musicxml_elements import Element, direct, plain_tags
from kopje.formats.musicxml_part import PartReader

_OWN_FACT = re.compile(r"kopje-[A-Z]")  # facts that our writer keeps


def read_mxl(data: bytes, name: str = "", part: int | None = None) -> Tune:
    """Read a compressed score: the root file that META-INF/container.xml names, at most 4 MB of it."""
    return read_musicxml(unpacked(data), name, part)


def unpacked(data: bytes) -> bytes:
    """The score in a compressed file. FileError where there is none."""
    check_size(data)
    try:
        with zipfile.ZipFile(io.BytesIO(data)) as archive:
            container = _parsed(_member(archive, "META-INF/container.xml"))
            root = next(
                (e.get("full-path") for e in container.iter("{*}rootfile") if e.get("full-path")), None
            )
            if root is None:
                raise FileError("mxl_no_score")
            return _member(archive, root)
    except ZIP_DAMAGED as problem:
        raise FileError("mxl_damaged") from problem


def _member(archive: zipfile.ZipFile, name: str) -> bytes:
    with archive.open(name) as stream:
        data = stream.read(MAX_BYTES + 1)
    if len(data) > MAX_BYTES:
        raise FileTooLargeError("mxl_too_large")
    return data


def _parsed(data: bytes) -> Element:
    parser = etree.XMLParser(
        resolve_entities=False, no_network=True, load_dtd=False, huge_tree=False, recover=False
    )
    try:
        root = etree.fromstring(data, parser)
    except (etree.XMLSyntaxError, ValueError) as problem:
        raise FileError("xml_broken", line=getattr(problem, "lineno", None) or 0) from problem
    subset: Any = root.getroottree().docinfo.internalDTD
    if subset is not None and next(iter(subset.iterentities()), None) is not None:
        raise FileUnsafeError("xml_entities")
    return root


def read_musicxml(data: bytes, name: str = "", part: int | None = None) -> Tune:
    """Read one part of a score; `part` counts from 1. Without it: the first with words, else with pitches.

    FileError says what was wrong; bar sums and voices left out are told in the tune's problems.
    """
    root, parts = _opened(data)
    reader = PartReader(_chosen(parts, part))
    bars = numbered(reader.bars())
    if not any(note.kind != "rest" for bar in bars for note in bar.notes):
        raise FileError("part_no_notes")
    return _tune(root, name, reader, bars)


def read_musicxml_score(data: bytes, name: str = "") -> Score:
    """Every part of a score, and every voice of a part that sings in half of its bars or more."""
    root, measures = _opened(data)
    names = _names(root)
    found: list[Part] = []
    broken: list[FileError] = []
    for index, one in enumerate(measures):
        said = names[index] if index < len(names) else ""
        try:
            found += [Part(called, _tune(root, name, *read)) for called, read in _lines(one, said)]
        except FileError as problem:
            broken.append(problem)
    if not found:
        raise broken[0] if broken else FileError("part_no_notes")
    return Score.of(found[0].tune.title, found, len(broken))


def _lines(measures: list[Element], said: str) -> Iterator[tuple[str, tuple[PartReader, tuple[Bar, ...]]]]:
    """The lines of one part that are parts of their own, each with a name."""
    lines = PartReader(measures).parts()
    check_count(len(lines), MAX_LINES_OF_PART, "lines_of_part")
    for number, (staff, voice) in enumerate(lines, 1):
        reader = PartReader(measures, staff, voice)
        bars = numbered(reader.bars())
        if any(note.kind != "rest" for bar in bars for note in bar.notes):
            yield f"{said} {number}".strip() if len(lines) > 1 else said, (reader, bars)


def _opened(data: bytes) -> tuple[Element, list[list[Element]]]:
    """The root of a score and the measures of each part."""
    check_size(data)
    root = _parsed(data)
    if b"xmlns" in data:
        plain_tags(root)
    tag = root.tag
    if tag not in ("score-partwise", "score-timewise"):
        raise FileError("xml_not_music", value=clipped(tag))
    parts = _partwise(root) if tag == "score-partwise" else _timewise(root)
    check_count(len(parts), MAX_PARTS, "parts")
    if not parts:
        raise FileError("score_no_parts")
    return root, parts


def _tune(root: Element, name: str, reader: PartReader, bars: tuple[Bar, ...]) -> Tune:
    title = _title(root) or name or "Untitled"
    return Tune(title, bars, reader.tempo, _facts(root), tuple(reader.problems))


def _names(root: Element) -> list[str]:
    """What each part is called, in order; a name that programs write by default says nothing."""
    said = [clipped(one.findtext("part-name") or "") for one in root.iterfind("part-list/score-part")]
    return ["" if re.fullmatch(r"(MusicXML )?(Part|Voice|Instrument)( ?\d*)", one) else one for one in said]


def _partwise(root: Element) -> list[list[Element]]:
    parts = [list(direct(part, "measure")) for part in direct(root, "part")]
    check_count(max(map(len, parts), default=0), MAX_BARS, "bars")
    check_count(sum(map(len, parts)), MAX_BARS_OF_ALL, "bars")
    return parts


def _timewise(root: Element) -> list[list[Element]]:
    parts: dict[str, list[Element]] = {}
    for measure in direct(root, "measure"):
        for part in direct(measure, "part"):
            parts.setdefault(part.get("id") or "", []).append(part)
    check_count(max(map(len, parts.values()), default=0), MAX_BARS, "bars")
    check_count(sum(map(len, parts.values())), MAX_BARS_OF_ALL, "bars")
    return list(parts.values())


def _chosen(parts: list[list[Element]], number: int | None) -> list[Element]:
    if number is not None:
        if not 1 <= number <= len(parts):
            raise FileError("file_no_such_part", part=number, parts=len(parts), value=number)
        return parts[number - 1]
    for tag in ("lyric", "pitch"):
        for part in parts:
            if any(next(measure.iter(tag), None) is not None for measure in part):
                return part
    return parts[0]


def _title(root: Element) -> str:
    for path in ("work/work-title", "movement-title"):
        found = root.findtext(path)
        if found and found.strip():
            return clipped(found)
    return ""


def _facts(root: Element) -> tuple[tuple[str, str], ...]:
    names = {"composer": "C", "lyricist": "A", "poet": "A"}
    facts = [
        (names[creator.get("type", "")], clipped(creator.text or ""))
        for creator in root.iterfind("identification/creator")
        if creator.get("type") in names and (creator.text or "").strip()
    ]
    facts += [("Z", clipped(rights.text or "")) for rights in root.iterfind("identification/rights")]
    facts += [
        (one.get("name", "")[-1], clipped(one.text or ""))
        for one in root.iterfind("identification/miscellaneous/miscellaneous-field")
        if _OWN_FACT.fullmatch(one.get("name", ""))
    ]
    return tuple(facts)
