"""Plans apart from facts: planned lessons and parts; what happened becomes events, and sums of events.

Up: every lesson stays as a plan under its id, every part under its own. Lessons that began become events
(started, ticked, marked, taken back, absent, noted, ended) in the order they had; the sums are worked out by
the application afterwards (`school.rules` is 0). Sentences stored as reasons are kept as they were said.
Down: the same back; a section keeps the first of several lessons that lie ahead, what is not in the old
tables (ratings, lessons that did not happen) is dropped."""

from typing import Any

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB

revision = "2026_12_03_plans_and_events"
down_revision = "2026_12_02_bar_colours"
branch_labels = None
depends_on = None

KINDS = (
    "'started', 'ticked', 'marked', 'taken_back', 'absent', 'noted', 'ended', 'reopened', 'rated', 'not_held'"
)


def _id() -> sa.Column[Any]:
    return sa.Column("id", sa.Uuid(), nullable=False)


def _to(
    table: str, column: str, target: str, *, null: bool = False, gone: str | None = "CASCADE"
) -> list[Any]:
    return [
        sa.Column(column, sa.Uuid(), nullable=null),
        sa.ForeignKeyConstraint([column], [f"{target}.id"], name=op.f(f"fk_{table}_{column}"), ondelete=gone),
    ]


def _key(table: str, *columns: str) -> sa.PrimaryKeyConstraint:
    return sa.PrimaryKeyConstraint(*columns, name=op.f(f"pk_{table}"))


def _check(table: str, name: str, rule: str) -> sa.CheckConstraint:
    return sa.CheckConstraint(rule, name=op.f(f"ck_{table}_{name}"))


def _plans() -> None:
    op.create_table(
        "planned_lesson",
        *_to("planned_lesson", "section_id", "section"),
        sa.Column("day", sa.Date(), nullable=False),
        sa.Column("starts", sa.Time(), nullable=False),
        sa.Column("minutes", sa.Integer(), nullable=False),
        sa.Column("status", sa.Text(), nullable=False),
        sa.Column("unmet", JSONB(), nullable=False),
        sa.Column("version", sa.Integer(), nullable=False, server_default="1"),
        sa.Column("made", sa.DateTime(timezone=True), nullable=False),
        _id(),
        *_to("planned_lesson", "school_id", "school"),
        _check("planned_lesson", "status", "status IN ('best_possible', 'best_found')"),
        _check("planned_lesson", "minutes", "minutes BETWEEN 10 AND 180"),
        _key("planned_lesson", "id"),
        sa.UniqueConstraint("section_id", "day", "starts", name=op.f("uq_planned_lesson_section_id")),
    )
    op.create_index(op.f("ix_planned_lesson_school_id"), "planned_lesson", ["school_id"])
    op.create_table(
        "planned_part",
        *_to("planned_part", "lesson_id", "planned_lesson"),
        sa.Column("position", sa.Integer(), nullable=False),
        sa.Column("slot", sa.Text(), nullable=False),
        sa.Column("role", sa.Text(), nullable=False),
        sa.Column("activity", sa.Text(), nullable=False),
        sa.Column("material_kind", sa.Text(), nullable=False),
        sa.Column("material_id", sa.Text(), nullable=True),
        sa.Column("concept", sa.Text(), nullable=True),
        sa.Column("purpose", sa.Text(), nullable=True),
        sa.Column("minutes", sa.Integer(), nullable=False),
        sa.Column("new", sa.Text(), nullable=True),
        sa.Column("left_over", sa.Boolean(), nullable=False),
        sa.Column("pinned", sa.Boolean(), nullable=False),
        sa.Column("reasons", JSONB(), nullable=False),
        _id(),
        *_to("planned_part", "school_id", "school"),
        _check("planned_part", "purpose", "purpose IN ('prepare', 'present', 'practise') OR purpose IS NULL"),
        _check("planned_part", "new", "new IN ('name', 'song', 'activity') OR new IS NULL"),
        _check("planned_part", "material", "(material_kind = 'none') = (material_id IS NULL)"),
        _key("planned_part", "id"),
        sa.UniqueConstraint(
            "lesson_id", "slot", name=op.f("uq_planned_part_lesson_id"), deferrable=True, initially="DEFERRED"
        ),
    )
    op.create_index(op.f("ix_planned_part_school_id"), "planned_part", ["school_id"])


