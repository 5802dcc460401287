"""The activities that ship with Kopje: our own, as data, drawn and tested from the same tables."""

from dataclasses import replace

from kopje.core.errors import PlanError
from kopje.core.planning.activities import ANY_SIZE, Activity
from kopje.core.planning.catalogue.choir import CHOIR_ACTIVITIES
from kopje.core.planning.catalogue.focus import PRACTISE, PREPARE, PRESENT
from kopje.core.planning.catalogue.growth import FORMS
from kopje.core.planning.catalogue.hands_on import HANDS_ON_ACTIVITIES
from kopje.core.planning.catalogue.listening import LISTENING
from kopje.core.planning.catalogue.making import MAKING
from kopje.core.planning.catalogue.moving import MOVING
from kopje.core.planning.catalogue.openings import CLOSINGS, OPENINGS
from kopje.core.planning.catalogue.playing import GAMES, INSTRUMENTS, MEETING
from kopje.core.planning.catalogue.recorded import RECORDED
from kopje.core.planning.catalogue.room import NEEDS, PICTURES, SIZES, UNTOUCHED
from kopje.core.planning.catalogue.staff_work import STAFF
from kopje.core.planning.catalogue.works import WORKS

_WRITTEN: tuple[Activity, ...] = (
    *OPENINGS, *PREPARE, *PRESENT, *PRACTISE, *INSTRUMENTS, *HANDS_ON_ACTIVITIES, *GAMES, *MEETING,
    *STAFF, *MOVING, *LISTENING, *RECORDED, *MAKING, *CLOSINGS, *CHOIR_ACTIVITIES,
)  # fmt: skip
CATALOGUE: tuple[Activity, ...] = tuple(
    replace(
        one,
        forms=FORMS.get(one.key, ()),
        untouched=UNTOUCHED.get(one.key, ""),
        picture=PICTURES.get(one.key, ""),
        works=WORKS[one.key],
        size=SIZES.get(one.key, ANY_SIZE),
        needs=NEEDS.get(one.key, ()),
    )
    for one in _WRITTEN
)
_BY_KEY = {activity.key: activity for activity in CATALOGUE}


def activity(key: str) -> Activity:
    try:
        return _BY_KEY[key]
    except KeyError:
        raise PlanError("activity_unknown", key=key, value=key) from None


def known_activity(key: str) -> Activity | None:
    """None for one that is no longer there, though it was done once."""
    return _BY_KEY.get(key)
