"""The default sequence, kindergarten to grade 5, as data. Schools start from it and change it.

Source: docs/sources.md#prerequisites.
"""

from __future__ import annotations

from typing import Any

from kopje.core.sequence.choir_reading import CHOIR_READING
from kopje.core.sequence.concepts import Concept, ConceptKey, Sequence, Way

_USUAL: dict[str, tuple[Way, ...]] = {
    "rhythm": ("read",),
    "meter": ("read",),
    "beat": ("sing",),
    "staff": ("read",),
    "vocabulary": ("hear",),
    "making": ("create",),
}
_SHOWN = {
    "beat": "a row of hearts",
    "rhythm": "its notes over beat boxes",
    "meter": "the meter sign, strong beats larger",
    "melody": "its rung on the ladder, its hand sign, its place on the lines",
    "tonality": "the ladder with its resting tone marked",
    "staff": "the staff with one note",
    "form": "a letter over each phrase",
    "expression": "its sign over a line of the song",
    "voice": "a face that does it",
    "unpitched": "hands on the instrument",
    "barred": "mallets over the bars",
    "recorder": "a pipe with its closed holes",
    "ensemble": "a line for each part",
    "making": "an empty frame to fill",
    "vocabulary": "the word beside its picture",
}


def _c(key: str, name: str, strand: str, grade: int, sign: str, needs: str = "", **more: Any) -> Concept:
    more.setdefault("ways", _USUAL.get(strand, ("sing",)))
    more.setdefault("shown", _SHOWN[strand])
    for field in ("elements", "degrees", "meters", "tone_sets", "traits"):
        more[field] = tuple(more.get(field, "").split())
    return Concept(
        ConceptKey(key), name, strand, grade, sign, tuple(ConceptKey(n) for n in needs.split()), **more
    )


