"""Instruments: a texture of eight layers, a song's borduns, the next tone over many songs beside its bare SQL."""

from __future__ import annotations

import random
import uuid

import psycopg

from api.conftest import make_school
from bench.test_songs import SONGS_KEPT, fill
from bench.timing import alternating, p95, say, timed
from conftest import SETTINGS, new_database
from core.test_texture import random_texture, said
from kopje.core.analysis.analysis import analyse
from kopje.core.instruments.bordun import borduns
from kopje.core.instruments.speech.rhythm import proposals
from kopje.core.instruments.told import told
from kopje.core.music.meter import Meter
from kopje.formats.read import read_tunes
from kopje.store.work import UnitOfWork, engine_for
from kopje.usecases.context import Context
from kopje.usecases.instruments.recorder import next_tone

BARE = (
    "SELECT title, summary->'pitches' FROM song WHERE school_id = %s AND removed IS NULL ORDER BY title, id"
)


def test_layers_words_and_borduns() -> None:
    draw = random.Random(8)
    every = [t for t in (random_texture(draw) for _ in range(3_000)) if len(t.layers) == 8]
    took = [timed(lambda t=t: (told(t), t.sum, t.hidden))[0] for t in every if t.together_after < 5_000]
    print(f"\na texture of eight layers answered: p95 {1000 * p95(took):.1f} ms (wanted 20)")
    sentence = said("Watermelon and banana, hurry over the hill and home again")
    took = [timed(lambda: proposals(sentence, Meter.parse("4/4")))[0] for _ in range(10)]
    print(f"\na sentence of {len(sentence)} syllables as rhythms: p95 {1000 * p95(took):.0f} ms")
    songs = [analyse(read_tunes(f.read_bytes(), f.name)[0]) for f in sorted(SETTINGS.songs.glob("*"))]
    took = [timed(lambda a=a: borduns(a))[0] for a in songs]
    print(f"\nborduns of a song with their checks: p95 {1000 * p95(took):.1f} ms (wanted 50)")


def test_the_next_tone_beside_its_sql() -> None:
    engine = engine_for(new_database("bench_recorder"))
    work = UnitOfWork(engine)
    place = make_school(work, "Kestrel")
    school = uuid.UUID(place.ids["school_id"])
    plain = psycopg.connect(
        engine.url.set(drivername="postgresql").render_as_string(hide_password=False), autocommit=True
    )
    fill(plain, str(school))

    def asked() -> None:
        with work.begin() as session:
            ctx = Context(session, school, uuid.uuid4(), SETTINGS.now(), uuid.uuid4)
            next_tone(ctx, ("B4", "A4", "G4"), "baroque")

    mine, bare = alternating(8, asked, lambda: plain.execute(BARE, (school,)).fetchall())
    say(f"the next tone over {SONGS_KEPT} songs", p95(mine), p95(bare), "at most 3")
    plain.close()
    engine.dispose()
