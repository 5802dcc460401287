"""Songs: reading beside music21, analysing beside music21, engraving against its limits, the songbook's
sentence beside its bare SQL."""

from __future__ import annotations

import json
import uuid
from itertools import pairwise
from random import Random

import psycopg
import pytest

from api.conftest import Place, make_school
from bench.timing import alternating, p95, say, timed
from conftest import SETTINGS, new_database
from formats.test_real_music import folk_tunes
from kopje.core.analysis.analysis import analyse
from kopje.core.songs.question import SongQuestion, known_meters, known_to
from kopje.engraving.mei import mei
from kopje.engraving.render import Engraver
from kopje.formats.musicxml_write import write_musicxml
from kopje.formats.read import read_tunes
from kopje.store import sections
from kopje.store.work import UnitOfWork, engine_for
from kopje.usecases.context import Context, Desk
from kopje.usecases.lessons import propose_lesson
from kopje.usecases.snapshot import snapshot
from kopje.usecases.songs import songbook
from kopje.usecases.songs.ask_songbook import ask
from making import SONGS, shipped

music21 = pytest.importorskip("music21")
TUNES = 60
SONGS_KEPT = 10_000


def test_reading_and_analysing() -> None:
    tunes = folk_tunes(20261201, TUNES)
    texts = [data.decode("latin-1") for _, data in tunes]
    mine, theirs = alternating(
        3,
        lambda: [read_tunes(data, name) for name, data in tunes],
        lambda: [music21.converter.parseData(text, format="abc") for text in texts],
    )
    say(f"read ABC, {TUNES} tunes, per tune", min(mine) / TUNES, min(theirs) / TUNES, "at most 0.1")
    files = [write_musicxml(read_tunes(data, name)[0]) for name, data in tunes]  # the same tunes
    mine, theirs = alternating(
        3,
        lambda: [read_tunes(data, "song.musicxml") for data in files],
        lambda: [music21.converter.parseData(data, format="musicxml") for data in files],
    )
    say(
        f"read MusicXML, {len(files)} tunes, per tune",
        min(mine) / len(files),
        min(theirs) / len(files),
        "at most 0.25",
    )
    read = [read_tunes(data, name)[0] for name, data in tunes]
    streams = [music21.converter.parseData(text, format="abc") for text in texts]
    mine, theirs = alternating(
        6, lambda: [analyse(tune) for tune in read], lambda: [_analysed(stream) for stream in streams]
    )
    say(
        "analyse (everything) beside key, range and intervals, per tune",
        min(mine) / TUNES,
        min(theirs) / TUNES,
        "at most 0.1",
    )


def _analysed(stream: music21.stream.Stream) -> object:
    """The least that the other library can say of a tune: key, range, steps between neighbours."""
    flat = stream.flatten()
    notes = list(flat.notes)
    steps = [music21.interval.Interval(a, b).generic for a, b in pairwise(notes) if a.isNote and b.isNote]
    return flat.analyze("key"), flat.analyze("ambitus"), steps


def test_engraving() -> None:
    engraver = Engraver()
    engraver.start()
    try:
        shorts = [mei(shipped(file.stem).tune) for file in sorted(SONGS.glob("*.abc"))]
        engraver.svg(shorts[0], 1999)
        new = [
            timed(lambda m=m, w=w: engraver.svg(m, w, True))[0] for m in shorts for w in (1700, 2000, 2300)
        ]
        kept = [
            timed(lambda m=m, w=w: engraver.svg(m, w, True))[0] for m in shorts for w in (1700, 2000, 2300)
        ]
        say("engrave 8 bars, new, p95 beside 60 ms", p95(new), 0.060, "under 1")
        say("the same kept, p95 beside 5 ms", p95(kept), 0.005, "under 1")
        long = "|".join("A2G2F2G2" for _ in range(64))
        text = f"X:1\nT:Long\nM:4/4\nL:1/8\nK:F\n{long}|]\n"
        tune = read_tunes(text.encode(), "long.abc")[0]
        longs = [timed(lambda w=w: engraver.svg(mei(tune), w))[0] for w in range(1900, 1920)]
        say("engrave 64 bars, p95 beside 250 ms", p95(longs), 0.250, "under 1")
        bars = "|".join("A4" * 64 for _ in range(300))
        huge = read_tunes(f"X:1\nM:64/4\nL:1/16\nK:F\n{bars}|]\n".encode(), "huge.abc")[0]
        analysed, _ = timed(lambda: analyse(huge))
        drawn, _ = timed(lambda: _drawn(engraver, mei(huge)))
        say("analyse the largest piece that is read, beside 3 s", analysed, 3.0, "under 1")
        say("draw it or give it up, beside 3 s and the start of a new worker", drawn, 3.6, "under 1")
    finally:
        engraver.stop()


