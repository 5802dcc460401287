"""Watches over Kopje's own PostgreSQL server while the application runs; starts it again when it is gone."""

from __future__ import annotations

from threading import Event, Thread

import structlog

from kopje.store.cluster import Cluster, ClusterError

LOOK = 0.25  # seconds between two looks
LONGEST = 30.0  # seconds between two tries, where it will not start
log = structlog.get_logger()


class Keeper:
    """A thread beside a started cluster. What is asked of the database meanwhile is refused; the engine's
    connections are tried before use, so that the first question after it is back is answered."""

    def __init__(self, cluster: Cluster) -> None:
        self._cluster = cluster
        self._enough = Event()
        self._thread = Thread(target=self._watch, name="database-keeper", daemon=True)

    def start(self) -> Keeper:
        self._thread.start()
        return self

    def stop(self) -> None:
        """To be called before the cluster itself is stopped."""
        self._enough.set()
        self._thread.join()

    def _watch(self) -> None:
        pause = LOOK
        while not self._enough.wait(pause):
            if self._cluster.answers_for_itself:
                pause = LOOK
                continue
            log.error("database_gone", folder=str(self._cluster.folder))
            try:
                self._cluster.start_again()
                log.warning("database_is_back", port=self._cluster.port)
                pause = LOOK
            except (ClusterError, OSError) as problem:
                log.error("database_stays_away", exc_info=problem)
                pause = min(LONGEST, max(1.0, pause * 2))
