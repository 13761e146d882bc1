"""How a line says that something is closed: its air, its lid, the foil in a pail, and who canned it."""

from __future__ import annotations

import re

from yellow_larder.core.containers import Closing, Container, Kind
from yellow_larder.features.coming_in.in_what import InWhat
from yellow_larder.features.coming_in.rest import Rest
from yellow_larder.features.packages.contained import PestMeasure
from yellow_larder.words.articles import a_or_an

NO_PACKETS = re.compile(
    r",?\s*\b(?:no|without|w/o)\s+(?:any\s+)?(?:oxygen\s+|o2\s+)?(?:absorbers?|oas?|o2s?|packets?|vacuum)\b"
    r"|,?\s*\b(?:just|only)\s+(?:the\s+|a\s+)?lids?\b|,?\s*\b(?:lid|screw top|zip)\s+only\b|,?\s*\bclosed with air\b",
    re.IGNORECASE,
)
PACKETS = re.compile(
    r",?\s*(?:\b(?:with|and|w/|plus|\+)\s*)?(?:\b\d+\s*[x×]?\s*)?(?:\d+\s*(?:cc|ml)\s*)?"
    r"\b(?:(?:oxygen|o2|oxy)[\s-]*(?:absorbers?|packets?|packs?|scavengers?)|absorbers?|oas?\b|o2as?|o2s?\b|oxys\b)"
    r"(?:\s+in(?:side)?)?\b",
    re.IGNORECASE,
)
VACUUM = re.compile(
    r",?\s*\b(?:under\s+vacuum|vac(?:uum)?(?:[\s-]*(?:sealed|packed|pack|closed))?)\b"
    r"(?!\s*(?:sealer\s*)?(?:pouch|bags?\b))",
    re.IGNORECASE,
)
SEALED = re.compile(r",?\s*\b(?:heat[\s-]*)?(?:sealed|unopened|closed)\b", re.IGNORECASE)
FULL = re.compile(r",?\s*\b(?:full|to the (?:top|brim))\b", re.IGNORECASE)
LINED = re.compile(
    r",?\s*\b(?:with|in|\+|and|w/)\s*(?:a\s*)?(?:mylar|foil|liners?)(?:\s*(?:bags?|liners?))?\b(?!\s*\w*\s*(?:bags?|pails?))",
    re.IGNORECASE,
)
CURED = re.compile(r",?\s*\bcured\b", re.IGNORECASE)
_FOIL_INSIDE = re.compile(
    r",?\s*\b(?:(?:with|in|w/)\s+)?(?:a\s+)?(?:mylar|foil)(?:[\s-]*(?:lined|bags?|liners?))*"
    r"(?:\s+(?:inside|in it|in them))?\b",
    re.IGNORECASE,
)
"""Said of a pail: there is a foil bag in it."""

_LIDS = re.compile(
    r",?\s*\b(?:with\s+|w/\s*)?(?:a\s+)?(?:screw|spin|twist|snap|gasket|plastic|metal|new|tight|airtight)[\s-]*(?:on\s+)?"
    r"(?:lids?|tops?|caps?)\b",
    re.IGNORECASE,
)
_OPEN = re.compile(
    r",?\s*(?<!un)\b(?:opened|open(?!\s*kettle)|in use|started|half[\s-]*(?:full|empty|used)|nearly (?:full|empty))\b",
    re.IGNORECASE,
)
STANDS_OPEN = "it stands open: put it away, then open it on its card"

_CANNED_AT_HOME = re.compile(
    r",?\s*\b(?:home[\s-]*(?:canned|bottled|tinned|made)?[\s,]*(?:canned|bottled)|canned at home|we canned|"
    r"pressure[\s-]*canned|water[\s-]*bath(?:ed)?(?:[\s-]*canned)?|home[\s-]*(?:canned|bottled|tinned))\b",
    re.IGNORECASE,
)
_CANNED = re.compile(r",?\s*\b(?:canned|bottled)\b", re.IGNORECASE)
_JARS_OF = re.compile(
    r"\b((?:half[\s-]*)?(?:pint|pt|quart|qt))s?\b(?!\s*(?:mason |glass |preserving |canning )?jars?)", re.I
)
_IN_JARS = re.compile(r"\b(?:pint|pt|quart|qt|jar)s?\b", re.IGNORECASE)

_WITH = r"(?<=\w)\s*(?:,|\+|&|\b(?:with|and|w/))\s*(?:an?\s+|some\s+|\d+\s+)?"
_PESTS = {
    PestMeasure.BAY: re.compile(rf"{_WITH}bay lea(?:f|ves)\b", re.IGNORECASE),
    PestMeasure.EARTH: re.compile(
        rf"{_WITH}(?:food[\s-]*grade\s+)?(?:diatomaceous earth|d\.?e\.?)(?!\w)", re.IGNORECASE
    ),
}
"""What is said to be in with food against insects."""

_SAYS = {Closing.ABSORBER: "with absorbers", Closing.VACUUM: "under vacuum", Closing.LID: "with a lid"}


def take_canned_at_home(line: Rest) -> str:
    """How a line says that the household canned something itself; empty if it does not.

    Who cans says pints and means jars; and what is canned in pints and quarts is from no shop.
    """
    found = line.take(_CANNED_AT_HOME) or (line.take(_CANNED) if _IN_JARS.search(line.text) else None)
    if found is None:
        return ""
    line.text = _JARS_OF.sub(r"\1 jars", line.text)
    return found[0].strip(" ,")


def take_closing(line: Rest) -> Closing | None:
    """What a line says was done about the air; none if it does not say."""
    if line.take(_OPEN) is not None:
        line.doubts.append(STANDS_OPEN)
    line.take(_LIDS)
    for closing, pattern in ((Closing.LID, NO_PACKETS), (Closing.ABSORBER, PACKETS), (Closing.VACUUM, VACUUM)):
        if line.take(pattern) is not None:
            line.take(SEALED)
            return closing
    line.take(SEALED)
    return None


def take_pest_measures(line: Rest) -> tuple[PestMeasure, ...]:
    """What a line says is in with the food against insects."""
    return tuple(measure for measure, pattern in _PESTS.items() if line.take(pattern) is not None)


def take_foil(line: Rest, found: InWhat | None) -> bool:
    """Whether a line says of a pail that there is a foil bag in it."""
    return found is not None and found.kinds == (Kind.PAIL,) and line.take(_FOIL_INSIDE) is not None


def closed(line: Rest, closing: Closing | None, container: Container) -> Closing:
    """How it is closed: as it says, if it can be closed so; else as such a container usually is."""
    if closing is not None and closing not in container.closings:
        line.doubts.append(f"{a_or_an(container.name)} is not closed {_SAYS[closing]}: taken as a lid")
        closing = Closing.LID
    if closing is None and container.kind is Kind.CAN:
        closing = Closing.ABSORBER
        line.taken_as.append("with absorbers, as such cans are sold: say “no absorbers” if not")
    if closing is None and container.kind is Kind.POUCH:
        closing = Closing.VACUUM
        line.taken_as.append("under vacuum, as such bags are: say “no vacuum” if not")
    if closing is None:
        closing = Closing.LID
        if not container.from_the_shop:
            line.taken_as.append("closed with air: say “absorbers” or “vacuum” if it was")
    return closing