def _events() -> None:
    op.create_table(
        "class_event",
        sa.Column("kind", sa.Text(), nullable=False),
        *_to("class_event", "section_id", "section"),
        sa.Column("lesson_id", sa.Uuid(), nullable=False),
        sa.Column("day", sa.Date(), nullable=False),
        sa.Column("moment", sa.DateTime(timezone=True), nullable=False),
        sa.Column("clock", sa.DateTime(timezone=True), nullable=False),
        sa.Column("off_day", sa.Boolean(), nullable=False),
        sa.Column("received", sa.DateTime(timezone=True), nullable=False),
        *_to("class_event", "teacher_id", "teacher", gone=None),
        sa.Column("device", sa.Uuid(), nullable=False),
        sa.Column("sequence", sa.BigInteger(), nullable=False),
        *_to("class_event", "child_id", "child", null=True),
        sa.Column("part_id", sa.Uuid(), nullable=True),
        sa.Column("target_id", sa.Uuid(), nullable=True),
        sa.Column("concept", sa.Text(), nullable=True),
        sa.Column("body", JSONB(), nullable=False),
        _id(),
        *_to("class_event", "school_id", "school"),
        _check("class_event", "kind", f"kind IN ({KINDS})"),
        _key("class_event", "id"),
        sa.UniqueConstraint("teacher_id", "device", "sequence", name=op.f("uq_class_event_teacher_id")),
    )
    op.create_index(op.f("ix_class_event_school_id"), "class_event", ["school_id"])
    op.create_index(
        "ix_class_event_mark",
        "class_event",
        ["child_id", "concept"],
        postgresql_where="concept IS NOT NULL",
    )
    op.create_index("ix_class_event_lesson", "class_event", ["section_id", "lesson_id"])
    op.create_index(
        "ix_class_event_target", "class_event", ["target_id"], postgresql_where="target_id IS NOT NULL"
    )
    op.create_table(
        "aside_event",
        *_to("aside_event", "teacher_id", "teacher", gone=None),
        sa.Column("event", JSONB(), nullable=False),
        sa.Column("reason", JSONB(), nullable=False),
        sa.Column("received", sa.DateTime(timezone=True), nullable=False),
        sa.Column("settled", sa.DateTime(timezone=True), nullable=True),
        _id(),
        *_to("aside_event", "school_id", "school"),
        _key("aside_event", "id"),
    )
    op.create_index(op.f("ix_aside_event_school_id"), "aside_event", ["school_id"])
    op.create_index(op.f("ix_aside_event_teacher_id"), "aside_event", ["teacher_id"])


def _sums() -> None:
    op.create_table(
        "held_lesson",
        _id(),
        *_to("held_lesson", "section_id", "section"),
        *_to("held_lesson", "school_id", "school"),
        sa.Column("day", sa.Date(), nullable=False),
        sa.Column("starts", sa.Time(), nullable=False),
        sa.Column("minutes", sa.Integer(), nullable=False),
        sa.Column("state", sa.Text(), nullable=False),
        sa.Column("note", sa.Text(), nullable=False),
        sa.Column("started", sa.DateTime(timezone=True), nullable=True),
        sa.Column("ended", sa.DateTime(timezone=True), nullable=True),
        sa.Column("parts", JSONB(), nullable=False),
        sa.Column("absent", JSONB(), nullable=False),
        _check("held_lesson", "state", "state IN ('running', 'done', 'not_held')"),
        _key("held_lesson", "id"),
    )
    op.create_index(op.f("ix_held_lesson_section_id"), "held_lesson", ["section_id"])
    op.create_table(
        "section_facts",
        *_to("section_facts", "section_id", "section"),
        *_to("section_facts", "school_id", "school"),
        sa.Column("facts", JSONB(), nullable=False),
        sa.Column("version", sa.Integer(), nullable=False),
        _key("section_facts", "section_id"),
    )
    op.create_index(op.f("ix_section_facts_school_id"), "section_facts", ["school_id"])
    op.create_table(
        "song_met",
        *_to("song_met", "section_id", "section"),
        sa.Column("song_id", sa.Uuid(), nullable=False),
        *_to("song_met", "school_id", "school"),
        sa.Column("lessons", sa.Integer(), nullable=False),
        sa.Column("last", sa.Date(), nullable=False),
        _key("song_met", "section_id", "song_id"),
    )
    op.drop_table("standing")
    op.create_table(
        "standing",
        *_to("standing", "child_id", "child"),
        sa.Column("concept", sa.Text(), nullable=False),
        *_to("standing", "school_id", "school"),
        sa.Column("level", sa.Text(), nullable=False),
        sa.Column("partly", sa.Boolean(), nullable=False),
        sa.Column("last_full", sa.Date(), nullable=True),
        sa.Column("last_alone", sa.Date(), nullable=True),
        sa.Column("reasons", JSONB(), nullable=False),
        _check("standing", "level", "level IN ('not_heard', 'not_yet', 'nearly', 'once', 'secure')"),
        _key("standing", "child_id", "concept"),
    )


