"""Sequences as files: CSV for a spreadsheet, and CASE JSON for other systems. Both come back in as they went out."""

from __future__ import annotations

import csv
import io
import json
from collections.abc import Iterable
from dataclasses import asdict
from datetime import datetime
from typing import Any
from uuid import NAMESPACE_URL, uuid5

from kopje.core.errors import SequenceError
from kopje.core.sequence.concepts import CHOIR, STRAND_NAMES, Concept, ConceptKey, Sequence

MOST_BYTES = 2 << 20
MOST_CONCEPTS = 500
LISTS = ("needs", "elements", "degrees", "meters", "tone_sets", "ways")
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
)
WAYS = ("hear", "sing", "read", "write", "create")


def concept_values(concept: Concept) -> dict[str, Any]:
    """A concept as plain values; lists stay lists."""
    return {key: list(value) if isinstance(value, tuple) else value for key, value in asdict(concept).items()}


def concept_of(values: dict[str, Any], where: str) -> Concept:
    """A concept from plain values; SequenceError says where something is wrong."""
    try:
        key, name = str(values["key"]).strip(), str(values["name"]).strip()
        strand, grade = str(values["strand"]), int(values["grade"])
    except (KeyError, ValueError, TypeError) as problem:
        raise SequenceError(
            f"{where}: key, name, strand and grade are needed. Nothing was kept."
        ) from problem
    lists = {name: tuple(str(one) for one in values.get(name) or ()) for name in LISTS}
    if not key or not name or len(key) > 60 or len(name) > 120 or not 0 <= grade <= CHOIR:
        raise SequenceError(
            f"{where}: a key, a name and a grade from 0 to 12 (13: choir) are needed. Nothing was kept.",
            value=key,
        )
    if strand not in STRAND_NAMES:
        raise SequenceError(f"{where}: “{strand}” is no strand. Nothing was kept.", value=strand)
    if not lists["ways"] or any(way not in WAYS for way in lists["ways"]):
        raise SequenceError(
            f"{where}: the ways to show it are among {', '.join(WAYS)}. Nothing was kept.", value=key
        )
    dates = [_month_day(str(values.get(name) or "").strip(), where) for name in ("not_before", "not_after")]
    return Concept(
        ConceptKey(key), name, strand, grade, str(values.get("sign") or "")[:40], tuple(map(ConceptKey, lists["needs"])),
        lists["elements"], lists["degrees"], lists["meters"], lists["tone_sets"], str(values["resting"]) if values.get("resting") else None,
        lists["ways"], bool(values.get("core", True)), str(values.get("prompt") or "")[:300], *dates,  # type: ignore[arg-type]
    )  # fmt: skip


def _month_day(said: str, where: str) -> str:
    """Month and day as `10-01`; empty stays empty. A leap year knows every day there is."""
    try:
        return f"{datetime.strptime('2024-' + said, '%Y-%m-%d'):%m-%d}" if said else ""
    except ValueError as problem:
        raise SequenceError(
            f"{where}: “{said}” is no month and day such as 10-01. Nothing was kept.", value=said
        ) from problem


def sequence_of(name: str, rows: Iterable[tuple[str, dict[str, Any]]]) -> Sequence:
    """A sequence of (where, values); a double key, an unknown prerequisite or a cycle is refused and named."""
    concepts = [concept_of(values, where) for where, values in rows]
    if not 1 <= len(concepts) <= MOST_CONCEPTS:
        raise SequenceError(
            f"A sequence has 1 to {MOST_CONCEPTS} concepts, not {len(concepts)}. Nothing was kept."
        )
    seen: set[str] = set()
    for concept in concepts:
        if concept.key in seen:
            raise SequenceError(f"The key “{concept.key}” stands twice. Nothing was kept.", value=concept.key)
        seen.add(concept.key)
    for concept in concepts:
        for need in concept.needs:
            if need not in seen:
                raise SequenceError(
                    f"“{concept.name}” needs “{need}”, which is not in the sequence. Nothing was kept.",
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
                    f"“{concept.name}” stands before “{other.name}”, which it needs. Nothing was kept; move it down.",
                    value=need,
                )


def write_csv(sequence: Sequence) -> str:
    out = io.StringIO()
    table = csv.DictWriter(out, COLUMNS)
    table.writeheader()
    for concept in sequence.concepts:
        values = concept_values(concept)
        table.writerow({key: " | ".join(values[key]) if key in LISTS else values[key] for key in COLUMNS})
    return out.getvalue()


