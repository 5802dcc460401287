"""Sequences as files: CSV for a spreadsheet, and CASE JSON for other systems. Both come back in as they went
out."""

from __future__ import annotations

import csv
import io
import json
import re
from collections import defaultdict
from collections.abc import Iterable, Iterator, Mapping
from dataclasses import asdict
from datetime import datetime
from typing import Any
from uuid import NAMESPACE_URL, uuid5

from kopje.core.errors import SequenceError
from kopje.core.reasons import Param, because
from kopje.core.sequence.concepts import STRANDS, Concept, ConceptKey, Sequence
from kopje.core.sequence.grades import BELOW_KINDERGARTEN, CHOIR
from kopje.core.sequence.so_mi_first import SO_MI_FIRST
from kopje.core.songs.facts import TRAITS
from kopje.formats.tables import meant, plain

MOST_BYTES = 2 << 20
MOST_CONCEPTS = 500
MOST_COLUMNS = 200
LEVELS = {BELOW_KINDERGARTEN: "PK", 0: "KG", CHOIR: "OT"}  # as CEDS codes them; other grades are 01 to 12
LISTS = ("needs", "elements", "degrees", "meters", "tone_sets", "traits", "ways")
COLUMNS = (
    "key",
    "name",
    "strand",
    "grade",
    "sign",
    *LISTS,
    "resting",
    "core",
    "prompt",
    "not_before",
    "not_after",
    "any_song",
    "shown",
)
NAMED_BY = ("elements", "degrees", "meters", "tone_sets", "resting")
WAYS = ("hear", "sing", "read", "write", "create")


def concept_values(concept: Concept) -> dict[str, Any]:
    """A concept as plain values; lists stay lists."""
    return {key: list(value) if isinstance(value, tuple) else value for key, value in asdict(concept).items()}


def concept_of(values: dict[str, Any], where: Param) -> Concept:
    """A concept from plain values; SequenceError says where something is wrong."""
    try:
        key, name = str(values["key"]).strip(), str(values["name"]).strip()
        strand, grade = str(values["strand"]), int(values["grade"])
        lists = {name: _texts(values.get(name)) for name in LISTS}
    except (KeyError, ValueError, TypeError, OverflowError) as problem:
        raise SequenceError("concept_needs", where=where) from problem
    if not key or not name or len(key) > 60 or len(name) > 120 or not BELOW_KINDERGARTEN <= grade <= CHOIR:
        raise SequenceError(
            "concept_grade",
            where=where,
            value=key,
        )
    if strand not in STRANDS:
        raise SequenceError("concept_strand", where=where, text=strand, value=strand)
    if not lists["ways"] or any(way not in WAYS for way in lists["ways"]):
        raise SequenceError("concept_ways", where=where, ways=", ".join(WAYS), value=key)
    before, after = (
        _month_day(str(values.get(name) or "").strip(), where) for name in ("not_before", "not_after")
    )
    return Concept(
        ConceptKey(key),
        name,
        strand,
        grade,
        str(values.get("sign") or "")[:40],
        tuple(map(ConceptKey, lists["needs"])),
        lists["elements"],
        lists["degrees"],
        lists["meters"],
        lists["tone_sets"],
        str(values["resting"]) if values.get("resting") else None,
        lists["ways"],  # type: ignore[arg-type]
        bool(values.get("core", True)),
        str(values.get("prompt") or "")[:300],
        not_before=before,
        not_after=after,
        **_found(key, values, where),
    )


def _texts(given: Any) -> tuple[str, ...]:
    """A list of texts; TypeError for what is none."""
    if given is None or given == "":
        return ()
    if not isinstance(given, list | tuple) or not all(isinstance(one, str) for one in given):
        raise TypeError
    return tuple(given)


