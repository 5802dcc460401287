"""The chain of migrations leads to the tables, and back; the data of a school comes along both ways."""

import json
import lzma
import re
from collections import Counter
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path
from typing import Any

from alembic.autogenerate import compare_metadata
from alembic.migration import MigrationContext
from alembic.script import ScriptDirectory
from sqlalchemy import Connection, Engine, inspect, text

from api.conftest import make_school
from conftest import SETTINGS, new_database
from kopje.store.migrate import migrate, unmigrate
from kopje.store.tables import Table
from kopje.store.work import UnitOfWork, engine_for
from kopje.usecases.setup.start_up import bring_up_to_date

BEFORE = "2026_12_02_bar_colours"
EVENTS = "2026_12_03_plans_and_events"
# Three sections of a made-up school after five weeks, as the version before events kept them: rows by table.
SCHOOL = Path(__file__).parent / "before_events.json.xz"


def test_up_equals_the_tables_and_down_leaves_nothing(worker: str) -> None:
    engine = engine_for(new_database(f"migrating_{worker}", "template1"))
    try:
        migrate(engine)
        with engine.connect() as connection:
            assert compare_metadata(MigrationContext.configure(connection), Table.metadata) == []
        unmigrate(engine)
        assert inspect(engine).get_table_names() == ["alembic_version"]
        migrate(engine)
    finally:
        engine.dispose()


def rows(connection: Connection, query: str) -> list[tuple[Any, ...]]:
    return [tuple(row) for row in connection.execute(text(query))]


def fill(engine: Engine) -> dict[str, list[dict[str, Any]]]:
    """Put the old rows into the old tables."""
    found: dict[str, list[dict[str, Any]]] = json.loads(lzma.decompress(SCHOOL.read_bytes()))
    with engine.begin() as connection:
        connection.execute(text("SET session_replication_role = replica"))  # in any order
        for table, values in found.items():
            told = f'jsonb_populate_recordset(NULL::"{table}", CAST(:rows AS jsonb))'
            asked = f'INSERT INTO "{table}" SELECT * FROM {told}'
            connection.execute(text(asked), {"rows": json.dumps(values)})
        connection.execute(text("SET session_replication_role = origin"))
    return found


MARKS = "SELECT id::text, child_id::text, concept, result, moment FROM {0} ORDER BY 1"
CELLS = "SELECT id::text, lesson_id::text, activity, song_id::text, concept, tick FROM cell ORDER BY 1"
LESSONS = "SELECT id::text, section_id::text, day, starts, status FROM lesson ORDER BY 1"


def test_the_data_of_an_older_school_comes_along_and_goes_back(worker: str) -> None:
    engine = engine_for(new_database(f"older_{worker}", "template1"))
    try:
        migrate(engine, BEFORE)
        fill(engine)
        with engine.connect() as connection:
            levels = dict(
                ((c, k), (lv, f))
                for c, k, lv, f in rows(
                    connection, "SELECT child_id::text, concept, level, flag FROM standing"
                )
            )
            marks, cells, lessons = (rows(connection, q) for q in (MARKS.format("mark"), CELLS, LESSONS))
        migrate(engine)
        bring_up_to_date(UnitOfWork(engine), SETTINGS.now())
        with engine.connect() as connection:
            now = {
                (c, k): lv
                for c, k, lv in rows(connection, "SELECT child_id::text, concept, level FROM standing")
            }
            of_events = MARKS.format("class_event").replace("ORDER", "WHERE kind = 'marked' ORDER")
            assert rows(connection, of_events.replace("result", "body->>'result'")) == marks
            taught = rows(
                connection,
                "SELECT p->>'id', p->>'tick' FROM held_lesson, jsonb_array_elements(parts) p ORDER BY 1",
            )
            assert {key: tick for key, tick in taught if tick} == {
                cell[0]: cell[5] for cell in cells if cell[5]
            }
            kept = rows(
                connection,
                "SELECT id::text FROM held_lesson UNION SELECT id::text FROM planned_lesson ORDER BY 1",
            )
            assert [key for (key,) in kept] == [lesson[0] for lesson in lessons]
        # Where the rule is unchanged so is the standing; what is different is that “heard once” is a level of
        # its own.
        changes = Counter((*old, now[key]) for key, old in levels.items())
        assert set(now) == set(levels)
        assert set(changes) <= {
            ("nearly", "once", "once"),
            ("nearly", "", "nearly"),
            ("not_yet", "", "not_yet"),
            ("secure", "", "secure"),
        }
        assert changes["nearly", "once", "once"] > 20
        unmigrate(engine, BEFORE)
        with engine.connect() as connection:
            assert rows(connection, MARKS.format("mark")) == marks
            assert rows(connection, CELLS) == cells
            assert rows(connection, LESSONS) == lessons
    finally:
        engine.dispose()