OLD_REASONS = """coalesce((SELECT jsonb_agg(jsonb_build_object('code', 'said', 'weight', one->>'weight', 'about', one->>'subject',
    'params', jsonb_build_object('text', one->>'sentence')) ORDER BY n) FROM jsonb_array_elements({0}) WITH ORDINALITY AS e(one, n)),
    '[]'::jsonb)"""
COPY_PLANS = (
    f"""
    INSERT INTO planned_lesson (id, school_id, section_id, day, starts, minutes, status, unmet, version, made)
    SELECT id, school_id, section_id, day, starts, minutes, status, {OLD_REASONS.format("unmet")}, 1, coalesce(started, now())
    FROM lesson
    """,
    f"""
    INSERT INTO planned_part (id, school_id, lesson_id, position, slot, role, activity, material_kind, material_id, concept,
        purpose, minutes, new, left_over, pinned, reasons)
    SELECT id, school_id, lesson_id, position,
        CASE WHEN left_over THEN 'left' ELSE role END || '-' ||
            row_number() OVER (PARTITION BY lesson_id, CASE WHEN left_over THEN 'left' ELSE role END ORDER BY position),
        role, activity, CASE WHEN song_id IS NULL THEN 'none' ELSE 'song' END, song_id::text, concept, purpose, minutes,
        CASE WHEN new IS NULL THEN NULL WHEN new = 'the song' THEN 'song' WHEN new = 'the activity' THEN 'activity'
            ELSE 'name' END,
        left_over, pinned, {OLD_REASONS.format("reasons")}
    FROM cell
    """,
)
COPY_FACTS = """
    WITH begun AS (
        SELECT l.*, coalesce(l.started, l.day + l.starts) AS at,
            (SELECT t.id FROM teacher t WHERE t.school_id = l.school_id ORDER BY (t.role = 'owner') DESC, t.login LIMIT 1) AS by,
            jsonb_build_object('starts', to_char(l.starts, 'HH24:MI'), 'minutes', l.minutes) AS place
        FROM lesson l WHERE l.state <> 'planned'
    ), happened AS (
        SELECT gen_random_uuid() AS id, 'started' AS kind, b.id AS lesson, b.at AS moment, b.by, 0 AS step, NULL::uuid AS child,
            NULL::uuid AS part, NULL::uuid AS target, NULL::text AS concept,
            jsonb_build_object('lesson', b.place, 'parts', coalesce((SELECT jsonb_agg(jsonb_build_object('id', p.id,
                'slot', p.slot, 'role', p.role, 'activity', p.activity,
                'material', jsonb_build_object('kind', p.material_kind, 'id', p.material_id), 'concept', p.concept,
                'purpose', p.purpose, 'minutes', p.minutes, 'new', p.new, 'left_over', p.left_over) ORDER BY p.position)
                FROM planned_part p WHERE p.lesson_id = b.id), '[]'::jsonb)) AS body
        FROM begun b
        UNION ALL SELECT gen_random_uuid(), 'absent', b.id, b.at, b.by, 1, a.child_id, NULL, NULL, NULL,
            jsonb_build_object('lesson', b.place) FROM begun b JOIN absence a ON a.lesson_id = b.id
        UNION ALL SELECT m.id, 'marked', b.id, m.moment, m.teacher_id, 2, m.child_id, NULL, NULL, m.concept,
            jsonb_build_object('lesson', b.place, 'way', m.way, 'voices', m.voices, 'help', m.help, 'result', m.result,
                'activity', m.activity) FROM begun b JOIN mark m ON m.lesson_id = b.id
        UNION ALL SELECT gen_random_uuid(), 'taken_back', b.id, m.withdrawn, m.teacher_id, 3, NULL, NULL, m.id, NULL,
            jsonb_build_object('lesson', b.place) FROM begun b JOIN mark m ON m.lesson_id = b.id AND m.withdrawn IS NOT NULL
        UNION ALL SELECT gen_random_uuid(), 'ticked', b.id, coalesce(b.ended, b.at), b.by, 4 + c.position, NULL, c.id, NULL, NULL,
            jsonb_build_object('lesson', b.place, 'tick', c.tick) FROM begun b JOIN cell c ON c.lesson_id = b.id AND c.tick IS NOT NULL
        UNION ALL SELECT gen_random_uuid(), 'noted', b.id, coalesce(b.ended, b.at), b.by, 1000, NULL, NULL, NULL, NULL,
            jsonb_build_object('lesson', b.place, 'note', b.note) FROM begun b WHERE b.note <> ''
        UNION ALL SELECT gen_random_uuid(), 'ended', b.id, coalesce(b.ended, b.at), b.by, 1001, NULL, NULL, NULL, NULL,
            jsonb_build_object('lesson', b.place) FROM begun b WHERE b.state = 'done'
    )
    INSERT INTO class_event (id, school_id, kind, section_id, lesson_id, day, moment, clock, off_day, received, teacher_id, device,
        sequence, child_id, part_id, target_id, concept, body)
    SELECT h.id, b.school_id, h.kind, b.section_id, b.id, b.day, h.moment, h.moment, false, h.moment, h.by, b.school_id,
        row_number() OVER (PARTITION BY b.school_id ORDER BY h.moment, b.id, h.step, h.id), h.child, h.part, h.target, h.concept, h.body
    FROM happened h JOIN begun b ON b.id = h.lesson
"""
ONLY_ADDED = """
    CREATE FUNCTION class_event_stays() RETURNS trigger LANGUAGE plpgsql AS $$
    BEGIN RAISE EXCEPTION 'what happened is never changed; add an event instead' USING ERRCODE = 'integrity_constraint_violation'; END $$;
    CREATE TRIGGER class_event_stays BEFORE UPDATE ON class_event FOR EACH ROW EXECUTE FUNCTION class_event_stays()
"""


