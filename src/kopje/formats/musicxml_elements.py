"""What single elements of MusicXML say: a note with its pitch, words and signs; key, meter, bar line."""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import replace
from typing import Any

from kopje.core.errors import FileError
from kopje.core.exact import Fraction
from kopje.core.music.marks import GROWING, LOUDNESS, Mark, in_order
from kopje.core.music.meter import Meter
from kopje.core.music.navigation import Sign, sign_of
from kopje.core.music.pitch import Pitch, pitch
from kopje.core.music.tune import BarLine, Key, Note, Syllable
from kopje.core.reasons import because
from kopje.formats.limits import MAX_VERSES, check_count, clipped

Element = Any  # lxml's element; its stubs leave it open
_DURATION, _INTEGER = re.compile(r"\d{1,7}(\.\d{1,4})?"), re.compile(r"-?\d{1,7}(\.0*)?")
_VERSES = frozenset("123456789")
_BREATHS, _LINE_ENDS = ("fermata", "breath-mark", "caesura"), ("end-line", "end-paragraph")
_MODES = ("major", "minor", "dorian", "phrygian", "lydian", "mixolydian", "aeolian", "ionian", "locrian")


def plain_tags(root: Element) -> None:
    """Take the namespace off every tag, so that what follows looks for plain names, which is much quicker."""
    for element in root.iter("{*}*"):
        if element.tag[0] == "{":
            element.tag = element.tag.rpartition("}")[2]


def direct(element: Element, name: str) -> Iterator[Element]:
    return element.iterchildren(name)  # type: ignore[no-any-return]


def child_of(element: Element, name: str) -> Element | None:
    return next(element.iterchildren(name), None)


Kids = dict[Any, Element]


def kids_of(element: Element) -> Kids:
    """The first child of each name, in one pass: a note is asked for many."""
    found: Kids = {}
    for child in element:
        found.setdefault(child.tag, child)
    return found


def said_in(kids: Kids, name: str) -> str | None:
    return (kids[name].text or "").strip() if name in kids else None


def text_of(element: Element, name: str) -> str | None:
    found = child_of(element, name)
    return (found.text or "").strip() if found is not None else None


def integer_of(text: str | None, low: int, high: int, what: str) -> int:
    if text is None or not _INTEGER.fullmatch(text) or not low <= int(text.split(".")[0]) <= high:
        raise FileError("number_between", what=because(f"what_{what}"), low=low, high=high, value=text)
    return int(text.split(".")[0])


_SOUNDED: dict[str, Sign] = {
    "fine": "fine",
    "dacapo": "da_capo",
    "dalsegno": "dal_segno",
    "segno": "segno",
    "tocoda": "to_coda",
    "coda": "coda",
}


def note_of(element: Element, kids: Kids, duration: Fraction) -> Note:
    if "rest" in kids:
        return Note("rest", duration, fills_bar=kids["rest"].get("measure") == "yes")
    ties = {tie.get("type") for tie in direct(element, "tie")} if "tie" in kids else ()
    border = "notations" in kids and next(kids["notations"].iter(*_BREATHS), None) is not None
    marks = in_order(marks_of(kids["notations"])) if "notations" in kids else ()
    if not border and "lyric" in kids:
        border = next(kids["lyric"].iterchildren(*_LINE_ENDS), None) is not None
    pitch = kids.get("pitch")
    return Note(
        "unpitched" if pitch is None else "note",
        duration,
        None if pitch is None else pitch_of(kids_of(pitch)),
        tie_in="stop" in ties,
        tie_out="start" in ties,
        syllables=tuple(syllables_of(element)) if "lyric" in kids else (),
        border=border,
        marks=marks,
    )


def marks_of(notations: Element) -> Iterator[Mark]:
    """Fermata and articulations of a note."""
    for one in notations.iter("fermata", "staccato", "accent", "tenuto"):
        yield one.tag


def loudness_of(element: Element) -> Iterator[Mark]:
    """What a direction says of loudness; it holds from the next note on."""
    for one in element.iter("dynamics", "wedge"):
        if one.tag == "wedge":
            kind = one.get("type")
            if kind in GROWING:
                yield kind
        else:
            yield from (child.tag for child in one if child.tag in LOUDNESS)


def pitch_of(kids: Kids) -> Pitch:
    letter, alter = said_in(kids, "step") or "", said_in(kids, "alter") or "0"
    if letter not in tuple("CDEFGAB"):
        raise FileError("pitch_no_letter", value=letter)
    octave = integer_of(said_in(kids, "octave"), 0, 9, "octave")
    if "." in alter and re.fullmatch(r"-?\d+\.[1-9]\d*", alter):
        raise FileError("quarter_tones", value=alter)
    return pitch(letter, integer_of(alter, -3, 3, "alteration"), octave)


def syllables_of(element: Element) -> Iterator[Syllable]:
    for place, lyric in enumerate(direct(element, "lyric"), start=1):
        check_count(place, MAX_VERSES, "verses")
        said = lyric.get("number") or ""
        number = [said] if said in _VERSES else re.search(r"\d{1,2}", said)
        texts = [clipped(text.text or "") for text in direct(lyric, "text")]
        joins = [(syllabic.text or "").strip() for syllabic in direct(lyric, "syllabic")]
        text = " ".join(filter(None, texts))
        if text:
            yield Syllable(text, int(number[0]) if number else place, joins[-1:] in (["begin"], ["middle"]))


def key_of(element: Element) -> Key | None:
    text = text_of(element, "fifths")
    if text is None:
        return None
    mode = (text_of(element, "mode") or "").lower()
    return Key(integer_of(text, -7, 7, "key_signature"), mode if mode in _MODES else None)


def meter_of(element: Element) -> Meter | None:
    uppers = [(child.text or "").replace(" ", "") for child in direct(element, "beats")]
    lowers = [(child.text or "").strip() for child in direct(element, "beat-type")]
    if not uppers or len(uppers) != len(lowers):
        return None
    symbol = element.get("symbol")
    if len(set(lowers)) == 1:
        meter = Meter.parse(f"{'+'.join(uppers)}/{lowers[0]}")
        return replace(meter, symbol=symbol) if symbol in ("common", "cut") else meter
    lower = max(int(text) for text in lowers if text.isdigit())
    upper = sum(sum(map(int, u.split("+"))) * lower // int(w) for u, w in zip(uppers, lowers, strict=True))
    return Meter.parse(f"{upper}/{lower}")


def signs_of(element: Element) -> Iterator[Sign]:
    """From what a direction sounds, else from what it says or draws."""
    sound = element if element.tag == "sound" else child_of(element, "sound")
    sounded = [sign for name, sign in _SOUNDED.items() if sound is not None and sound.get(name)]
    yield from sounded
    for kind in element.iter("words", "segno", "coda") if not sounded else ():
        sign = sign_of(kind.text or "") if kind.tag == "words" else sign_of(str(kind.tag))
        if sign is not None:
            yield sign


def bar_line_of(element: Element, left: BarLine, right: BarLine, ending: str) -> tuple[BarLine, BarLine, str]:
    repeat = child_of(element, "repeat")
    direction = repeat.get("direction") if repeat is not None else None
    style = text_of(element, "bar-style") or ""
    found = child_of(element, "ending")
    if found is not None and found.get("type") == "start":
        ending = clipped(found.get("number") or "")
    if direction == "forward":
        return "repeat", right, ending
    if direction == "backward":
        return left, "repeat", ending
    if element.get("location", "right") == "right":
        right = {"light-light": "double", "light-heavy": "final"}.get(style, right)  # type: ignore[assignment]
    return left, right, ending