def _found(key: str, values: dict[str, Any], where: Param) -> dict[str, Any]:
    """By which traits it is found, whether any song will do, what is shown. A file that says nothing of these
    is from before they were kept: what ships under the same key is meant, and what was a school's own and
    only observed goes on with any song."""
    ours = SO_MI_FIRST.by_key.get(ConceptKey(key))
    if values.get("traits") is None and ours:
        return {"traits": ours.traits, "any_song": ours.any_song, "shown": ours.shown}
    if values.get("traits") is None:
        return {"any_song": not any(values.get(one) for one in NAMED_BY)}
    traits = _texts(values["traits"])
    strange = sorted(set(traits) - set(TRAITS))
    if strange:
        raise SequenceError("concept_trait", where=where, text=strange[0], value=strange[0])
    any_song = str(values.get("any_song") or "").lower() in ("true", "yes", "1")
    return {"traits": traits, "any_song": any_song, "shown": str(values.get("shown") or "")[:120]}


def _month_day(said: str, where: Param) -> str:
    """Month and day as `10-01`; empty stays empty. A leap year knows every day there is."""
    try:
        return f"{datetime.strptime('2024-' + said, '%Y-%m-%d'):%m-%d}" if said else ""
    except ValueError as problem:
        raise SequenceError("concept_month_day", where=where, text=said, value=said) from problem


def sequence_of(name: str, rows: Iterable[tuple[Param, dict[str, Any]]]) -> Sequence:
    """A sequence of (where, values); a double key, an unknown prerequisite or a cycle is refused
    and named."""
    concepts = [concept_of(values, where) for where, values in rows]
    if not 1 <= len(concepts) <= MOST_CONCEPTS:
        raise SequenceError("sequence_size", most=MOST_CONCEPTS, count=len(concepts))
    seen: set[str] = set()
    for concept in concepts:
        if concept.key in seen:
            raise SequenceError("sequence_key_twice", key=concept.key, value=concept.key)
        seen.add(concept.key)
    for concept in concepts:
        for need in concept.needs:
            if need not in seen:
                raise SequenceError(
                    "sequence_need_missing",
                    name=concept.name,
                    need=need,
                    value=need,
                )
    sequence = Sequence.of(name, concepts)
    _in_order(concepts)
    return sequence


def _in_order(concepts: list[Concept]) -> None:
    """Within a strand the order of the list is the order of teaching, so a prerequisite stands further up."""
    place = {concept.key: at for at, concept in enumerate(concepts)}
    for concept in concepts:
        for need in concept.needs:
            other = concepts[place[need]]
            if other.strand == concept.strand and place[need] > place[concept.key]:
                raise SequenceError(
                    "sequence_order",
                    name=concept.name,
                    other=other.name,
                    value=need,
                )


def write_csv(sequence: Sequence) -> str:
    out = io.StringIO()
    table = csv.DictWriter(out, COLUMNS)
    table.writeheader()
    for concept in sequence.concepts:
        values = concept_values(concept)
        row = {key: " | ".join(values[key]) if key in LISTS else values[key] for key in COLUMNS}
        table.writerow({key: plain(value) if isinstance(value, str) else value for key, value in row.items()})
    return out.getvalue()


def write_case(sequence: Sequence, strands: Mapping[str, str]) -> str:
    """A CASE package: one document, an item for each concept, `precedes` for each prerequisite; our own
    facts as extensions.

    `strands`: what each strand is called.
    """
    ids = {c.key: str(uuid5(NAMESPACE_URL, f"kopje:{sequence.name}:{c.key}")) for c in sequence.concepts}
    document = str(uuid5(NAMESPACE_URL, f"kopje:{sequence.name}"))
    items = [
        {
            "identifier": ids[c.key],
            "fullStatement": c.name,
            "humanCodingScheme": c.key,
            "CFItemType": strands[c.strand],
            "educationLevel": [LEVELS.get(c.grade, f"{c.grade:02d}")],
            "extensions": {"kopje": concept_values(c)},
        }
        for c in sequence.concepts
    ]
    links = [
        {
            "identifier": str(uuid5(NAMESPACE_URL, f"kopje:{ids[need]}:{ids[c.key]}")),
            "associationType": "precedes",
            "originNodeURI": {"identifier": ids[need]},
            "destinationNodeURI": {"identifier": ids[c.key]},
        }
        for c in sequence.concepts
        for need in c.needs
    ]
    package = {
        "CFDocument": {"identifier": document, "title": sequence.name, "creator": "Kopje"},
        "CFItems": items,
        "CFAssociations": links,
    }
    return json.dumps(package, ensure_ascii=False, indent=1)


