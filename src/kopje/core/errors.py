"""Every refusal of the core and of the rooms around it, named after its noun, with a stable code.

`api/problems.py` is the only place that turns these into statuses; a test holds its table against the
classes in this module.
"""

from __future__ import annotations

from kopje.core.reasons import Param, Reason


class KopjeError(Exception):
    """What happened, what was kept and what to do: `said` names the sentence, which the catalogue words.

    `code` is stable and names the kind of refusal; `value` is what was refused, `path` the way to it.
    """

    code = "error"

    def __init__(self, said: str, *, value: object = None, path: str = "", **params: Param) -> None:
        super().__init__(said)
        self.reason = Reason(said, "bars", "", tuple(params.items()))
        self.value = value
        self.path = path

    def __str__(self) -> str:
        return f"{self.code}: {self.reason.code} {dict(self.reason.params)}"


class PitchError(KopjeError):
    code = "pitch_unreadable"


class MeterError(KopjeError):
    code = "meter_unreadable"


class RecordingError(KopjeError):
    code = "recording_refused"


class TuneError(KopjeError):
    code = "tune_empty"


class PracticeError(KopjeError):
    code = "practice"


class TextureError(KopjeError):
    """Of layers, of words that shall be a rhythm."""

    code = "texture"


class AskError(KopjeError):
    code = "ask"


class LedgerRuleError(KopjeError):
    code = "ledger_rule"


class ReportError(KopjeError):
    code = "report"


class SongQuestionError(KopjeError):
    code = "song_question"


class ConceptError(KopjeError):
    code = "concept_unknown"


class SequenceError(KopjeError):
    code = "sequence_cycle"


class WordingError(KopjeError):
    code = "words_unreadable"


class MarkError(KopjeError):
    code = "mark_refused"


class PlanError(KopjeError):
    code = "plan_impossible"


class CalendarError(KopjeError):
    code = "calendar_unreadable"


class LessonError(KopjeError):
    code = "lesson_state"


class StaleError(KopjeError):
    """Something was changed elsewhere since it was looked at."""

    code = "stale"


class StaleWriteError(StaleError):
    """Of something that is written as a whole: what was sent is to be chosen again, or given up."""

    code = "stale_write"


class BusyError(KopjeError):
    """The same thing is being worked out at this moment."""

    code = "busy"


class EventError(KopjeError):
    code = "event_refused"


class FileError(KopjeError):
    """A file that cannot be read, or that it would be unsafe to read."""

    code = "file_unreadable"


class FileUnsafeError(FileError):
    code = "file_unsafe"


class FileTooLargeError(FileError):
    code = "file_too_large"


class EngravingError(KopjeError):
    code = "engraving_failed"


class NotFoundError(KopjeError):
    code = "not_found"


class SignInError(KopjeError):
    code = "sign_in_failed"


class SignInSlowedError(KopjeError):
    """Too many failures; `value` is the number of seconds to wait."""

    code = "sign_in_slowed"


class SignedOutError(KopjeError):
    code = "signed_out"


class ForgedRequestError(KopjeError):
    code = "request_forged"


class SetUpError(KopjeError):
    code = "already_set_up"


class RosterError(KopjeError):
    code = "roster_unreadable"


class BackupError(KopjeError):
    code = "backup_refused"


class NotAllowedError(KopjeError):
    """Signed in, but not in a role that may do this."""

    code = "not_allowed"
