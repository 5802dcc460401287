"""Is this song right for this class? Worked cases that fix the order."""

from datetime import date

from kopje.api.schemas.base import in_one_breath
from kopje.core.sequence.concepts import ConceptKey
from kopje.core.sequence.section_state import SectionState
from kopje.core.sequence.so_mi_first import SO_MI_FIRST
from kopje.core.songs.suitability import Fit, Met, fit, ranked
from kopje.words import ENGLISH_WORDS
from making import DAY, declared, made_card, shipped_cards, taught

RE = SO_MI_FIRST.concept("re")
KNOWS = ("quarter-eighths", "so-mi", "la", "do", "half", "two-beat-meter", "beat-rest")
CLASS = declared(*KNOWS)


SUNG_TWICE = Met(2)


def against(
    body: str, purpose: str = "present", state: SectionState = CLASS, met: Met = SUNG_TWICE, key: str = "F"
) -> Fit:
    return fit(made_card(body, body, key), RE, purpose, state, met, DAY)  # type: ignore[arg-type]


def codes(one: Fit) -> set[str]:
    return {reason.code for reason in one.verdict.reasons}


PLAIN = "A2G2|A2F2|A2G2|G2F2|A2G2|AAGG|A2G2|F4|]"
LOW_LA = "A2G2|A2F2|D2G2|G2F2|A2G2|AAGG|D2G2|F4|]"
ONCE = "A2A2|A2F2|A2A2|F2F2|A2A2|AAAA|A2G2|F4|]"


def test_1_the_clear_song_may_present_and_says_why() -> None:
    found = against(PLAIN)
    assert found.allowed
    assert "approached by step" in in_one_breath(found.verdict.reasons, ENGLISH_WORDS)
    assert "all else known" in in_one_breath(found.verdict.reasons, ENGLISH_WORDS)
    assert "do = F" in in_one_breath(found.verdict.reasons, ENGLISH_WORDS)


def test_2_an_unknown_tone_bars_from_presenting_and_is_named() -> None:
    found = against(LOW_LA)
    assert not found.allowed
    assert "also has low la, unknown to 2A" in in_one_breath(found.verdict.reasons, ENGLISH_WORDS)


def test_3_the_same_song_may_prepare() -> None:
    assert against(LOW_LA, "prepare").allowed


def test_4_once_is_too_thin_to_present() -> None:
    assert "target_thin" in codes(against(ONCE))
    assert not against(ONCE).allowed


def test_5_a_song_without_the_target_is_never_offered() -> None:
    for purpose in ("prepare", "present", "practise"):
        assert "target_missing" in codes(against("A2F2|A2F2|A2F2|F4|]", purpose))


def test_6_practising_needs_the_name() -> None:
    assert not against(PLAIN, "practise").allowed
    assert against(PLAIN, "practise", declared(*KNOWS, "re")).allowed


def test_7_a_known_song_comes_before_a_new_one_for_presenting() -> None:
    known, new = against(PLAIN), against(PLAIN, met=Met())
    assert known.cost < new.cost
    assert ranked([new, known])[0] is known


def test_8_order_clear_before_moved_key_before_thin_before_barred() -> None:
    high = against(PLAIN, key="C")  # the same letters, other degrees: no re at all
    order = ranked([against(LOW_LA), high, against(PLAIN), against(ONCE)])
    assert order[0].song.id == PLAIN
    assert [one.allowed for one in order] == [True, False, False, False]


def test_9_a_song_sung_lately_rests_before_it_is_practised_again() -> None:
    named = declared(*KNOWS, "re")
    rested, lately = (
        against(PLAIN, "practise", named, Met(2, date(2026, 9, 1))),
        against(PLAIN, "practise", named, Met(2, DAY)),
    )
    assert ranked([lately, rested])[0] is rested


def test_10_out_of_their_range_costs_more_than_a_moved_key() -> None:
    wide = against("F,2G2|A2F2|A2G2|G2F2|A2G2|AAGG|A2G2|f4|]")
    assert wide.cost > against(PLAIN).cost
    assert any(reason.about == "key" for reason in wide.verdict.reasons)


def test_11_an_unknown_figure_bars_once_the_class_can_name_figures() -> None:
    body = "A2G2|A2F2|A2G2|G2F2|A/A/A/A/G2|AAGG|A2G2|F4|]"
    assert not against(body).allowed
    assert "four sixteenths" in in_one_breath(against(body).verdict.reasons, ENGLISH_WORDS)
    tones_only = declared("so-mi", "la", "do")
    assert against(body, state=tones_only).allowed


def test_12_what_is_missing_is_computed_from_what_was_taught() -> None:
    state = declared(*KNOWS, taught=taught(low_la=(4, 1, 0)))
    assert against(LOW_LA, state=state).allowed


def test_the_songs_that_ship_do_what_they_say() -> None:
    """Each names the concept it presents; our own analysis must find it plainly, and the others known."""
    slugs = {song.id: song for song in shipped_cards()}
    presents = {
        "kestrel-kestrel": "so-mi",
        "my-left-shoe": "la",
        "lizard-on-a-stone": "beat-rest",
        "the-watchmans-kettle": "do",
        "echo-rock": "half",
        "my-umbrella-has-a-hole": "re",
        "caterpillar-walk": "four-sixteenths",
        "down-to-the-well": "low-la",
        "push-the-barrow": "low-so",
        "my-red-hat": "syncopation",
        "frost-on-the-fence": "fa",
        "lantern-boat": "ti",
        "owls-awake": "la-minor",
        "walnut-swing": "compound",
    }
    for slug, key in presents.items():
        concept = SO_MI_FIRST.concept(key)
        before = [c.key for c in SO_MI_FIRST.concepts if c.key != key and c.grade <= concept.grade]
        found = fit(
            slugs[slug], concept, "present", declared(*before, grade=max(concept.grade, 1)), Met(2), DAY
        )
        assert found.allowed, (slug, in_one_breath(found.verdict.reasons, ENGLISH_WORDS))
        assert "range" not in codes(found) or not any(
            r.weight == "against" and r.about == "key" for r in found.verdict.reasons
        ), slug


def test_an_upbeat_comes_in_every_phrase_that_is_lifted_into() -> None:
    content = next(card for card in shipped_cards() if card.id == "the-goat-upon-the-hill").content(
        ConceptKey("upbeat")
    )
    assert content is not None
    assert (content.count, content.turns, content.bars) == (4, 4, (0, 4, 8, 12))
