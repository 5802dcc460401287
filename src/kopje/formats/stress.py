"""The dictionary of stress that ships with Kopje, cut by scripts/stress.py: words of two syllables on."""

from __future__ import annotations

import lzma
import re
from collections.abc import Mapping
from functools import lru_cache
from importlib.resources import files

_CODED = re.compile(r"(\d+)(\D+)")


@lru_cache(maxsize=1)
def stress_dictionary() -> Mapping[str, str]:
    """Word to its stress patterns, `10` or `010/10`: 1 is the main stress, 2 the second, 0 none. Read once,
    when first asked for."""
    found: dict[str, str] = {}
    text = lzma.decompress(files("kopje.formats").joinpath("stress.txt.xz").read_bytes()).decode()
    for line in text.splitlines():
        pattern, _, coded = line.partition(" ")
        before = ""
        for shared, rest in _CODED.findall(coded.replace(" ", "")):
            before = before[: int(shared)] + rest
            found[before] = pattern
    return found
