"""Numbers as people write them: 2, 1½, 3/4, 1-1/2, two, half a dozen, one and a half."""

from __future__ import annotations

import re
import unicodedata
from fractions import Fraction

_WORDS: dict[str, float] = {
    word: n
    for n, word in enumerate(
        ["one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve"], 1
    )
}
_WORDS |= {"a": 1, "an": 1, "half": 0.5, "dozen": 12}

NUMBER = r"(?:\d+\s+\d+/0*[1-9]\d*|\d+/0*[1-9]\d*|\d{1,3}(?:,\d{3})+(?:\.\d+)?|\d+(?:[.,]\d+)?|\.\d+)"
"""A number in figures, once it is plain."""

COUNT = rf"(?:{NUMBER}|(?:{'|'.join(_WORDS)})\b)"
"""A number in figures or in a word: 2, 3/4, two, a, half."""

_SIGN = re.compile(r"(?:(?P<whole>\d+)\s*)?(?P<part>[¼-¾⅐-⅞])")
_JOINED = re.compile(r"\b(?P<whole>\d+)\s*-\s*(?P<part>[1-7]/[2-8])\b")
_AND_A_HALF = re.compile(rf"(?<![\w/.,])(?P<whole>{COUNT})\s+(?:(?P<of>[a-z]+)\s+)?and\s+a\s+half(?=\s)", re.IGNORECASE)
_HALF_A = re.compile(r"\bhalf\s+an?\s+(?=[a-z\d])", re.IGNORECASE)
_DOZENS = re.compile(rf"(?<![\w/.,])(?:(?P<count>{COUNT})\s+)?dozens?\s+(?:of\s+)?(?=\w)", re.IGNORECASE)


def plain_numbers(text: str) -> str:
    """A text with its halves, fractions and dozens written in figures.

    Example:
        >>> plain_numbers("one and a half buckets oats"), plain_numbers("2½ lb oats"), plain_numbers("5-1/2 in")
        ('1 1/2 buckets oats', '2 1/2 lb oats', '5 1/2 in')
        >>> plain_numbers("2 kg Ærtesuppe ½"), plain_numbers("¾ bucket rice")
        ('2 kg Ærtesuppe 1/2', '3/4 bucket rice')
        >>> plain_numbers("half a dozen jars beans"), plain_numbers("a cup and a half of rice")
        ('6 jars beans', '1 1/2 cup of rice')
    """
    text = _JOINED.sub(r"\g<whole> \g<part>", _SIGN.sub(_written_out, text))
    text = _AND_A_HALF.sub(_and_a_half, text)
    return _DOZENS.sub(_in_dozens, _HALF_A.sub("1/2 ", text))


def _written_out(found: re.Match[str]) -> str:
    part = Fraction(unicodedata.numeric(found["part"])).limit_denominator(10)
    return f"{found['whole']} {part}" if found["whole"] else str(part)


def _and_a_half(found: re.Match[str]) -> str:
    return " ".join(filter(None, [str(round(read_count(found["whole"]))), "1/2", found["of"]]))


def _in_dozens(found: re.Match[str]) -> str:
    return f"{round((read_count(found['count']) if found['count'] else 1) * 12)} "


def read_count(text: str) -> float:
    """A number, in figures or in a word, as `COUNT` finds it.

    Example:
        >>> read_count("two"), read_count("1 1/2"), read_count("½"), read_count("1,200")
        (2.0, 1.5, 0.5, 1200.0)
    """
    text = _SIGN.sub(_written_out, text.strip().lower())
    if text in _WORDS:
        return float(_WORDS[text])
    if text.startswith("-"):
        return -read_count(text[1:])
    if re.fullmatch(r"\d{1,3}(,\d{3})+(\.\d+)?", text):
        text = text.replace(",", "")
    whole, _, fraction = text.replace(",", ".").rpartition(" ")
    value = float(whole) if whole else 0.0
    if "/" not in fraction:
        return float(fraction)
    above, below = fraction.split("/")
    return value + float(above) / float(below)
