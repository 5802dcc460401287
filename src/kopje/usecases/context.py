"""What every use case is given: the transaction, who asks, and the chance and time of this moment."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from contextlib import AbstractContextManager, contextmanager
from dataclasses import dataclass
from datetime import date, datetime
from typing import Any, Protocol, TypeVar
from uuid import UUID

from sqlalchemy.orm import Session

from kopje.core.ledger.rules import AS_SHIPPED as AS_SHIPPED_RULES
from kopje.core.ledger.rules import LedgerRules
from kopje.core.planning.habits import AS_SHIPPED, Habits
from kopje.core.rights import EVERYWHERE, Room
from kopje.core.sequence.concepts import Sequence
from kopje.core.sequence.so_mi_first import SO_MI_FIRST
from kopje.store.work import UnitOfWork
from kopje.words import ENGLISH_CATALOGUE, Catalogue, Words

Answer = TypeVar("Answer")


@dataclass(frozen=True)
class Context:
    """One call by one signed-in teacher. `now` is the school's local time with its zone."""

    session: Session
    school_id: UUID
    teacher_id: UUID
    now: datetime
    new_id: Callable[[], UUID]
    sequence: Sequence = SO_MI_FIRST
    catalogue: Catalogue = ENGLISH_CATALOGUE
    habits: Habits = AS_SHIPPED
    room: Room = EVERYWHERE
    rules: LedgerRules = AS_SHIPPED_RULES

    @property
    def today(self) -> date:
        return self.now.date()

    @property
    def words(self) -> Words:
        """For what leaves as text: a print, a file."""
        return Words(self.catalogue, self.sequence)


class Solve(Protocol):
    """Run a pure function of the core that may take long, and give its answer; under a ticket one can look
    how far it is."""

    def __call__(self, think: Callable[..., Answer], *question: Any, ticket: str = "") -> Answer: ...


def run_here(think: Callable[..., Answer], *question: Any, ticket: str = "") -> Answer:  # noqa: ARG001
    """In this very thread: for the demo and for tests of the steps around the thinking."""
    return think(*question)


@dataclass(frozen=True)
class Desk:
    """For what takes thought: look at one moment, think outside any transaction, then keep with a check that
    what was looked at still holds. `ctx` makes a call on a transaction, and sees to it that the teacher is
    still signed in."""

    work: UnitOfWork
    ctx: Callable[[Session], Context]
    solve: Solve = run_here

    @contextmanager
    def look(self) -> Iterator[Context]:
        with self.work.read() as session:
            yield self.ctx(session)

    @contextmanager
    def keep(self) -> Iterator[Context]:
        with self.work.begin() as session:
            yield self.ctx(session)

    def alone(self, what: str) -> AbstractContextManager[None]:
        """Nobody else works the same thing out at this moment; BusyError if somebody does."""
        return self.work.alone(what)