def _drawn(engraver: Engraver, text: str) -> str:
    from kopje.core.errors import EngravingError

    try:
        return engraver.svg(text)
    except EngravingError as refused:
        return str(refused)


BARE = """SELECT s.id, s.title FROM song s LEFT JOIN song_met m ON m.song_id = s.id AND m.section_id = %(section)s
WHERE s.school_id = %(school)s AND s.elements && %(has)s AND s.elements <@ %(only)s AND s.fits @> ARRAY[2] AND m.last IS NULL
AND s.removed IS NULL AND NOT EXISTS (SELECT FROM unnest(s.features) f WHERE f LIKE 'meter:%%' AND f <> ALL(%(meters)s))
ORDER BY s.title, s.id LIMIT 100"""


def test_the_sentence() -> None:
    engine = engine_for(new_database("bench_songs"))
    work = UnitOfWork(engine)
    place = make_school(work, "Bench")
    plain = psycopg.connect(
        engine.url.set(drivername="postgresql").render_as_string(hide_password=False), autocommit=True
    )
    fill(plain, place.ids["school_id"])
    asked = SongQuestion(("re",), known=True, fits=True, new=True)
    with work.begin() as session:
        section = sections.section(
            session, uuid.UUID(place.ids["school_id"]), uuid.UUID(place.ids["section_id"])
        )
        ctx = Context(session, section.school_id, uuid.uuid4(), SETTINGS.now(), uuid.uuid4)
        there = set(sections.declared(session, section.id))
        for concept in {"do", "half", "do-pentatonic", "four-sixteenths", "fa", "low-la"} - there:
            session.add(_declared(ctx, section.id, concept))
        session.flush()
        state = snapshot(ctx, [section.id]).section(section.id).state
        values = {
            "section": section.id,
            "school": section.school_id,
            "has": ["tone:re"],
            "only": sorted(known_to(state, asked)),
            "meters": sorted(known_meters(state, asked) or ()),
        }
        found, total = ask(ctx, asked, section.id, "", 0, 100)
        assert total > 200
        rows = plain.execute(BARE, values).fetchall()
        assert [row[0] for row in rows] == [one.song.id for one in found]
        mine, bare = alternating(
            15,
            lambda: ask(ctx, asked, section.id, "", 0, 100),
            lambda: plain.execute(BARE, values).fetchall(),
        )
    say(
        f"a sentence over {SONGS_KEPT} songs, with its reasons, {total} answer; p95",
        p95(mine),
        p95(bare),
        "at most 3",
    )
    small = make_school(work, "Few")
    propose(work, small)  # what is loaded once is loaded
    forget()
    few, _ = timed(lambda: propose(work, small))
    forget()
    many, _ = timed(lambda: propose(work, place))
    say(
        f"propose a lesson out of {SONGS_KEPT} songs, none read before, beside out of 25",
        many,
        few,
        "at most 10",
    )
    plain.close()


def forget() -> None:
    """Every song has to be read again."""
    songbook._analysed.cache_clear()
    songbook._card.cache_clear()


def propose(work: UnitOfWork, place: Place) -> None:
    school, asks = uuid.UUID(place.ids["school_id"]), uuid.uuid4()
    desk = Desk(work, lambda session: Context(session, school, asks, SETTINGS.now(), uuid.uuid4))
    propose_lesson.propose(desk, uuid.UUID(place.ids["section_id"]))


def _declared(ctx: Context, section_id: uuid.UUID, concept: str) -> object:
    from kopje.store.tables import Declared

    return Declared(
        id=ctx.new_id(),
        school_id=ctx.school_id,
        section_id=section_id,
        concept=concept,
        declared_on=ctx.today,
    )


def fill(plain: psycopg.Connection, school: str) -> None:
    """Copies of our songs under other titles, with other bytes and sometimes other tones."""
    chance = Random(4)
    songs = plain.execute(
        "SELECT source, elements, features, fits, summary, filename, card FROM song"
    ).fetchall()
    tones = ["tone:fa", "tone:ti", "tone:re", "figure:syncopation", "tone:la,"]
    with (
        plain.cursor() as cursor,
        cursor.copy(
            "COPY song (id, school_id, title, filename, source, content_hash, facts, added, shipped, elements, features, fits, summary, search, facts_version, card) FROM STDIN"
        ) as copy,
    ):
        for number in range(SONGS_KEPT - len(songs)):
            source, elements, features, fits, shown, filename, card = chance.choice(songs)
            more = sorted({*elements, *chance.sample(tones, chance.randint(0, 2))})
            copy.write_row(
                (
                    uuid.uuid4(),
                    school,
                    f"Song {chance.random():.9f}",
                    filename,
                    source,
                    f"{number:064d}",
                    "{}",
                    SETTINGS.now(),
                    False,
                    more,
                    features,
                    fits,
                    json.dumps(shown),
                    "song",
                    1,
                    json.dumps(card),
                )
            )
    plain.execute("ANALYZE song")
