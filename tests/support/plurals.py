"""One thing is not many: how a text that says so reads."""

import re

MANY_OF_ONE = re.compile(
    r"(?<![\d.,½¼¾⅓⅔/–-])\b(?:1|one) "
    r"(?!(?:is|has|was|does|stands|holds|takes|weighs|fails|stays|keeps|shortens)\b)[a-z]{3,}(?<![su])s\b"
)
"""Where one of a thing is told as if there were many."""

ONE_OF_MANY = re.compile(
    r"(?<![\d.,])\b(?:0|[2-9]|\d{2,}) (hour|day|week|month|year|jar|bag|tray|bucket|packet|absorber|cup|lid|bottle"
    r"|label|thing|person|meal|lot|package|look|minute|egg|apple|leek|onion|line|place|shelf|evening|food)\b(?!-)"
)
"""Where many are told as if there were one."""
