"""An analysis as JSON values: the contract of `kopje analyse --json` (docs/analysis.md) and small views of
it."""

from __future__ import annotations

from collections import Counter
from itertools import zip_longest
from typing import Any

from kopje.core.analysis.analysis import Analysis
from kopje.core.analysis.motion import move
from kopje.core.analysis.phrases import Phrase
from kopje.core.exact import Fraction
from kopje.words import ENGLISH_WORDS, Words


def analysis_json(a: Analysis, words: Words = ENGLISH_WORDS) -> dict[str, Any]:
    """One object of the contract."""
    t = a.tonality
    low, high = a.range or (None, None)
    pickup = a.tune.pickup / a.tune.bars[0].meter.beat
    return {
        "title": a.tune.title,
        "meters": list(dict.fromkeys(str(bar.meter) for bar in a.tune.bars)),
        "bars": a.tune.bars[-1].number,
        "pickup_beats": str(pickup),
        "do": str(t.do) if t.do else None,
        "resting_tone": t.resting,
        "tonality": t.name,
        "confidence": round(float(t.confidence), 2),
        "reasons": [words.say(reason) for reason in t.reasons],
        "tone_set": [str(degree) for degree in a.tone_set],
        "tone_set_name": a.tone_set_name,
        "range": {"low": str(low), "high": str(high), "semitones": high.midi - low.midi}
        if low and high
        else None,
        "final": str(a.final) if a.final else None,
        "degrees": [str(degree) for degree in a.degrees],
        "rhythm": [("" if s.attack else "r") + str(s.beats) for s in a.timeline],
        "elements": [{"key": k, "count": n, "bars": list(bars)} for k, n, bars in a.element_rows],
        "unnamed_figures": _unnamed(a),
        "motion": a.motion,
        "form": a.form,
        "form_played": a.form_played,
        "phrases_from": a.phrases_from,
        "phrases_heard": [bars_of(a, phrase) for phrase in a.phrases_heard],
        "phrases": [_phrase(a, index) for index in range(len(a.phrases))],
        "words": {degree: list(words) for degree, words in a.words.items()},
        "problems": [{"bar": p.bar, "code": p.code, "message": words.say(p.reason)} for p in a.problems],
    }


def _unnamed(a: Analysis) -> list[dict[str, Any]]:
    bars: dict[str, list[int]] = {}
    for figure in a.figures:
        if figure.key is None:
            bars.setdefault(figure.text, []).append(figure.bar)
    return [{"figure": text, "bars": sorted(set(found))} for text, found in bars.items()]


def bars_of(a: Analysis, phrase: Phrase) -> list[int]:
    """The bars of its first and last attack."""
    attacks = a.attacks_in(phrase)
    return [attacks[0].bar, attacks[-1].bar] if attacks else []


def _phrase(a: Analysis, index: int) -> dict[str, Any]:
    phrase = a.phrases[index]
    area = a.homes[index]
    return {
        "label": phrase.label,
        "bars": bars_of(a, phrase),
        "do": str(area.do) if area.do else None,
        "resting_tone": area.resting,
        "tonality": area.name,
    }


def ladder(a: Analysis) -> list[dict[str, Any]]:
    """The tone set from the top; each neighbouring pair is a step, half step or skip."""
    pitched = {str(a.degree(s)): s.pitch for s in a.attacks if s.pitch}
    counts = Counter(str(degree) for degree in a.degrees)
    names = [str(degree) for degree in reversed(a.tone_set)]
    rungs = []
    for name, following in zip_longest(names, names[1:]):
        below = None
        if following is not None:
            one, two = pitched[name], pitched[following]
            kind = move(one, two) if one and two else "skip"
            half = kind == "step" and one and two and one.midi - two.midi == 1
            below = "half step" if half else kind
        rungs.append({"degree": name, "pitch": str(pitched[name]), "count": counts[name], "below": below})
    return rungs


def minutes_and_seconds(a: Analysis) -> str | None:
    """How long it lasts once through, where the file gives a tempo."""
    if not a.tune.tempo:
        return None
    seconds = round(sum((bar.length for bar in a.tune.bars), Fraction(0)) * 60 / a.tune.tempo)
    return f"{seconds // 60}:{seconds % 60:02d}"
