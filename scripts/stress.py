"""Cut the pronouncing dictionary to what the words-on-the-beat check needs: scripts/stress.py INDEX.js

INDEX.js is that of the npm package cmu-pronouncing-dictionary (`npm pack` fetches it; ISC, see the notice
beside the data). Kept are words of two syllables and more with the stress of each, grouped by pattern
and front-coded; pronunciation itself is left out.
"""

from __future__ import annotations

import lzma
import re
import sys
from collections import defaultdict
from pathlib import Path

OUT = Path(__file__).resolve().parents[1] / "src" / "kopje" / "formats" / "stress.txt.xz"
LINE = re.compile(r'^\s*"?([a-z\']+)(?:\((\d)\))?"?: "([^"]+)",?$')


def main(source: str) -> None:
    words: dict[str, list[str]] = defaultdict(list)
    for line in Path(source).read_text().splitlines():
        match = LINE.match(line)
        if match:
            pattern = "".join(c for c in match[3] if c.isdigit())
            if len(pattern) > 1 and pattern not in words[match[1]]:
                words[match[1]].append(pattern)
    groups: dict[str, list[str]] = defaultdict(list)
    for word, patterns in words.items():
        if patterns:
            groups["/".join(patterns)].append(word)
    lines = [f"{pattern} {coded(sorted(groups[pattern]))}" for pattern in sorted(groups)]
    OUT.write_bytes(lzma.compress("\n".join(lines).encode(), preset=9 | lzma.PRESET_EXTREME))
    print(f"{sum(map(len, groups.values()))} words, {OUT.stat().st_size} bytes")


def coded(words: list[str]) -> str:
    """Each word as the number of letters it shares with the one before, and the rest."""
    found, before = [], ""
    for word in words:
        shared = next(
            (n for n, (a, b) in enumerate(zip(word, before, strict=False)) if a != b),
            min(len(word), len(before)),
        )
        found.append(f"{shared}{word[shared:]}")
        before = word
    return " ".join(found)


if __name__ == "__main__":
    main(sys.argv[1])
