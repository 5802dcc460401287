"""A part of a lesson on the wire: what is done, with which song or piece, in which form."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from datetime import date
from typing import Literal
from uuid import UUID

from kopje.api.schemas.base import Read, ReasonRead
from kopje.api.schemas.concepts import ConceptRead
from kopje.api.schemas.people import SectionRead
from kopje.api.schemas.recordings import RecordingBrief
from kopje.api.schemas.song_parts import part_names
from kopje.api.schemas.songs import ToneRead, starting, tonic
from kopje.core.planning.activities import Energy, Grouping, Reads, Space, kind_name
from kopje.core.planning.candidates import new_thing
from kopje.core.planning.growth import Form, form_for, grown_by
from kopje.core.planning.material import Material
from kopje.core.planning.repertoire import Repertoire
from kopje.core.planning.template import slot_name
from kopje.core.planning.to_read import reads_as
from kopje.core.planning.wall import Wall, on_the_wall
from kopje.core.reasons import because
from kopje.core.sequence.concepts import Concept
from kopje.core.sequence.grades import reads_one_line
from kopje.core.sequence.phases import Purpose
from kopje.store import tables
from kopje.usecases.context import Context
from kopje.usecases.lessons.activity_shelf import dated_in, notes_by_activity
from kopje.usecases.lessons.read_lesson import PartView
from kopje.usecases.lessons.said_steps import spoken
from kopje.usecases.songs.look import Variant, as_sung, score_of
from kopje.usecases.songs.recordings import pieces_by_id
from kopje.usecases.songs.songbook import songs_by_id
from kopje.words import Words


@dataclass(frozen=True)
class Things:
    """What the parts of lessons are done with, by id."""

    songs: Mapping[UUID, tables.Song]
    pieces: Mapping[UUID, tables.Recording]
    repertoire: Repertoire
    notes: Mapping[str, tables.ActivityNote]

    @classmethod
    def of(cls, ctx: Context, materials: Iterable[Material]) -> Things:
        used = list(materials)
        songs = songs_by_id(ctx, (one.song for one in used))
        pieces = pieces_by_id(ctx, (one.recording for one in used))
        return cls(songs, pieces, ctx.habits.repertoire, notes_by_activity(ctx))


Tick = Literal["done", "partly", "skipped"]


class PartBrief(Read):
    """One part of a score: how it is called and where it starts."""

    name: str
    starting: ToneRead | None


class SongTitle(Read):
    id: UUID
    title: str


class SongBrief(SongTitle):
    """`parts`: its parts in their order, none where it has only one. `first`: the part a class of this grade
    is shown, from 1; null is all of them."""

    starting: ToneRead | None
    tonic: list[ToneRead]
    parts: list[PartBrief]
    first: int | None

    @classmethod
    def of(cls, song: tables.Song, words: Words, grade: int) -> SongBrief:
        a, names = as_sung(song), part_names(song, words)
        alone = [as_sung(song, variant=Variant(part=n)) for n in range(1, len(names) + 1)]
        parts = [PartBrief(name=name, starting=starting(one)) for name, one in zip(names, alone, strict=True)]
        lead = score_of(song).lead + 1 if names and reads_one_line(grade) else None
        return cls(
            id=song.id, title=song.title, starting=starting(a), tonic=tonic(a), parts=parts, first=lead
        )


class MaterialRead(Read):
    """What a part is done with: nothing, a song, a phrase of one (`id#n`); later other kinds."""

    kind: str
    id: str | None


class FormRead(Read):
    """A form of an activity beyond its steps: its stage in words, and what is different."""

    stage: str
    says: str

    @classmethod
    def of(cls, form: Form, words: Words) -> FormRead:
        return cls(stage=words.say(because(f"stage_{form.stage}")), says=form.says)


class WallToneRead(Read):
    """A tone on the ladder: the degree, and what the school calls it, both empty as long as the class may not
    see it; its height in semitones above do; whether it is what is learned."""

    tone: str
    says: str
    height: int
    new: bool


class WallRead(Read):
    """What the class sees of the concept: a `question`, or its `sign` and `name`; whether something `waits`
    until the teacher opens it; the ladder of tones from above. `formation`: how they stand, and whether
    they `move`, where that is to be seen."""

    question: str
    sign: str
    name: str
    waits: bool
    rungs: list[WallToneRead]
    formation: Grouping | None
    moves: bool

    @classmethod
    def of(cls, wall: Wall, words: Words) -> WallRead:
        tone = words.sequence.wording.tone
        return cls(
            question=wall.question,
            sign=wall.sign,
            name=wall.name,
            waits=wall.waits,
            rungs=[
                WallToneRead(
                    tone=one.tone, says=tone(one.tone) if one.tone else "", height=one.height, new=one.new
                )
                for one in wall.rungs
            ],
            formation=wall.formation,
            moves=wall.moves,
        )


class PartRead(Read):
    """A part of a lesson. `slot_id` stays when the lesson is proposed anew, `slot` is its name. `forms`: how
    it grows; `form`: the one that is due for this class, which did it in `times` lessons before, as an index;
    null the first time. `times` is null once the lesson is over. `passes`: a child alone may pass.
    `note`: what the teacher keeps beside it; `grown`: what she says is different by now. `wall`: what the
    class sees at first, and `opened` once the teacher opens it."""

    id: UUID
    slot_id: str
    slot: str
    role: str
    activity: str
    title: str
    kind: str
    energy: Energy
    steps: list[str]
    props: str
    care: str
    easier: str
    harder: str
    instead: str
    untouched: str
    picture: str
    works: str
    note: str
    grown: str
    space: Space
    least: int
    most: int
    passes: bool
    forms: list[FormRead]
    form: int | None
    times: int | None
    grouping: str
    hears: int
    reads: Reads
    material: MaterialRead
    song: SongBrief | None
    piece: RecordingBrief | None
    concept: ConceptRead | None
    purpose: Purpose | None
    wall: WallRead
    opened: WallRead
    minutes: int
    new: str | None
    new_kind: str | None
    left_over: bool
    pinned: bool
    tick: Tick | None
    rating: Literal["well", "flat"] | None
    why: str
    reasons: list[ReasonRead]

    @classmethod
    def of(
        cls,
        part: PartView,
        things: Things,
        words: Words,
        section: SectionRead,
        times: int | None,
        day: date,
        known: Sequence[Concept] = (),
    ) -> PartRead:
        """`known`: the tones that have their names in the class, for the wall."""
        item = things.repertoire.activity(part.choice.activity)
        due_form = form_for(item.forms, times or 0)
        song = things.songs.get(UUID(part.material.song)) if part.material.song else None
        piece = things.pieces.get(UUID(part.material.recording)) if part.material.recording else None
        concept = words.sequence.by_key.get(part.choice.concept or "")
        note = things.notes.get(item.key)
        wall = on_the_wall(concept, part.choice.purpose, known, item)
        return cls(
            id=part.id,
            slot_id=part.slot,
            slot=words.say(slot_name(part.slot, section.grade)),
            role=part.role,
            activity=item.key,
            title=item.title,
            kind=words.say(kind_name(item.kind)),
            energy=item.energy,
            steps=spoken(
                item,
                {"song": song.title if song else None, "piece": piece.title if piece else None},
                concept,
                part.choice.purpose,
                section.name,
                words,
            ),
            props=item.props,
            care=item.care,
            easier=item.easier,
            harder=item.harder,
            instead=item.instead,
            untouched=item.untouched,
            picture=item.picture,
            works=item.works,
            note=note.note if note else "",
            grown=grown_by(day, section.grade, dated_in(note)) if note else "",
            space=item.space,
            least=item.size[0],
            most=item.size[1],
            passes=item.may_pass,
            forms=[FormRead.of(form, words) for form in item.forms],
            form=item.forms.index(due_form) if due_form else None,
            times=times,
            grouping=words.say(because(f"grouping_{item.grouping}")),
            hears=item.hears,
            reads=reads_as(item, concept),
            material=MaterialRead.model_validate(part.material),
            song=SongBrief.of(song, words, section.grade) if song else None,
            piece=RecordingBrief.of(piece) if piece else None,
            concept=ConceptRead.of(concept, words) if concept else None,
            purpose=part.choice.purpose,
            wall=WallRead.of(wall.before, words),
            opened=WallRead.of(wall.after, words),
            minutes=part.minutes,
            new=words.say(new_thing(part.new, part.choice.concept)) if part.new else None,  # type: ignore[arg-type]
            new_kind=part.new,
            left_over=part.left_over,
            pinned=part.pinned,
            tick=part.tick,
            rating=part.rating,
            why=part.why,
            reasons=ReasonRead.every(part.reasons, words),
        )