def upgrade() -> None:
    op.add_column("school", sa.Column("rules", sa.Integer(), nullable=False, server_default="0"))
    op.add_column("song", sa.Column("card", JSONB(), nullable=False, server_default="{}"))
    _plans()
    _events()
    for statement in (*COPY_PLANS, COPY_FACTS):
        op.execute(statement)
    op.execute(ONLY_ADDED)
    for table in ("absence", "mark", "cell", "lesson"):
        op.drop_table(table)
    _sums()


BACK = (
    """
    INSERT INTO lesson (id, school_id, section_id, day, starts, minutes, state, status, unmet, note, started, ended)
    SELECT p.id, p.school_id, p.section_id, p.day, p.starts, p.minutes, 'planned', p.status, '[]'::jsonb, '', NULL::timestamptz, NULL::timestamptz
    FROM (SELECT *, row_number() OVER (PARTITION BY section_id ORDER BY day, starts) AS place FROM planned_lesson p
        WHERE NOT EXISTS (SELECT 1 FROM class_event e WHERE e.lesson_id = p.id AND e.kind IN ('started', 'ticked', 'marked', 'ended'))) p
    WHERE p.place = 1 AND NOT EXISTS (SELECT 1 FROM held_lesson h WHERE h.section_id = p.section_id AND h.state = 'running')
    UNION ALL
    SELECT h.id, h.school_id, h.section_id, h.day, h.starts, h.minutes, h.state, coalesce(p.status, 'best_found'), '[]'::jsonb,
        h.note, h.started, CASE WHEN h.state = 'done' THEN h.ended END
    FROM held_lesson h LEFT JOIN planned_lesson p ON p.id = h.id WHERE h.state <> 'not_held'
    """,
    """
    INSERT INTO cell (id, school_id, lesson_id, position, slot, role, activity, song_id, concept, purpose, minutes, new,
        left_over, pinned, reasons, tick)
    SELECT (x.part->>'id')::uuid, h.school_id, h.id, x.place - 1, initcap(x.part->>'role'), x.part->>'role', x.part->>'activity',
        s.id, x.part->>'concept', x.part->>'purpose', (x.part->>'minutes')::int,
        CASE x.part->>'new' WHEN 'name' THEN 'the name' WHEN 'song' THEN 'the song' WHEN 'activity' THEN 'the activity' END,
        (x.part->>'left_over')::boolean, false, '[]'::jsonb, x.part->>'tick'
    FROM held_lesson h JOIN lesson l ON l.id = h.id
    CROSS JOIN LATERAL jsonb_array_elements(h.parts) WITH ORDINALITY AS x(part, place)
    LEFT JOIN song s ON s.id::text = x.part->'material'->>'id'
    UNION ALL
    SELECT p.id, p.school_id, p.lesson_id, row_number() OVER (PARTITION BY p.lesson_id ORDER BY p.position) - 1, initcap(p.role),
        p.role, p.activity, s.id, p.concept, p.purpose, p.minutes,
        CASE p.new WHEN 'name' THEN 'the name' WHEN 'song' THEN 'the song' WHEN 'activity' THEN 'the activity' END,
        p.left_over, p.pinned, '[]'::jsonb, NULL
    FROM planned_part p JOIN lesson l ON l.id = p.lesson_id AND l.state = 'planned'
    LEFT JOIN song s ON s.id::text = p.material_id
    """,
    """
    INSERT INTO mark (id, school_id, child_id, lesson_id, activity, concept, way, voices, help, result, moment, received,
        teacher_id, withdrawn)
    SELECT e.id, e.school_id, e.child_id, e.lesson_id, coalesce(e.body->>'activity', ''), e.concept, e.body->>'way',
        e.body->>'voices', e.body->>'help', e.body->>'result', e.moment, e.received, e.teacher_id,
        (SELECT min(b.moment) FROM class_event b WHERE b.target_id = e.id AND b.kind = 'taken_back')
    FROM class_event e JOIN lesson l ON l.id = e.lesson_id WHERE e.kind = 'marked'
    """,
    """
    INSERT INTO absence (lesson_id, child_id, school_id)
    SELECT DISTINCT h.id, c.id, h.school_id FROM held_lesson h JOIN lesson l ON l.id = h.id
    CROSS JOIN LATERAL jsonb_array_elements_text(h.absent) AS a(child) JOIN child c ON c.id::text = a.child
    """,
    """
    INSERT INTO old_standing (child_id, concept, school_id, level, flag, sentence, last_alone)
    SELECT child_id, concept, school_id, CASE level WHEN 'once' THEN 'nearly' ELSE level END,
        CASE WHEN partly THEN 'partly' WHEN level = 'once' THEN 'once' ELSE '' END, '', last_alone
    FROM standing
    """,
)


