"""Our reading of real tunes beside an independent reader's: tones, lengths, attacks, range and bars; every
difference explained.

The other reader is right about most tunes. Where it is known not to be, the reason is looked for in the text
of the tune, not in the difference, so that a fault of ours cannot hide behind it."""

from __future__ import annotations

import contextlib
import hashlib
import io
import re
import signal
import warnings
from collections import Counter
from collections.abc import Callable, Iterator
from dataclasses import dataclass, field
from fractions import Fraction

from kopje.core.analysis.analysis import analyse
from kopje.core.music.tune import Tune
from kopje.formats.read import read_tunes

Reading = tuple[list[str], list[Fraction], int]
_MUSIC = re.compile(r"^(?![A-Za-z]:)(?!%).*$", re.MULTILINE)
_LEAST = 10  # seconds after which the other reader is given up


def music(data: bytes) -> str:
    """The lines of music, without remarks, chord names and decorations."""
    text = data.decode("latin-1").partition("\nK:")[2]
    lines = _MUSIC.findall(text.partition("\n")[2])
    return re.sub(r'"[^"]*"', "", " ".join(line.split("%")[0] for line in lines))


def joined(data: bytes) -> str:
    """The tune with lines that end inside a bar joined: the other reader takes a line end for a bar line."""
    head, key, rest = data.decode("latin-1").partition("\nK:")
    first, _, body = rest.partition("\n")
    lines: list[str] = []
    for line in (line.split("%")[0].rstrip().rstrip("\\") for line in body.splitlines()):
        field_ = re.match(r"[A-Za-z]:", line) is not None
        open_ = bool(lines) and lines[-1].strip() != "" and lines[-1].rstrip()[-1] not in "|:]"
        if open_ and not field_ and not re.match(r"[A-Za-z]:", lines[-1]):
            lines[-1] += " " + line
        elif not line.startswith("w:"):
            lines.append(line)
    return f"{head}{key}{first}\n" + "\n".join(lines) + "\n"


def theirs(data: bytes) -> Reading:
    import music21

    with warnings.catch_warnings(), contextlib.redirect_stderr(io.StringIO()):
        warnings.simplefilter("ignore")
        stream = music21.converter.parseData(joined(data), format="abc")
    part = stream.parts[0] if stream.parts else stream
    bars = sum(1 for measure in part.getElementsByClass("Measure") if measure.notesAndRests)
    notes = [
        n
        for n in part.stripTies().flatten().notes
        if not n.duration.isGrace and n.pitches and not isinstance(n, music21.harmony.ChordSymbol)
    ]
    top = [max(note.pitches, key=lambda pitch: pitch.midi) for note in notes]
    lengths = [Fraction(note.duration.quarterLength).limit_denominator(96) for note in notes]
    return [pitch.nameWithOctave.replace("-", "b") for pitch in top], lengths, bars


def ours(tune: Tune) -> Reading:
    attacks = [sound for sound in analyse(tune).attacks if sound.pitch]
    lengths = [Fraction(int(s.duration.numerator), int(s.duration.denominator)) for s in attacks]
    return [str(sound.pitch) for sound in attacks], lengths, sum(bool(bar.notes) for bar in tune.bars)


def _letters(names: list[str]) -> list[str]:
    return [name[0] + name[-1] for name in names]


def _tie(text: str, _tune: Tune) -> bool:
    tones = re.finditer(r"([_^=]*[A-Ga-g][,']*)[\d/]*\)*\s*-[\s|:]*\(*([_^=]*[A-Ga-g][,']*)", text)
    return any(found[1].lstrip("_^=") != found[2].lstrip("_^=") or found[1] != found[2] for found in tones)


def _broken(text: str, _tune: Tune) -> bool:
    return re.search(r"[<>]\s*[^A-Ga-gz_^=\s<>]|[^A-Ga-gz\d/,'<>\s]\s*[<>]|[\d/\s][<>]\s", text) is not None


def _accidental(text: str, _tune: Tune) -> bool:
    return re.search(r"[_^=]", text) is not None


def _overfull(_text: str, tune: Tune) -> bool:
    return any(bar.length > bar.meter.length for bar in tune.bars)


def _short(_text: str, tune: Tune) -> bool:
    return any(bar.length < bar.meter.length for bar in tune.bars[1:-1])


def _ornament(text: str, _tune: Tune) -> bool:
    return re.search(r"[T~{!+]|[.uvHLMOPS](?=[A-Ga-g(])", text) is not None


def _voices(text: str, _tune: Tune) -> bool:
    return "[V:" in text


def _clef(text: str, _tune: Tune) -> bool:
    return "clef" in text or "octave" in text or "8va" in text


