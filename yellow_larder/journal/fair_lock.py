"""A lock that is handed on in the order in which it was asked for."""

from __future__ import annotations

from collections import deque
from threading import Lock


class FairLock:
    """Writers queue here, first come first served: SQLite's own lock lets some of them starve.

    Example:
        >>> lock = FairLock()
        >>> with lock:
        ...     lock.waiting
        0
    """

    def __init__(self) -> None:
        self._mutex = Lock()
        self._held = False
        self._queue: deque[Lock] = deque()

    @property
    def waiting(self) -> int:
        """How many wait for it."""
        return len(self._queue)

    def __enter__(self) -> None:
        with self._mutex:
            if not self._held:
                self._held = True
                return
            mine = Lock()
            mine.acquire()
            self._queue.append(mine)
        mine.acquire()

    def __exit__(self, *_: object) -> None:
        with self._mutex:
            if self._queue:
                # It stays held: the next one has it from here on.
                self._queue.popleft().release()
            else:
                self._held = False
