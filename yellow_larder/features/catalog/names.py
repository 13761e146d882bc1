"""Names as people type them: singular or plural, in any order of words, in either spelling, with a slip of the pen.

A name that is typed as the table has it is that food. Words are then compared one by one: spelled one way, in the
singular, without what says nothing; and last of all with a letter or two wrong, if only one name comes near.
"""

from __future__ import annotations

import re
import unicodedata
from collections import defaultdict
from collections.abc import Collection, Iterable, Mapping
from dataclasses import dataclass
from functools import cached_property, lru_cache
from typing import Generic, TypeVar

from rapidfuzz import fuzz, process, utils
from rapidfuzz.distance import OSA

_T = TypeVar("_T")

_SAME_WORD = {
    "dehydrated": "dried",
    "dry": "dried",
    "fd": "freezedried",
    "canned": "tinned",
    "can": "tinned",
    "tin": "tinned",
    "powdered": "powder",
    "pwdr": "powder",
    "yogurt": "yoghurt",
    "chile": "chilli",
    "chili": "chilli",
    "soy": "soya",
    "corn": "maize",
    "wholewheat": "wholemeal",
    "wholegrain": "wholemeal",
    "skim": "skimmed",
    "nonfat": "skimmed",
    "garbanzo": "chickpea",
    "zucchini": "courgette",
    "eggplant": "aubergine",
    "beet": "beetroot",
    "scallion": "spring onion",
    "rutabaga": "swede",
    "cornmeal": "maize meal",
    "oatmeal": "oat",
    "veg": "vegetable",
    "veggie": "vegetable",
    "mince": "minced",
    "ground": "minced",
    "flavored": "flavoured",
    "barbeque": "barbecue",
    "bbq": "barbecue",
    "tomatoe": "tomato",
    "potatoe": "potato",
    "filet": "fillet",
    "choc": "chocolate",
    "mac": "macaroni",
    "elbow": "macaroni",
}
"""Words that mean the same, spelled as they are compared. Source: common practice, American and British."""

_SAYS_NOTHING = frozenset(
    """
    a an and of the some my our in for with from old new good best organic bio bulk store bought shop plain regular
    natural large small big medium mixed fine whole long grain slice sliced piece chunk diced chopped
    """.split()  # noqa: SIM905
)
"""Words that may be left out if nothing is found with them. Source: our judgement."""

_IES, _OES, _ES = re.compile(r"(?<=\w\w)ies$"), re.compile(r"oes$"), re.compile(r"(?<=sh|ch|ss)es$|(?<=x)es$")
_S = re.compile(r"(?<=\w\w)(?<![su])s$")


@lru_cache(maxsize=16_384)
def plain(words: str) -> str:
    """One form for ½ and 1/2, for ﬁ and fi, for capitals and none, whichever way it was typed."""
    return " ".join(utils.default_process(unicodedata.normalize("NFKC", words)).split())


def singular(word: str) -> str:
    """A word without its plural.

    Example:
        >>> [singular(word) for word in ("berries", "potatoes", "radishes", "beans", "couscous", "cress", "peas")]
        ['berry', 'potato', 'radish', 'bean', 'couscous', 'cress', 'pea']
    """
    for ending, instead in ((_IES, "y"), (_OES, "o"), (_ES, ""), (_S, "")):
        if ending.search(word):
            return ending.sub(instead, word)
    return word


@lru_cache(maxsize=16_384)
def told_apart(words: str) -> tuple[str, ...]:
    """The words of a name as they are compared: in the singular, spelled one way, in one order.

    Example:
        >>> told_apart("Freeze-dried zucchini"), told_apart("beans, navy"), told_apart("garbanzo beans")
        (('courgette', 'freezedried'), ('bean', 'navy'), ('bean', 'chickpea'))
    """
    joined = re.sub(r"\bfreeze dr(?:ied|y)\b", "freezedried", plain(words))
    each = [_SAME_WORD.get(word, word) for word in map(singular, joined.split())]
    return tuple(sorted({part for word in each for part in word.split()}))