def _open_end(text: str, _tune: Tune) -> bool:
    lines = "\n".join(line.split("%")[0].rstrip().rstrip("\\") for line in _MUSIC.findall(text))
    return re.search(r"[^|\]:\s]\s*\n\s*[^\s|:]", lines) is not None or not re.search(r"\|[^\]]", lines)


def _quoted(text: str, _tune: Tune) -> bool:
    return re.search(r'"[^"\n]*[<>][^"\n]*"', text) is not None


def _grace_tie(text: str, _tune: Tune) -> bool:
    return re.search(r"\}\s*-", text) is not None


def _cut_by_part(text: str, _tune: Tune) -> bool:
    return re.search(r"[^|\]:\s]\s*\nP:", text) is not None


def _tuplet(text: str, _tune: Tune) -> bool:
    return re.search(r"\(\d", text) is not None


KNOWN: dict[str, tuple[str, Callable[[str, Tune], bool]]] = {
    "tie": ("a tie sign between different tones is read as a tie", _tie),
    "broken": ("a broken rhythm beside a slur, an ornament or a blank is lost", _broken),
    "accidental": ("an accidental is not kept to the bar line", _accidental),
    "overfull": ("a bar over its meter is cut in two", _overfull),
    "short": ("a short bar inside is filled or joined", _short),
    "ornament": ("a note with an ornament or a grace note is lost", _ornament),
    "voices": ("voices that take turns are read as one", _voices),
    "clef": ("a clef with an octave moves the tones as written", _clef),
    "tuplet": ("a tuplet beside a broken rhythm or a grace note is lost", _tuplet),
    "open end": ("a line that ends without a bar line is joined to the next", _open_end),
    "quoted": ("a sign of broken rhythm inside quotes is obeyed", _quoted),
    "grace tie": ("a tie behind a grace note goes to another tone", _grace_tie),
    "part": ("a bar that a new part divides is counted twice", _cut_by_part),
}
EXPLAINS = {
    "pitches": ("accidental",),
    "letters": ("clef", "grace tie"),
    "attacks": ("voices", "tie", "ornament", "broken", "tuplet", "quoted"),
    "lengths": ("broken", "ornament", "tuplet"),
    "bars": ("voices", "overfull", "short", "part", "open end"),
}
AS_WRITTEN = ("open end", "quoted", "part")  # rules that look at lines or quotes
FOLLOWS = {"bars": ("attacks", "lengths")}  # where a tone was lost or is too long, its bar is lost or cut too


@dataclass
class Compared:
    """How many agree in all; the differences by reason; what is left unexplained, by a hash of the tune."""

    pieces: int = 0
    same: int = 0
    not_read: int = 0
    reasons: Counter[str] = field(default_factory=Counter)
    unexplained: list[tuple[str, str]] = field(default_factory=list)


def different(one: Reading, two: Reading) -> Iterator[str]:
    if len(one[0]) != len(two[0]):
        yield "attacks"
    else:
        if one[0] != two[0]:
            yield "pitches" if _letters(one[0]) == _letters(two[0]) else "letters"
        if one[1] != two[1]:
            yield "lengths"
    if one[2] != two[2]:
        yield "bars"


def compare(pieces: list[tuple[str, bytes]]) -> Compared:
    found = Compared()
    for name, data in pieces:
        tune = read_tunes(data, name)[0]
        try:
            with _given_up():
                other = theirs(data)
        except Exception:  # noqa: BLE001  # whatever the other reader does with a tune, it is then no judge of it
            found.not_read += 1
            continue
        found.pieces += 1
        kinds = list(different(ours(tune), other))
        found.same += not kinds
        raw = data.decode("latin-1").partition("\nK:")[2].partition("\n")[2]
        text = music(data) + " " + " ".join(re.findall(r"^[KV]:.*", data.decode("latin-1"), re.MULTILINE))
        for kind in kinds:
            asked = (kind, *(before for before in FOLLOWS.get(kind, ()) if before in kinds))
            whys = (why for one in asked for why in EXPLAINS.get(one, ()))
            reason = next(
                (why for why in whys if KNOWN[why][1](raw if why in AS_WRITTEN else text, tune)), None
            )
            if reason is None:
                found.unexplained.append((hashlib.sha256(data).hexdigest()[:10], kind))
            else:
                found.reasons[reason] += 1
    return found


@contextlib.contextmanager
def _given_up() -> Iterator[None]:
    def late(*_: object) -> None:
        raise TimeoutError

    before = signal.signal(signal.SIGALRM, late)
    signal.alarm(_LEAST)
    try:
        yield
    finally:
        signal.alarm(0)
        signal.signal(signal.SIGALRM, before)
