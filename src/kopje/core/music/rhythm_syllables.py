"""What a rhythm is called when it is spoken: four systems as data, one syllable for each sounding note of a
figure.

`ta-titi` goes by value, the others by place in the beat; in `counting` n is the number of the beat, and n+1
the next. A school's own system is one more row of data. Source: docs/sources.md#rhythm-syllables."""

from __future__ import annotations

import re
from collections.abc import Mapping
from typing import Literal

from kopje.core.errors import WordingError
from kopje.core.reasons import because

RhythmSystem = Literal["ta-titi", "beat-function", "macro-micro", "counting"]
SYSTEMS: tuple[RhythmSystem, ...] = ("ta-titi", "beat-function", "macro-micro", "counting")
_TABLE = """
quarter                    | ta          | ta            | du            | n
two_eighths                | ti ti       | ta di         | du de         | n &
four_sixteenths            | ti ka ti ka | ta ka di mi   | du ta de te   | n e & a
eighth_two_sixteenths      | ti ti ka    | ta di mi      | du de ta      | n & a
two_sixteenths_eighth      | ti ka ti    | ta ka di      | du ta de      | n e &
dotted_eighth_sixteenth    | tim ka      | ta mi         | du ta         | n a
sixteenth_dotted_eighth    | ka tim      | ta ka         | du ta         | n e
sixteenth_eighth_sixteenth | ka ti ka    | ta ka mi      | du ta ta      | n e a
triplet                    | tri o la    | ta ki da      | du da di      | n la li
half                       | ta-a        | ta-a          | du-u          | n-(n+1)
dotted_half                | ta-a-a      | ta-a-a        | du-u-u        | n-(n+1)-(n+2)
whole                      | ta-a-a-a    | ta-a-a-a      | du-u-u-u      | n-(n+1)-(n+2)-(n+3)
syncopation                | ti ta ti    | ta di di      | du de de      | n & (n+1)&
dotted_quarter_eighth      | ta-i ti     | ta di         | du de         | n (n+1)&
eighth_dotted_quarter      | ti ta-i     | ta di         | du de         | n &
half_beat_rest             | ti          | di            | de            | &
dotted_quarter             | ta-i        | ta            | du            | n
three_eighths              | ti ti ti    | ta ki da      | du da di      | n la li
quarter_eighth             | ta ti       | ta da         | du di         | n li
eighth_quarter             | ti ta       | ta ki         | du da         | n la
six_sixteenths             | ti ka ti ka ti ka | ta va ki di da ma | du ta da ta di ta | n ta la ta li ta
siciliano                  | tim ka ti   | ta di da      | du ta di      | n ta li
dotted_half_compound       | ta-i-a-i    | ta-a          | du-u          | n-(n+1)
"""
_FIGURES: dict[str, dict[RhythmSystem, tuple[str, ...]]] = {
    key.strip(): {system: tuple(cell.split()) for system, cell in zip(SYSTEMS, cells, strict=True)}
    for key, *cells in (line.split("|") for line in _TABLE.strip().splitlines())
}
FIGURES = tuple(_FIGURES)
RESTS = ("beat_rest", "half_rest", "bar_rest", "compound_beat_rest")  # silent, unless the school speaks them
NO_OWN: Mapping[str, str] = {}
_NUMBER = re.compile(r"\(n\+(\d)\)|n")


def syllables(
    figure: str,
    system: RhythmSystem,
    beat: int = 1,
    first_half_silent: bool = True,
    own: Mapping[str, str] = NO_OWN,
) -> tuple[str, ...]:
    """One syllable for each sounding note of a named figure that starts on a beat of its bar (from 1); none
    for rests. `own` goes before the system: syllables with blanks between them, by figure.

    A beat half of which rests sounds in its second half, unless `first_half_silent` is false.

    >>> syllables("syncopation", "ta-titi"), syllables("syncopation", "counting", 3)
    (('ti', 'ta', 'ti'), ('3', '&', '4&'))
    """
    if figure == "half_beat_rest" and not first_half_silent:
        return syllables("two_eighths", system, beat, own=own)[:1]
    if figure in own and figure not in RESTS:
        return tuple(own[figure].split())
    found = _FIGURES.get(figure, {}).get(system, ())
    if system != "counting":
        return found
    return tuple(_NUMBER.sub(lambda m: str(beat + int(m[1] or 0)), one) for one in found)


def spoken(figure: str, system: RhythmSystem, own: Mapping[str, str] = NO_OWN) -> str:
    """A figure in one word or two, as it stands beside its name: `ti ti`; a spoken rest by its word."""
    return own.get(figure, "") if figure in RESTS else " ".join(syllables(figure, system, own=own))


def sounding(figure: str) -> int:
    """How many syllables a figure has: one for each sounding note; WordingError for one without a name."""
    if figure not in _FIGURES and figure not in RESTS:
        raise WordingError("rhythm_no_figure", figure=figure, value=figure)
    return 1 if figure in RESTS else len(syllables(figure, "ta-titi"))


def checked_own(own: Mapping[str, str]) -> dict[str, str]:
    """Own syllables as they are kept, without what is empty; WordingError for too many or too few."""
    found = {figure: " ".join(words.split()) for figure, words in own.items() if words.strip()}
    for figure, words in found.items():
        wanted, given = sounding(figure), len(words.split())
        if wanted != given:
            said = because(f"figure_{figure}")
            raise WordingError("rhythm_syllables", figure=said, wanted=wanted, given=given, value=words)
    return found
