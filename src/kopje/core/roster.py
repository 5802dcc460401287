"""Names of children as they come from a list: cleaned, and told apart. Source: docs/sources.md#roster."""

from __future__ import annotations

from collections.abc import Iterable

from kopje.core.errors import RosterError
from kopje.core.names import look, shown

MOST_CHILDREN = 120
LONGEST_NAME = 60


def cleaned_names(lines: Iterable[str]) -> tuple[str, ...]:
    """Names as pasted, one a line: blanks left out, names that look the same told apart.

    >>> cleaned_names([" Ama ", "", "Jun", "AMA"])
    ('Ama', 'Jun', 'AMA 2')
    """
    seen: dict[str, int] = {}
    names = []
    for line in lines:
        name = shown(line).strip(" ,;")
        if len(name) > LONGEST_NAME:
            raise RosterError(
                "name_too_long",
                name=f"{name[:30]}…",
                value=name,
            )
        if name:
            key = look(name)
            seen[key] = seen.get(key, 0) + 1
            names.append(name if seen[key] == 1 else f"{name} {seen[key]}")
    if len(names) > MOST_CHILDREN:
        raise RosterError("too_many_names", count=len(names), value=len(names))
    return tuple(names)
