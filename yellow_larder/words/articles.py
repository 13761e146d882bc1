"""The article that goes before a name."""

from __future__ import annotations

import re

_AN = re.compile(r"(?:8|11(?!\d)|18(?!\d)|[aeio]|u(?!n[iu]|s[eu]))(?!ne\b)", re.IGNORECASE)


def a_or_an(name: str) -> str:
    """A name with its article.

    Example:
        >>> [a_or_an(each) for each in ("quart jar", "ice cream tub", "8 L tote", "1 gal jar", "used tin", "oil can")]
        ['a quart jar', 'an ice cream tub', 'an 8 L tote', 'a 1 gal jar', 'a used tin', 'an oil can']
    """
    return f"{'an' if _AN.match(name) else 'a'} {name}"
