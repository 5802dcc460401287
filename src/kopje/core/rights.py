"""Who may do what: one table of everything that the application offers, by the names of its operations.

An operation that is not in it is refused to everybody."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date, timedelta
from typing import Literal, get_args
from uuid import UUID

Role = Literal["owner", "teacher", "substitute", "viewer"]
ROLES: tuple[Role, ...] = get_args(Role)

# Before anybody is signed in.
OPEN = frozenset(
    (
        *("firstRunNeeded", "firstRun", "signIn", "invited", "acceptLink"),
        *("newProjector", "projectorFrame", "projectorFrames"),
    )
)
# About oneself, and what the page needs to speak at all.
ANYBODY = (
    *(
        "me",
        "signOut",
        "signOutEverywhere",
        "school",
        "words",
        "changePassword",
        "devices",
        "signOutDevice",
        "schema",
    ),
)
# What stands in for a day: look at today's lessons, teach them, tick and mark; no history.
IN_THE_ROOM = (
    *("partExercise", "openedExercise", "exercise", "exerciseScore"),
    *(
        "day",
        "sections",
        "lesson",
        "lateLesson",
        "hearing",
        "takeEvents",
        "printLesson",
        "printDay",
    ),
    *("song", "score", "songOpening", "songRows", "songEchoes", "maskedSong", "printSong", "recording"),
    *(
        "performance",
        "barColours",
        "activity",
        "activityWords",
        "activityFile",
        "asideEvents",
        "takeAsideAgain",
    ),
    *("dropAside", "pairProjector", "showFrame", "projectors", "endProjector"),
)
TEACHING = (
    *("toDo", "dayNeeds", "room", "setRoom", "dayLike", "setDayLike", "addSection", "changeSection"),
    *(
        "section",
        "singers",
        "sectionDetail",
        "songsFor",
        "declared",
        "declare",
        "knownSongs",
        "setKnownSongs",
        "setSingers",
    ),
    *(
        "concepts",
        "ledger",
        "evidence",
        "printLedger",
        "printDrills",
        "songTrials",
        "guessSongs",
        "songs",
        "importSongs",
    ),
    *("songKinds", "songQuestions", "keepSongQuestion", "dropSongQuestion", "draftSong", "keepTypedSong"),
    *("bringShippedSongs", "removeSong", "annotateSong", "aboutSong", "songInsight", "singTogether"),
    *("songKeys", "removedSongs", "bringSongBack", "songFile", "recordings", "addRecording"),
    *("bringShippedPieces", "changeRecording", "takeOffRecording", "putBackRecording", "proposeLesson"),
    *(
        "alternatives",
        "swapPart",
        "pinPart",
        "refusePart",
        "lessonSet",
        "composeSet",
        "setProgress",
        "stopSet",
    ),
    *("changeSet", "undoSet", "redoSet", "setAlternatives", "printSet", "setFile", "keptSets", "keepSet"),
    *("laySet", "focusSong", "layFocusSong", "forgetSet", "prices", "activities", "writeActivity"),
    *("changeActivity", "putActivityAway", "bringActivityBack", "noteActivity", "addActivityFile"),
    *("deleteActivityFile", "coverage", "templates", "setTemplate", "shippedTemplate", "calendar"),
    *("setCalendar", "addChange", "removeChange", "addConcert", "removeConcert", "year", "fitYear"),
    *("overrideYear", "undoYear", "waysOut", "schoolYear", "gradeYear", "week", "calendarFile"),
    *("readHolidays", "lookAtRoster", "bringRoster", "goneChildren", "changeChild", "previewRollOver"),
    *("rollOver", "setWords", "setBarColours", "sequence", "keepSequence", "startSequence", "ladder"),
    *(
        "askNotHeard",
        "askFading",
        "askRefresh",
        "askMissing",
        "askDrift",
        "askLeftOver",
        "askNeeds",
        "askLeftOut",
        "askGroup",
    ),
    *("seats", "setSeats", "drawGroups"),
    *(
        "practice",
        "setRoutine",
        "nextExercise",
        "exerciseFile",
        "printExercises",
        "exerciseCards",
        "changingLine",
        "dictation",
        "checkWritten",
        "keepExercise",
        "nextSigns",
        "playRound",
        "printRound",
        "textures",
        "keepTexture",
        "dropTexture",
        "lookAtLayers",
        "speechRhythm",
        "recorderAdvice",
        "songBars",
        "songRecorder",
        "checkLetters",
        "recorderFaults",
        "songMoves",
        "cardSet",
        "printCards",
        "staffPaper",
        "judgeTaps",
        "tapDelay",
    ),
    *("ledgerRules", "previewRules", "setRules"),
    *("findChildren", "exportLedger", "bringMarks", "child", "careForChild", "keepReport", "setReportWords"),
    *("setLadder", "ladderNow", "sequenceFile", "lookAtSequence", "backupsTold", "exportChild"),
)
OWNING = (
    *("adults", "inviteAdult", "changeAdult", "removeAdult", "newPasswordLink", "withdrawLink"),
    *(
        "privacy",
        "setRetention",
        "eraseChild",
        "eraseSchool",
        "setSchool",
        "backups",
        "makeBackup",
        "backupFile",
        "setBackupFolder",
        "sealBackups",
        "unsealBackups",
    ),
)
# What was made to be read by others.
READING = ("childReport", "printReport", "sectionReports", "reportWords", "reportChildren")
RIGHTS: dict[str, frozenset[Role]] = {
    **dict.fromkeys(ANYBODY, frozenset(ROLES)),
    **dict.fromkeys(IN_THE_ROOM, frozenset(("owner", "teacher", "substitute"))),
    **dict.fromkeys(TEACHING, frozenset(("owner", "teacher"))),
    **dict.fromkeys(READING, frozenset(("owner", "teacher", "viewer"))),
    **dict.fromkeys(OWNING, frozenset(("owner",))),
}


def may(role: str, operation: str) -> bool:
    """
    >>> may("teacher", "takeEvents"), may("viewer", "takeEvents"), may("owner", "unheardOf")
    (True, False, False)
    """
    return role in RIGHTS.get(operation, frozenset())


LATE = timedelta(days=7)  # what a device tells only when it is in the net again


@dataclass(frozen=True, slots=True)
class Room:
    """The sections that were given to an adult; to most none is, and then all are theirs."""

    role: str = "teacher"
    sections: frozenset[UUID] = frozenset()

    @property
    def walled(self) -> bool:
        """Whether there is nothing beside the sections given, and of these nothing but the day itself."""
        return self.role == "substitute"

    def lists(self, section: UUID) -> bool:
        """Whether a section comes up on their days."""
        return section in self.sections or not (self.sections or self.walled)

    def lets_in(self, section: UUID, day: date, today: date) -> bool:
        """Whether they may look at a section's lesson of a day."""
        return not self.walled or (section in self.sections and day == today)

    def takes(self, section: UUID, day: date, today: date) -> bool:
        """Whether what they tell of a section's lesson is taken: a device may be late by some days."""
        return not self.walled or (section in self.sections and today - LATE <= day <= today)


EVERYWHERE = Room()
