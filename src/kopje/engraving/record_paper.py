"""A record as one HTML page that stands by itself: headings with lists of lines."""

from __future__ import annotations

from collections.abc import Sequence
from html import escape

STYLE = """
body { font: 16px/1.5 system-ui, sans-serif; color: #2a211b; background: #fff }
body { margin: 32px auto; max-width: 46em; padding: 0 16px }
h1 { font-size: 28px; line-height: 1.2; margin: 0 }
h2 { font-size: 18px; margin: 28px 0 4px; border-bottom: 1px solid #b9b3a9 }
.lead { color: #5a554e; margin: 4px 0 0 } ul { margin: 6px 0; padding-left: 20px }
@media print { body { margin: 0; font-size: 11pt } li { break-inside: avoid } }
"""


def record_page(title: str, lead: str, blocks: Sequence[tuple[str, Sequence[str]]]) -> str:
    """`blocks`: (heading, lines)."""
    inside = "".join(
        f"<h2>{escape(heading)}</h2><ul>{''.join(f'<li>{escape(line)}</li>' for line in lines)}</ul>"
        for heading, lines in blocks
    )
    head = f'<meta charset="utf-8"><title>{escape(title)}</title><style>{STYLE}</style>'
    return (
        f'<!doctype html><html lang="en"><head>{head}</head><body><h1>{escape(title)}</h1>'
        f'<p class="lead">{escape(lead)}</p>{inside}</body></html>'
    )
