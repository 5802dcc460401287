"""The long runs behind what the README claims; figures go to docs/measured.md. Seeded, about a few minutes."""

from __future__ import annotations

import sys
from pathlib import Path

ROOT = Path(__file__).resolve().parents[1]
sys.path.insert(0, str(ROOT / "tests"))

from formats import corpora  # noqa: E402


def readers() -> list[str]:
    home = corpora.corpus()
    if home is None:
        return ["The corpus is not installed; nothing was measured."]
    lines = ["| collection | pieces | read | refused, by reason | slowest piece |", "|---|---|---|---|---|"]
    collections = {
        "ABC tunes": list(corpora.abc_pieces(home)),
        "MusicXML conformance": corpora.conformance_files(home),
    }
    for name, pieces in collections.items():
        found = corpora.count(pieces)
        share = 100 * found.read / max(found.pieces, 1)
        reasons = ", ".join(f"{code} {n}" for code, n in found.refusals.most_common()) or "none"
        lines.append(
            f"| {name} | {found.pieces} | {found.read} ({share:.2f} %) | {reasons} | {1000 * found.slowest:.0f} ms |"
        )
    return lines


PARTS = {"Reading every piece of the installed collections": readers}


def main() -> None:
    text = [
        "# Measured",
        "",
        "Written by `make proof`. Times are of the machine that ran it; counts are of the seed.",
        "",
    ]
    for title, part in PARTS.items():
        print(f"» {title}", flush=True)
        lines = part()
        print("\n".join(lines), flush=True)
        text += [f"## {title}", "", *lines, ""]
    (ROOT / "docs" / "measured.md").write_text("\n".join(text))


if __name__ == "__main__":
    main()