@dataclass(frozen=True, eq=False)
class Names(Generic[_T]):
    """What there is, by every name that it has.

    Attributes:
        called: what is meant by each name, as `plain` has it.
    """

    called: Mapping[str, _T]

    @cached_property
    def _by_words(self) -> dict[tuple[str, ...], list[str]]:
        found: dict[tuple[str, ...], list[str]] = defaultdict(list)
        for name in self.called:
            found[told_apart(name)].append(name)
        return found

    @cached_property
    def _by_what_counts(self) -> dict[tuple[str, ...], list[str]]:
        found: dict[tuple[str, ...], list[str]] = defaultdict(list)
        for words, names in self._by_words.items():
            found[_what_counts(words)] += names
        return found

    @cached_property
    def _vocabulary(self) -> frozenset[str]:
        return frozenset(word for words in self._by_words for word in words) | _SAME_WORD.keys()

    @cached_property
    def _by_letter(self) -> dict[str, list[str]]:
        found: dict[str, list[str]] = defaultdict(list)
        for word in sorted(self._vocabulary):
            found[word[0]].append(word)
        return found

    def knows(self, word: str) -> bool:
        """Whether a word is one of any name, however it is spelled."""
        return any(part in self._vocabulary for part in told_apart(word))

    def find(self, words: str) -> _T | None:
        """What is meant by some words; none if that is not sure."""
        wanted = plain(words)
        if wanted in self.called:
            return self.called[wanted]
        apart = told_apart(words)
        if not apart:
            return None
        return self._one(apart) or self._one(self._spelled_right(apart))

    def _one(self, apart: tuple[str, ...]) -> _T | None:
        """The only thing that is called so: by all the words, or by those that say something; dried if need be."""
        for table, key in (
            (self._by_words, apart),
            (self._by_what_counts, _what_counts(apart)),
            (self._by_words, tuple(sorted({*apart, "dried"}))),
        ):
            meant = [self.called[name] for name in table.get(key, ())]
            if meant and all(each == meant[0] for each in meant):
                return meant[0]
        return None

    def _spelled_right(self, apart: Iterable[str]) -> tuple[str, ...]:
        """Words with a letter or two wrong as the table spells them; one that could be two is left as it is."""
        right = {near[0] if len(near := self._near(word)) == 1 else word for word in apart}
        return tuple(sorted(_SAME_WORD.get(word, word) for word in right))

    def _near(self, word: str) -> list[str]:
        """A word of the table, or those that are nearest to one that is not in it."""
        if word in self._vocabulary or len(word) < _LONG_ENOUGH:
            return [word]
        slips = 1 if len(word) < _LONG else 2
        # Nobody gets the first letter wrong: love is no clove.
        near = process.extract(
            word, self._by_letter.get(word[0], ()), scorer=OSA.distance, score_cutoff=slips, limit=None
        )
        return [str(name) for name, distance, _ in near if distance == near[0][1]]

    def nearest(self, words: str, most: int = 5) -> list[_T]:
        """What may have been meant, the likeliest first: what shares its words, then what is spelled like it."""
        apart = {near for word in told_apart(words) for near in self._near(word)}
        counted = {word for word in apart if word not in _SAYS_NOTHING and word not in _HOW_IT_IS} or apart
        shared = sorted(
            (
                (-len(counted & set(those)) / len(counted | set(those)), not _is_one_of(names[0], counted), names[0])
                for those, names in self._by_words.items()
                if counted & set(those)
            ),
        )
        alike = process.extract(plain(words), list(self.called), scorer=fuzz.ratio, score_cutoff=_LIKE, limit=most)
        return _each_once([self.called[name] for _, _, name in shared] + [self.called[name] for name, *_ in alike])[
            :most
        ]


_HOW_IT_IS = frozenset({"dried", "freezedried", "tinned", "powder", "frozen", "fresh", "cooked"})
"""Words that say how a food is, and not which: they alone make no two foods alike."""

_LONG_ENOUGH, _LONG = 4, 8
"""Letters from which a word may have one wrong, and two. Source: our judgement."""

_LIKE = 80
"""Likeness, 0–100, above which a name is offered as perhaps meant. Source: our judgement on the table's names."""


def _is_one_of(name: str, words: Collection[str]) -> bool:
    """Whether a name is of one of some things, and not of something made of it: bean curd is no bean."""
    of = singular(plain(name).split()[-1])
    return _SAME_WORD.get(of, of) in words


def _what_counts(apart: Iterable[str]) -> tuple[str, ...]:
    return tuple(word for word in apart if word not in _SAYS_NOTHING)


def _each_once(those: Iterable[_T]) -> list[_T]:
    found: list[_T] = []
    for each in those:
        if each not in found:
            found.append(each)
    return found