KINDERGARTEN = (
    _c("beat", "steady beat", "beat", 0, "♥ ♥ ♥ ♥", any_song=True, prompt="Show me the heartbeat of the song."),
    _c("fast-slow", "fast and slow", "beat", 0, "fast / slow", "beat", any_song=True, ways=("hear",), shown="a snail beside a bird", prompt="Did the walk get faster or slower?"),
    _c("long-short", "long and short", "rhythm", 0, "long / short", "beat", traits="long_short", ways=("hear",),
       shown="a long and a short line", prompt="Which word was long?"),
    _c("beat-silence", "beat and silence", "rhythm", 0, "♥ · ♥", "beat", traits="rest", ways=("hear",),
       shown="hearts, one of them empty", prompt="Where did nobody sing?"),
    _c("high-low", "high and low", "melody", 0, "high / low", traits="skip leap", ways=("hear",), shown="a bird above, a beetle below",
       prompt="Point to where this sound lives."),
    _c("echo", "singing an echo", "voice", 0, "echo", any_song=True, prompt="Sing back just what you heard."),
    _c("four-voices", "four voices", "voice", 0, "4 voices", "echo", any_song=True, shown="four faces: speak, sing, whisper, call",
       prompt="Was that speaking, singing, whispering or calling?"),
    _c("contour", "up and down", "melody", 0, "↗ ↘", "high-low", traits="contour", ways=("hear",), shown="the line of the song as a path",
       prompt="Draw the melody in the air."),
    _c("loud-soft", "loud and soft", "expression", 0, "f / p", any_song=True, ways=("hear",), prompt="Which verse was softer?"),
    _c("same-different", "same and different", "form", 0, "= / ≠", traits="same_different", ways=("hear",), shown="two shapes alike, one not",
       prompt="Was the second line the same?"),
    _c("swaying-beat", "marching and swaying", "meter", 0, "march / sway", "beat", traits="felt_compound", core=False, ways=("hear",),
       shown="boots beside a swing", prompt="Does this one march, or does it sway?"),
    _c("call-answer", "call and answer", "form", 0, "call / answer", "echo", traits="call_answer", core=False,
       shown="two mouths, one after the other", prompt="Who answers, and with what?"),
    _c("drum-beat", "the beat on a drum", "unpitched", 0, "drum ♥", "beat", any_song=True, core=False, prompt="Do the drum and the feet agree?"),
    _c("sound-families", "sound families", "vocabulary", 0, "families", any_song=True, core=False, prompt="Struck, scraped or shaken?"),
)  # fmt: skip
FIRST = (
    _c("beat-rhythm", "beat and rhythm", "rhythm", 1, "♥ / words", "beat", any_song=True, shown="hearts, the words above them",
       prompt="Tap the beat, then tap the words."),
    _c("quarter-eighths", "quarter and two eighths", "rhythm", 1, "1 ½½", "beat-rhythm",
       elements="quarter two_eighths", prompt="How many sounds on this beat?"),
    _c("so-mi", "so and mi", "melody", 1, "so mi", "high-low contour", degrees="so mi",
       prompt="Which word is lower?"),
    _c("beat-rest", "beat rest", "rhythm", 1, "r1", "quarter-eighths", elements="beat_rest",
       prompt="On which beat was there no sound?"),
    _c("la", "la", "melody", 1, "la", "so-mi", degrees="la", prompt="Is the new tone higher than so?"),
    _c("two-beat-meter", "two-beat meter", "meter", 1, "2/4", "quarter-eighths", meters="2/4 2/2",
       prompt="Which beat feels heavier?"),
    _c("staff-two-lines", "two- and three-line staff", "staff", 1, "lines", "so-mi", traits="few_lines", ways=("read", "write"),
       shown="two lines, then three", prompt="On a line or in a space?"),
    _c("phrase", "phrases a and b", "form", 1, "a b", "same-different", traits="phrases", ways=("hear",), prompt="Where would you take a breath?"),
    _c("body-ostinato", "body ostinato", "ensemble", 1, "ostinato", "beat", any_song=True, core=False,
       prompt="Can you keep it while we sing?"),
    _c("verse-refrain", "verse and refrain", "form", 1, "verse / refrain", "same-different", traits="verse_refrain", core=False, ways=("hear",),
       shown="a house for each verse, one road between them", prompt="Which part kept its words?"),
    _c("drum-words", "the words on an instrument", "unpitched", 1, "drum words", "beat-rhythm", any_song=True, core=False,
       prompt="Which word had no stroke?"),
    _c("one-mallet", "one mallet at a time", "barred", 1, "1 mallet", "beat", any_song=True, core=False,
       prompt="Does the mallet bounce, or does it stay?"),
    _c("timbre", "the colour of a sound", "vocabulary", 1, "timbre", "sound-families", any_song=True, core=False,
       prompt="What made that sound, and how do you know?"),
)  # fmt: skip
SECOND = (
    _c("do", "do", "melody", 2, "do", "la", degrees="do", prompt="Which tone feels like home?"),
    _c("half", "half note", "rhythm", 2, "2", "quarter-eighths", elements="half",
       prompt="How many beats does the last word last?"),
    _c("re", "re", "melody", 2, "re", "do", degrees="re", prompt="Which tone lies between do and mi?"),
    _c("four-beat-meter", "four-beat meter", "meter", 2, "4/4", "half two-beat-meter", meters="4/4",
       prompt="How often does the strong beat come?"),
    _c("do-pentatonic", "do-pentatonic", "melody", 2, "d r m s l", "re", tone_sets="do-pentatonic", shown="the ladder of five with two gaps",
       prompt="Sing our five tones down the ladder."),
    _c("bar-lines", "bar lines", "meter", 2, "|", "two-beat-meter", any_song=True, core=False, ways=("write",),
       prompt="Where does the strong beat stand?"),
    _c("do-line-space", "do on a line or in a space", "staff", 2, "do on staff", "staff-two-lines do", traits="do_on_line do_in_space",
       ways=("read",), prompt="If do is in a space, where is mi?"),
    _c("step-skip", "steps and skips", "melody", 2, "step / skip", "do", traits="skip", ways=("hear",), shown="stairs, one stair left out",
       prompt="Neighbours, or did we jump over one?"),
    _c("aaba", "form a a b a", "form", 2, "a a b a", "phrase", traits="aaba", core=False, ways=("hear",), prompt="Which line is the odd one out?"),
    _c("abac", "form a b a c", "form", 2, "a b a c", "phrase", traits="abac", core=False, ways=("hear",), prompt="Which line comes twice, and where?"),
    _c("repeat-sign", "repeat sign", "form", 2, ":|", "phrase", traits="repeat_sign", core=False, ways=("read",), shown="the sign at the end of a line",
       prompt="Where do we go now?"),
    _c("layered-ostinati", "layered ostinati", "ensemble", 2, "layers", "body-ostinato", any_song=True, core=False,
       prompt="Which layer came in last?"),
    _c("improvising", "inventing an answer", "making", 2, "answer", "echo", any_song=True, core=False,
       prompt="Can your answer end at home?"),
    _c("strokes", "strokes: high, low, roll", "unpitched", 2, "strokes", "drum-words", any_song=True, core=False,
       prompt="Which stroke made the low sound?"),
    _c("louder-softer", "growing louder and softer", "expression", 2, "< >", "loud-soft", traits="louder_softer", core=False, ways=("hear",),
       prompt="Where did the hill grow?"),
    _c("loudness-words", "words for loudness", "vocabulary", 2, "p mf f", "loud-soft", traits="loudness_marked", core=False, ways=("read",),
       prompt="Which letter says how we just sang?"),
)  # fmt: skip
THIRD = (
    _c("four-sixteenths", "four sixteenths", "rhythm", 3, "¼¼¼¼", "quarter-eighths", elements="four_sixteenths", prompt="How many sounds now on one beat?"),
    _c("low-la", "low la", "melody", 3, "la,", "do-pentatonic", degrees="la,",
       prompt="How far below do is the new tone?"),
    _c("eighth-sixteenths", "eighth and two sixteenths, both ways", "rhythm", 3, "½¼¼", "four-sixteenths",
       elements="eighth_two_sixteenths two_sixteenths_eighth", prompt="Long first, or short first?"),
    _c("low-so", "low so", "melody", 3, "so,", "low-la", degrees="so,", core=False, prompt="Where did the song begin?"),
    _c("high-do", "high do", "melody", 3, "do'", "do", degrees="do'", prompt="What is the same as low do?"),
    _c("three-beat-meter", "three-beat meter", "meter", 3, "3/4", "two-beat-meter", meters="3/4",
       prompt="Does it march or turn?"),
    _c("dotted-half", "dotted half note", "rhythm", 3, "3", "half", elements="dotted_half", core=False, prompt="Does it last as long as the bar?"),
    _c("whole", "whole note", "rhythm", 3, "4", "half", elements="whole", core=False, prompt="On which number does it stop?"),
    _c("letter-names", "letter names", "staff", 3, "A B C", "do-line-space", traits="lettered", ways=("read",), prompt="What is so called here?"),
    _c("la-pentatonic", "la-pentatonic", "tonality", 3, "l, d r m s", "low-la", tone_sets="la-pentatonic", core=False,
       prompt="Same five tones: which of them is home now?"),
    _c("round", "round", "ensemble", 3, "round", "phrase", traits="round", core=False, prompt="When does the second group come in?"),
    _c("rondo", "rondo", "form", 3, "a b a c a", "aaba", traits="rondo", core=False, ways=("hear",), prompt="What comes back?"),
    _c("endings", "first and second ending", "form", 3, "1. 2.", "repeat-sign", traits="endings", core=False, ways=("read",),
       shown="two brackets over the last bars", prompt="Which bar do we leave out the second time?"),
    _c("fermata", "fermata", "expression", 3, "hold", "beat", traits="fermata", core=False, ways=("read",), prompt="Who decides how long it lasts?"),
    _c("staccato", "staccato", "expression", 3, "staccato", "loud-soft", traits="staccato", core=False, prompt="Did the tones touch each other?"),
    _c("legato", "legato", "expression", 3, "legato", "staccato", core=False, prompt="Was there any gap between the words?"),
    _c("mallets-alternating", "mallets in turn", "barred", 3, "R L R L", "one-mallet", any_song=True, core=False,
       prompt="Which hand comes next?"),
    _c("bordun-chord", "both mallets together: chord bordun", "barred", 3, "bordun", "mallets-alternating do", any_song=True, core=False,
       prompt="Which two bars carry the song?"),
    _c("recorder-bag", "recorder B A G", "recorder", 3, "B A G", "", traits="recorder_three", core=False,
       prompt="Gentle air: does it sing or squeak?"),
    _c("orchestra", "families of the orchestra", "vocabulary", 3, "orchestra", "timbre", core=False,
       prompt="Bowed, blown through wood, blown through brass, or struck?"),
    _c("tempo-words", "words for tempo", "vocabulary", 3, "tempo", "fast-slow", any_song=True, core=False, ways=("read",),
       prompt="Which word says how fast that was?"),
)  # fmt: skip
FOURTH = (
    _c("syncopation", "syncopation", "rhythm", 4, "½ 1 ½", "quarter-eighths half", elements="syncopation",
       prompt="Which sound comes between the beats?"),
    _c("fa", "fa and the half step", "melody", 4, "fa", "do-pentatonic", degrees="fa",
       prompt="How close are mi and fa?"),
    _c("dotted-quarter", "dotted quarter and eighth", "rhythm", 4, "1½ ½", "quarter-eighths half", elements="dotted_quarter_eighth", prompt="How long does it hang over the beat?"),
    _c("ti", "ti", "melody", 4, "ti", "fa", degrees="ti ti,", prompt="Where does this tone want to go?"),
    _c("upbeat", "upbeat", "rhythm", 4, "upbeat", "bar-lines", elements="upbeat", core=False, prompt="Does it begin on the strong beat?"),
    _c("eighth-rest", "single eighth and its rest", "rhythm", 4, "½ r½", "quarter-eighths beat-rest", elements="half_beat_rest", core=False,
       prompt="Did you come in on the beat or after it?"),
    _c("tie", "tie", "rhythm", 4, "tie", "half", elements="tie", traits="tied", core=False, prompt="Do we sing the second one again?"),
    _c("la-minor", "resting tone la (minor)", "tonality", 4, "la rests", "low-la ti", resting="la", ways=("hear",),
       prompt="Which tone is home now?"),
    _c("flats-sharps", "flats and sharps", "staff", 4, "♭ ♯", "letter-names", traits="needs_sign", prompt="Why does fa need a flat here?"),
    _c("unison-harmony", "unison and harmony", "ensemble", 4, "1 / 2", "round", traits="parts round", core=False, ways=("hear",),
       prompt="One line, or two?"),
    _c("partner-songs", "partner songs", "ensemble", 4, "partners", "round", core=False, prompt="Why do they fit?"),
    _c("accent", "accent", "expression", 4, ">", "loud-soft", traits="accent", core=False, prompt="Which word stuck out?"),
    _c("composing", "making a tune", "making", 4, "compose", "improvising", any_song=True, core=False, ways=("create", "write"),
       prompt="Where does your tune come home?"),
    _c("conducting", "conducting", "making", 4, "conduct", "two-beat-meter", any_song=True, core=False, shown="the path of the hand for two, three and four", prompt="Where is your first beat?"),
    _c("mallets-crossover", "crossover mallets", "barred", 4, "cross", "bordun-chord", any_song=True, core=False,
       prompt="Which hand travels over the other?"),
    _c("recorder-five", "recorder E and D", "recorder", 4, "E D", "recorder-bag", traits="recorder_five", core=False,
       prompt="Are all the holes sealed?"),
)  # fmt: skip
FIFTH = (
    _c("dotted-eighth", "dotted eighth and sixteenth", "rhythm", 5, "¾¼", "four-sixteenths",
       elements="dotted_eighth_sixteenth", prompt="Even, or skipping?"),
    _c("compound", "6/8", "meter", 5, "6/8", "three-beat-meter", meters="6/8",
       elements="dotted_quarter three_eighths quarter_eighth dotted_half_compound compound_beat_rest",
       prompt="Does the beat fall into two or three?"),
    _c("triplet", "triplet", "rhythm", 5, "⅓⅓⅓", "compound", elements="triplet", core=False,
       prompt="Three in the time of two?"),
    _c("major-scale", "major scale", "tonality", 5, "do–do'", "ti high-do", tone_sets="major", prompt="Where are the two half steps?"),
    _c("natural-minor", "natural minor", "tonality", 5, "la–la", "la-minor", tone_sets="natural-minor", core=False, prompt="What changed?"),
    _c("key-signatures", "key signatures", "staff", 5, "key", "flats-sharps", traits="key_signature", ways=("read", "write"), prompt="Where is do?"),
    _c("intervals", "names of intervals", "staff", 5, "2nd 3rd", "letter-names", traits="step skip leap", core=False, ways=("hear",),
       prompt="Count both ends: how far is it?"),
    _c("two-part", "two-part singing", "ensemble", 5, "2 parts", "phrase", traits="parts", prompt="Can you hear the other part?"),
    _c("tonic-dominant", "tonic and dominant", "ensemble", 5, "I V", "bordun-chord", traits="two_chords", core=False, ways=("hear",),
       prompt="When does the ground under the song change?"),
    _c("bordun-moving", "moving bordun", "barred", 5, "so la so", "mallets-crossover", any_song=True, core=False,
       prompt="Which tone moves, which one stays?"),
    _c("recorder-eight", "recorder C, high D and F sharp", "recorder", 5, "C D F♯", "recorder-five", traits="recorder_eight", core=False,
       prompt="Which finger leaves first?"),
)  # fmt: skip

SO_MI_FIRST = Sequence.of(
    "so-mi first", (*KINDERGARTEN, *FIRST, *SECOND, *THIRD, *FOURTH, *FIFTH, *CHOIR_READING)
)