def downgrade() -> None:
    _old_tables()
    for statement in BACK:
        op.execute(statement)
    for table in ("song_met", "section_facts", "held_lesson", "aside_event", "class_event", "planned_part",
                  "planned_lesson", "standing"):  # fmt: skip
        op.drop_table(table)
    op.execute("DROP FUNCTION class_event_stays()")
    op.execute("ALTER TABLE old_standing RENAME TO standing")
    op.drop_column("song", "card")
    op.drop_column("school", "rules")


def _old_tables() -> None:
    op.create_table(
        "lesson",
        *_to("lesson", "section_id", "section"),
        sa.Column("day", sa.Date(), nullable=False),
        sa.Column("starts", sa.Time(), nullable=False),
        sa.Column("minutes", sa.Integer(), nullable=False),
        sa.Column("state", sa.Text(), nullable=False),
        sa.Column("status", sa.Text(), nullable=False),
        sa.Column("unmet", JSONB(), nullable=False),
        sa.Column("note", sa.Text(), nullable=False),
        sa.Column("started", sa.DateTime(timezone=True), nullable=True),
        sa.Column("ended", sa.DateTime(timezone=True), nullable=True),
        _id(),
        *_to("lesson", "school_id", "school"),
        _check("lesson", "state", "state IN ('planned', 'running', 'done')"),
        _key("lesson", "id"),
        sa.UniqueConstraint("section_id", "day", "starts", name=op.f("uq_lesson_section_id")),
    )
    op.create_index(op.f("ix_lesson_school_id"), "lesson", ["school_id"])
    op.create_index(
        "uq_lesson_open", "lesson", ["section_id"], unique=True, postgresql_where="state <> 'done'"
    )
    op.create_table(
        "absence",
        *_to("absence", "lesson_id", "lesson"),
        *_to("absence", "child_id", "child"),
        *_to("absence", "school_id", "school"),
        _key("absence", "lesson_id", "child_id"),
    )
    op.create_table(
        "cell",
        *_to("cell", "lesson_id", "lesson"),
        *(sa.Column(name, sa.Integer(), nullable=False) for name in ("position", "minutes")),
        *(sa.Column(name, sa.Text(), nullable=False) for name in ("slot", "role", "activity")),
        *_to("cell", "song_id", "song", null=True, gone="SET NULL"),
        *(sa.Column(name, sa.Text(), nullable=True) for name in ("concept", "purpose", "new", "tick")),
        *(sa.Column(name, sa.Boolean(), nullable=False) for name in ("left_over", "pinned")),
        sa.Column("reasons", JSONB(), nullable=False),
        _id(),
        *_to("cell", "school_id", "school"),
        _check("cell", "purpose", "purpose IN ('prepare', 'present', 'practise') OR purpose IS NULL"),
        _check("cell", "tick", "tick IN ('done', 'partly', 'skipped') OR tick IS NULL"),
        _key("cell", "id"),
        sa.UniqueConstraint("lesson_id", "position", name=op.f("uq_cell_lesson_id")),
    )
    op.create_index(op.f("ix_cell_school_id"), "cell", ["school_id"])
    op.create_table(
        "mark",
        *_to("mark", "child_id", "child"),
        *_to("mark", "lesson_id", "lesson"),
        *(sa.Column(name, sa.Text(), nullable=False)
          for name in ("activity", "concept", "way", "voices", "help", "result")),
        *(sa.Column(name, sa.DateTime(timezone=True), nullable=False) for name in ("moment", "received")),
        *_to("mark", "teacher_id", "teacher", gone=None),
        sa.Column("withdrawn", sa.DateTime(timezone=True), nullable=True),
        _id(),
        *_to("mark", "school_id", "school"),
        _check("mark", "help", "help IN ('none', 'model', 'signs')"),
        _check("mark", "result", "result IN ('secure', 'nearly', 'not_yet')"),
        _check("mark", "voices", "voices IN ('alone', 'group', 'class')"),
        _check("mark", "way", "way IN ('hear', 'sing', 'read', 'write', 'create')"),
        _key("mark", "id"),
    )  # fmt: skip
    op.create_index("ix_mark_child_concept", "mark", ["child_id", "concept"])
    op.create_index(op.f("ix_mark_lesson_id"), "mark", ["lesson_id"])
    op.create_index(op.f("ix_mark_school_id"), "mark", ["school_id"])
    op.create_table(
        "old_standing",
        sa.Column("child_id", sa.Uuid(), sa.ForeignKey("child.id", ondelete="CASCADE"), primary_key=True),
        sa.Column("concept", sa.Text(), primary_key=True),
        sa.Column("school_id", sa.Uuid(), sa.ForeignKey("school.id", ondelete="CASCADE"), nullable=False),
        *(sa.Column(name, sa.Text(), nullable=False) for name in ("level", "flag", "sentence")),
        sa.Column("last_alone", sa.DateTime(timezone=True), nullable=True),
    )
