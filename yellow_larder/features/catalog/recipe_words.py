"""How recipes write amounts, put into the words that everybody else uses.

T is a tablespoon and t a teaspoon, a bracket holds the size of the can before it, and what was done to the food stands
behind a comma. Source: common practice, American and British recipes.
"""

from __future__ import annotations

import re

from yellow_larder.words.numbers import COUNT, NUMBER, plain_numbers

_RANGE = re.compile(rf"^{NUMBER}\s*(?:-|–|\bto\b|\bor\b)\s*(?P<most>{NUMBER})(?=\s)", re.IGNORECASE)

_SPOONS = (
    (re.compile(rf"^(?P<n>{NUMBER})\s*(?:T|[Tt]b|[Tt]bl|[Tt]bs|TBS|[Tt]blsp)s?\.?\s+(?=\w)"), "tbsp"),
    (re.compile(rf"^(?P<n>{NUMBER})\s*(?:t|ts)\.?\s+(?=\w)"), "tsp"),
    (re.compile(rf"^(?P<n>{NUMBER})\s*[Cc]\.?\s+(?=\w)"), "cups"),
)
_SIZE = r"\d+(?:\.\d+)?\s*-?\s*(?:oz|ounces?|g|grams?|ml|lbs?|pounds?|kg)\b\.?"
_PACK = r"(?:packages?|pkgs?|packets?|packs?|pkts?|bags?|boxe?s?|containers?|jars?|bottles?|tubs?|cartons?)"
_SIZE_FIRST = re.compile(
    rf"^(?P<n>{COUNT})\s*\(\s*(?P<size>{_SIZE})\s*\)\s*(?P<what>\w+)\.?\s+(?:of\s+)?", re.IGNORECASE
)
_SIZE_LAST = re.compile(
    rf"^(?P<n>{COUNT})\s+(?P<what>\w+)\.?\s*\(\s*(?P<size>{_SIZE})\s*\)\s*(?:of\s+)?", re.IGNORECASE
)
_SAID_AGAIN = re.compile(rf"^(?P<amount>{NUMBER}\s*[a-z]+\.?)\s*\([^)]*\)\s*(?=\w)", re.IGNORECASE)
_CAN = re.compile(r"cans?|tins?", re.IGNORECASE)


def in_plain_words(text: str) -> str:
    """A recipe's line with its amount as one would say it; of two to three, three.

    Example:
        >>> in_plain_words("2 T oil"), in_plain_words("1 t. salt"), in_plain_words("1½ c rolled oats")
        ('2 tbsp oil', '1 tsp salt', '1 1/2 cups rolled oats')
        >>> in_plain_words("1 (15 oz) can black beans"), in_plain_words("1 pkg (12 oz) egg noodles")
        ('1 15 oz can black beans', '1 x 12 oz egg noodles')
        >>> in_plain_words("2-3 carrots"), in_plain_words("1-1/2 cups rice"), in_plain_words("200 g (7 oz) pasta")
        ('3 carrots', '1 1/2 cups rice', '200 g pasta')
    """
    text = _RANGE.sub(r"\g<most>", plain_numbers(text))
    for pattern, unit in _SPOONS:
        text = pattern.sub(rf"\g<n> {unit} ", text)
    for pattern in (_SIZE_FIRST, _SIZE_LAST):
        text = pattern.sub(_sized, text)
    return _SAID_AGAIN.sub(r"\g<amount> ", text)


def _sized(found: re.Match[str]) -> str:
    """So many of a size: cans are cans, and what is in a packet is told by its weight."""
    if _CAN.fullmatch(found["what"]):
        return f"{found['n']} {found['size']} {found['what']} "
    return f"{found['n']} x {found['size']} " if re.fullmatch(_PACK, found["what"], re.IGNORECASE) else found[0]
