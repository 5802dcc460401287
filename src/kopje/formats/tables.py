"""Tables as CSV, so that a spreadsheet opens them and takes nothing in them for a formula."""

from __future__ import annotations

import csv
import io
from collections.abc import Iterable, Sequence

BOM = "\ufeff"  # without it a spreadsheet reads UTF-8 as something else
FORMULA = ("=", "+", "-", "@", "\t", "\r")


def write_table(columns: Sequence[str], rows: Iterable[Sequence[str | int]]) -> bytes:
    r"""A head and a row each; a text that a spreadsheet would work out is written behind an apostrophe.

    >>> write_table(["title"], [["=1+1"]]).decode("utf-8-sig")
    "title\r\n'=1+1\r\n"
    """
    text = io.StringIO(newline="")
    writer = csv.writer(text)
    writer.writerow(columns)
    writer.writerows([plain(value) for value in row] for row in rows)
    return (BOM + text.getvalue()).encode()


def plain(value: str | int) -> str | int:
    """What no spreadsheet works out."""
    return f"'{value}" if isinstance(value, str) and value.startswith(FORMULA) else value


def meant(text: str) -> str:
    """A cell as it was before it was made plain."""
    return text[1:] if text[:1] == "'" and text[1:].startswith(FORMULA) else text
