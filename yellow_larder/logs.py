"""What the larder says of itself to whoever runs it: a line an event."""

import logging
import sys
from collections.abc import Iterator
from contextlib import contextmanager

OURS = logging.getLogger("yellow_larder")
"""Above the loggers of all its parts, which are called as they are."""


@contextmanager
def plain_logs() -> Iterator[None]:
    """Every line with its time, as long as somebody is served."""
    shown = logging.StreamHandler(sys.stdout)
    shown.setFormatter(logging.Formatter("%(asctime)s %(levelname)s %(message)s", "%Y-%m-%d %H:%M:%S"))
    OURS.addHandler(shown)
    OURS.setLevel(logging.INFO)
    try:
        yield
    finally:
        OURS.removeHandler(shown)