def write_case(sequence: Sequence) -> str:
    """A CASE package: one document, an item for each concept, `precedes` for each prerequisite; our own facts as extensions."""
    ids = {c.key: str(uuid5(NAMESPACE_URL, f"kopje:{sequence.name}:{c.key}")) for c in sequence.concepts}
    document = str(uuid5(NAMESPACE_URL, f"kopje:{sequence.name}"))
    items = [
        {"identifier": ids[c.key], "fullStatement": c.name, "humanCodingScheme": c.key, "CFItemType": STRAND_NAMES[c.strand],
         "educationLevel": ["KG" if c.grade == 0 else "OT" if c.grade == CHOIR else f"{c.grade:02d}"], "extensions": {"kopje": concept_values(c)}}
        for c in sequence.concepts
    ]  # fmt: skip
    links = [
        {"identifier": str(uuid5(NAMESPACE_URL, f"kopje:{ids[need]}:{ids[c.key]}")), "associationType": "precedes",
         "originNodeURI": {"identifier": ids[need]}, "destinationNodeURI": {"identifier": ids[c.key]}}
        for c in sequence.concepts
        for need in c.needs
    ]  # fmt: skip
    package = {
        "CFDocument": {"identifier": document, "title": sequence.name, "creator": "Kopje"},
        "CFItems": items,
        "CFAssociations": links,
    }
    return json.dumps(package, ensure_ascii=False, indent=1)


def read_sequence(data: bytes, filename: str) -> Sequence:
    """A CSV or CASE JSON file; SequenceError with the row or item where something is wrong."""
    if len(data) > MOST_BYTES:
        raise SequenceError("This file is larger than 2 MB. Nothing was kept.")
    try:
        text = data.decode("utf-8-sig")
    except UnicodeDecodeError as problem:
        raise SequenceError("This is not a text file. Nothing was kept; save it as CSV or JSON.") from problem
    name = filename.rsplit("/", 1)[-1].rsplit(".", 1)[0][:120] or "Our sequence"
    return _from_case(text, name) if text.lstrip().startswith("{") else _from_csv(text, name)


def _from_csv(text: str, name: str) -> Sequence:
    table = csv.DictReader(io.StringIO(text))
    if not {"key", "name", "strand", "grade"} <= set(table.fieldnames or ()):
        raise SequenceError("The first row needs the columns key, name, strand and grade. Nothing was kept.")
    rows = []
    for number, row in enumerate(table, 2):
        values: dict[str, Any] = {key: value or "" for key, value in row.items() if key in COLUMNS}
        for key in LISTS:
            values[key] = [part.strip() for part in values.get(key, "").split("|") if part.strip()]
        values["ways"] = values["ways"] or ["sing"]
        values["core"] = values.get("core", "").strip().lower() not in ("false", "no", "0")
        rows.append((f"Row {number}", values))
    return sequence_of(name, rows)


def _from_case(text: str, name: str) -> Sequence:
    try:
        package = json.loads(text)
        items, links = package["CFItems"], package.get("CFAssociations", [])
        named = {item["identifier"]: item for item in items}
        title = str(package.get("CFDocument", {}).get("title") or name)[:120]
    except (ValueError, KeyError, TypeError, AttributeError, RecursionError) as problem:
        raise SequenceError(
            "This JSON is no CASE package (CFDocument, CFItems). Nothing was kept."
        ) from problem
    rows = []
    for number, item in enumerate(items, 1):
        own = item.get("extensions", {}).get("kopje") if isinstance(item, dict) else None
        rows.append(
            (
                f"Item {number}",
                own if isinstance(own, dict) else _foreign(item, links, named, f"Item {number}"),
            )
        )
    return sequence_of(title, rows)


def _foreign(item: Any, links: Any, named: dict[str, Any], where: str) -> dict[str, Any]:
    """An item of another system: what its prerequisites are comes from the links, the rest is to be completed."""
    try:
        level = (item.get("educationLevel") or ["KG"])[0]
        before = [
            str(
                named[link["originNodeURI"]["identifier"]].get("humanCodingScheme")
                or link["originNodeURI"]["identifier"]
            )
            for link in links
            if link.get("associationType") == "precedes"
            and link["destinationNodeURI"]["identifier"] == item["identifier"]
        ]
        return {
            "key": str(item.get("humanCodingScheme") or item["identifier"])[:60], "name": str(item["fullStatement"])[:120],
            "strand": "vocabulary", "grade": int(level) if str(level).isdigit() else 0, "needs": before, "ways": ["sing"],
        }  # fmt: skip
    except (KeyError, TypeError, AttributeError, ValueError, IndexError) as problem:
        raise SequenceError(f"{where} is no CASE item. Nothing was kept.") from problem