def test_every_step_goes_down_and_up_on_a_loaded_school(worker: str) -> None:
    """From the newest to the first and back, a step at a time: nobody and nothing that both sides know is
    lost. The newer steps leave every row as it was."""
    engine = engine_for(new_database(f"steps_{worker}", "template1"))
    try:
        migrate(engine)
        make_school(UnitOfWork(engine), "Kestrel")
        with engine.begin() as connection:  # a recorded piece is planned, whatever was composed
            piece = "(SELECT id FROM recording ORDER BY title LIMIT 1)"
            one = "(SELECT id FROM planned_part ORDER BY id LIMIT 1)"
            planned = f"material_kind = 'recording', material_id = {piece}"
            connection.execute(text(f"UPDATE planned_part SET {planned} WHERE id = {one}"))
        revisions = every_revision()
        kept = who_is_there(engine)
        for revision in reversed(revisions):
            before = without_what_is_given_up(contents(engine))
            unmigrate(engine, "-1")
            if revision != revisions[0]:
                assert who_is_there(engine) == kept, revision
            migrate(engine, revision)
            if revision > EVENTS:
                again = without_what_is_given_up(contents(engine))
                assert {name: again.get(name, []) for name in before} == before, revision
            elif revision != revisions[0]:
                assert who_is_there(engine) == kept, revision
            unmigrate(engine, "-1")
        for revision in revisions:
            migrate(engine, revision)
    finally:
        engine.dispose()


def without_what_is_given_up(found: dict[str, list[str]]) -> dict[str, list[str]]:
    """What some step gives up on its way down: what could be taken back, and recorded pieces with what was
    planned with them."""
    gone = (
        "sign_in",
        "known_device",
        "invitation",
        "keeping",
        "exercise",
        "year_step",
        "recording",
        "own_activity",
        "activity_note",
        "attachment",
        "kept_set",
        "kept_texture",
        "adult_section",
        "projector",
        "retention",
        "access",
        "erased_child",
        "written",
    )
    kept = {name: values for name, values in found.items() if name not in gone}
    kept["school"] = [re.sub(r'"habits": \d+, ', "", one) for one in kept["school"]]
    kept["planned_part"] = [one for one in kept.get("planned_part", ()) if '"recording"' not in one]
    return kept


def every_revision() -> list[str]:
    script = ScriptDirectory(str(Path(migrate.__code__.co_filename).parent / "migrations"))
    return [one.revision for one in script.walk_revisions()][::-1]


NAMED = {"school": "name", "teacher": "login", "section": "name", "child": "name", "song": "title"}


def who_is_there(engine: Engine) -> list[list[tuple[str, ...]]]:
    with engine.connect() as connection:
        return [
            rows(connection, f"SELECT id::text, {name} FROM {table} ORDER BY 1")
            for table, name in NAMED.items()
        ]


def contents(engine: Engine) -> dict[str, list[str]]:
    """Every row of every table."""
    with engine.connect() as connection:
        tables = [name for name in inspect(connection).get_table_names() if name != "alembic_version"]
        return {
            name: sorted(row for (row,) in rows(connection, f'SELECT to_jsonb(x)::text FROM "{name}" x'))
            for name in tables
        }


def test_processes_that_start_at_once_bring_the_tables_up_to_date_together(worker: str) -> None:
    url = new_database(f"together_{worker}", "template1")
    engines = [engine_for(url) for _ in range(4)]
    try:
        with ThreadPoolExecutor(len(engines)) as pool:
            list(pool.map(migrate, engines))
        with engines[0].connect() as connection:
            assert inspect(connection).has_table("section")
    finally:
        for engine in engines:
            engine.dispose()
