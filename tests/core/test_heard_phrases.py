"""Where phrases seem to begin when nothing shows it."""

from itertools import pairwise

from hypothesis import given
from hypothesis import strategies as st

from kopje.core.analysis.analysis import analyse
from kopje.core.analysis.heard_phrases import heard
from kopje.core.music.tune import blinded, transposed
from making import SONGS, shipped, tune

SLUGS = sorted(file.stem for file in SONGS.glob("*.abc"))


def bars_heard(a: object) -> list[int]:
    return [a.timeline[at].bar for at in heard(a.timeline)]  # type: ignore[attr-defined]


def test_nearly_all_lines_of_the_shipped_songs_are_heard_without_being_shown() -> None:
    shown = said = both = 0
    for slug in SLUGS:
        a = shipped(slug)
        truth = {a.timeline[phrase.first].onset for phrase in a.phrases[1:]}
        blind = analyse(blinded(a.tune))
        guess = {blind.timeline[at].onset for at in heard(blind.timeline)}
        shown, said, both = shown + len(truth), said + len(guess), both + len(truth & guess)
    assert 2 * both / (shown + said) > 0.9


def test_phrases_of_three_bars_are_heard_where_equal_spans_cut_through_them() -> None:
    a = tune("ccAA|G2A2|F2z2|ccAA|G2A2|F2z2|GGAA|B2A2|G2z2|ccAA|G2A2|F2z2|]", "F")
    assert bars_heard(a) == [4, 7, 10]
    assert a.phrases_from == "spans"
    assert [a.timeline[p.first].bar for p in a.phrases] == [1, 5, 9]


@given(st.sampled_from(SLUGS), st.integers(-4, 4))
def test_what_is_heard_does_not_depend_on_the_key(slug: str, steps: int) -> None:
    plain = analyse(blinded(shipped(slug).tune))
    moved = analyse(transposed(plain.tune, steps, [0, 2, 4, 5, 7][abs(steps)] * (1 if steps >= 0 else -1)))
    assert heard(plain.timeline) == heard(moved.timeline)


@given(st.lists(st.sampled_from(["c2", "A2", "G", "F4", "z2", "B,2"]), min_size=0, max_size=40))
def test_phrases_heard_cover_the_tune_once_whatever_it_is(notes: list[str]) -> None:
    a = tune(" ".join(notes) + "c2|]", "F")
    phrases = a.phrases_heard
    assert phrases[0].first == 0
    assert phrases[-1].stop == len(a.timeline)
    assert all(one.stop == two.first for one, two in pairwise(phrases))
    assert all(a.timeline[p.first].attack for p in phrases[1:])


def test_of_a_piece_too_long_to_be_a_song_nothing_is_suggested() -> None:
    bars = ["cABc" * 75] * 11
    assert len(tune("|".join(bars[:9]) + "|]", "F").phrases_heard) >= 1
    assert len(tune("|".join(bars) + "|]", "F").phrases_heard) == 1
