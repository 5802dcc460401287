"""A made-up language: every word of the catalogue in letters that nothing else has, so that what stands
outside it shows."""

from __future__ import annotations

import re
from calendar import day_abbr, day_name, month_abbr, month_name
from collections.abc import Iterable
from functools import lru_cache
from pathlib import Path

from fluent.syntax import FluentParser, FluentSerializer, ast
from fluent.syntax.visitor import Transformer

from kopje.words import FOLDER

LANGUAGE = "xx"
PLAIN = "ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz"
STRANGE = "ÅƁÇÐÉƑĜĤÎĴĶĻṀÑÖÞǪŔŠŢÛṼŴẊÝŽåƀçðéƒĝĥîĵķļṁñöþǫŕšţûṽŵẋýž"
LETTERS = str.maketrans(PLAIN, STRANGE)
WORD = re.compile(r"[A-Za-z][a-z]{2,}")
# What a browser or Babel says in a language it does not know, and signs that every language shares.
CALENDAR = frozenset((*day_name, *day_abbr, *month_name, *month_abbr))


class _Strange(Transformer):
    def visit_TextElement(self, node: ast.TextElement) -> ast.TextElement:  # noqa: N802  the visitor's own naming
        node.value = node.value.translate(LETTERS)
        return node

    def visit_StringLiteral(self, node: ast.StringLiteral) -> ast.StringLiteral:  # noqa: N802
        node.value = node.value.translate(LETTERS)
        return node


def pseudo_locale(folder: Path) -> Path:
    """Write the language into a folder as one puts a language into `locales/`; the folder."""
    (folder / LANGUAGE).mkdir(parents=True)
    for file in sorted((FOLDER / "en").glob("*.ftl")):
        found = FluentParser(with_spans=False).parse(file.read_text("utf-8"))
        text = FluentSerializer().serialize(_Strange().visit(found))
        (folder / LANGUAGE / file.name).write_text(text, "utf-8")
    return folder


@lru_cache(maxsize=4)
def _any_of(data: frozenset[str]) -> re.Pattern[str]:
    """The longest first, all in one pattern."""
    return re.compile("|".join(re.escape(one) for one in sorted(data, key=len, reverse=True)), re.IGNORECASE)


def plain_words(text: str, data: Iterable[str]) -> list[str]:
    """The words in plain letters that are left of a text once the data in it is taken out, and what stands
    in quotes."""
    left = _any_of(frozenset(data) - {""}).sub(" ", re.sub("“[^”]*”", " ", text))
    return [word for word in WORD.findall(left) if word not in CALENDAR]
