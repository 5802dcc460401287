"""Names of children as they come from a list: cleaned, and told apart. Source: docs/sources.md#roster."""

from __future__ import annotations

from collections.abc import Iterable

from kopje.core.errors import RosterError

MOST_CHILDREN = 120
LONGEST_NAME = 60


def cleaned_names(lines: Iterable[str]) -> tuple[str, ...]:
    """Names as pasted, one a line: blanks left out, the same name twice told apart.

    >>> cleaned_names([" Ama ", "", "Jun", "Ama"])
    ('Ama', 'Jun', 'Ama 2')
    """
    seen: dict[str, int] = {}
    names = []
    for line in lines:
        name = " ".join(line.replace("\t", " ").split()).strip(" ,;")
        if len(name) > LONGEST_NAME:
            raise RosterError(
                "name_too_long",
                name=f"{name[:30]}…",
                value=name,
            )
        if name:
            seen[name] = seen.get(name, 0) + 1
            names.append(name if seen[name] == 1 else f"{name} {seen[name]}")
    if len(names) > MOST_CHILDREN:
        raise RosterError("too_many_names", count=len(names), value=len(names))
    return tuple(names)
