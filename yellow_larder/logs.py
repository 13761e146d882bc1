"""What the larder says of itself to whoever runs it: a line an event."""

import logging
import sys

OURS = logging.getLogger("yellow_larder")
"""Above the loggers of all its parts, which are called as they are."""


def plain_logs() -> None:
    """Every line with its time, whoever asks how often."""
    if not OURS.handlers:
        shown = logging.StreamHandler(sys.stdout)
        shown.setFormatter(logging.Formatter("%(asctime)s %(levelname)s %(message)s", "%Y-%m-%d %H:%M:%S"))
        OURS.addHandler(shown)
        OURS.setLevel(logging.INFO)