def read_sequence(data: bytes, filename: str) -> Sequence:
    """A CSV or CASE JSON file; SequenceError with the row or item where something is wrong."""
    if len(data) > MOST_BYTES:
        raise SequenceError("sequence_too_large")
    try:
        text = data.decode("utf-8-sig")
    except UnicodeDecodeError as problem:
        raise SequenceError("sequence_not_text") from problem
    name = filename.rsplit("/", 1)[-1].rsplit(".", 1)[0][:120] or "Our sequence"
    return _from_case(text, name) if text.lstrip().startswith("{") else _from_csv(text, name)


def _from_csv(text: str, name: str) -> Sequence:
    table = csv.DictReader(io.StringIO(text.replace("\r\n", "\n").replace("\r", "\n")))
    if text.split("\n", 1)[0].count(",") > MOST_COLUMNS or not {"key", "name", "strand", "grade"} <= set(
        table.fieldnames or ()
    ):
        raise SequenceError("sequence_columns")
    rows = []
    for number, row in enumerate(_csv_rows(table), 2):
        _count(number - 1)
        values: dict[str, Any] = {key: meant(value or "") for key, value in row.items() if key in COLUMNS}
        for key in LISTS:
            if key not in row:
                continue
            values[key] = [part.strip() for part in values.get(key, "").split("|") if part.strip()]
        values["ways"] = values.get("ways") or ["sing"]
        values["core"] = values.get("core", "").strip().lower() not in ("false", "no", "0")
        rows.append((because("at_row", number=number), values))
    return sequence_of(name, rows)


def _csv_rows(table: csv.DictReader[str]) -> Iterator[dict[str, Any]]:
    try:
        yield from table
    except csv.Error as problem:
        raise SequenceError("sequence_row_unreadable", row=table.line_num) from problem


def _count(concepts: int) -> None:
    if concepts > MOST_CONCEPTS:
        raise SequenceError("sequence_size", most=MOST_CONCEPTS, count=concepts)


def _from_case(text: str, name: str) -> Sequence:
    try:
        package = json.loads(text)
        items, links = package["CFItems"], package.get("CFAssociations", [])
        named = {item["identifier"]: item for item in items}
        title = str(package.get("CFDocument", {}).get("title") or name)[:120]
    except (ValueError, KeyError, TypeError, AttributeError, RecursionError) as problem:
        raise SequenceError("case_no_package") from problem
    _count(len(named))
    before = _needed(links)
    rows = []
    for number, item in enumerate(items, 1):
        own = item.get("extensions", {}).get("kopje") if isinstance(item, dict) else None
        rows.append(
            (
                because("at_item", number=number),
                own
                if isinstance(own, dict)
                else _foreign(item, before, named, because("at_item", number=number)),
            )
        )
    return sequence_of(title, rows)


def _needed(links: Any) -> dict[str, list[str]]:
    """By what is needed for it: identifiers of items by that of the one they precede."""
    found: dict[str, list[str]] = defaultdict(list)
    try:
        for link in links:
            if link.get("associationType") == "precedes":
                found[link["destinationNodeURI"]["identifier"]].append(link["originNodeURI"]["identifier"])
    except (KeyError, TypeError, AttributeError) as problem:
        raise SequenceError("case_no_package") from problem
    return found


def _foreign(
    item: Any, needed: Mapping[str, list[str]], named: dict[str, Any], where: Param
) -> dict[str, Any]:
    """An item of another system: what its prerequisites are comes from the links, the rest is to be
    completed."""
    try:
        level = (item.get("educationLevel") or ["KG"])[0]
        before = [
            str(named[one].get("humanCodingScheme") or one) for one in needed.get(item["identifier"], ())
        ]
        return {
            "key": str(item.get("humanCodingScheme") or item["identifier"])[:60],
            "name": str(item["fullStatement"])[:120],
            "strand": "vocabulary",
            "grade": int(level)
            if re.fullmatch(r"[0-9]{1,2}", str(level))
            else {"PK": BELOW_KINDERGARTEN}.get(str(level), 0),
            "needs": before,
            "ways": ["sing"],
        }
    except (KeyError, TypeError, AttributeError, ValueError, IndexError) as problem:
        raise SequenceError("case_no_item", where=where) from problem
