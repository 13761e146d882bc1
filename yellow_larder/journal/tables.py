"""Tables. The journal is the truth; everything below `Entry` is folded from it and can be folded again."""

from __future__ import annotations

from datetime import date, datetime
from typing import Any

from sqlalchemy import JSON, ForeignKey, Index, String
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column


class Base(DeclarativeBase):
    """All tables of the larder."""

    type_annotation_map = {dict[str, Any]: JSON}  # noqa: RUF012


class Change(Base):
    """One thing a person did. Undoing it is another change, which names it."""

    __tablename__ = "changes"

    id: Mapped[int] = mapped_column(primary_key=True)
    at: Mapped[datetime] = mapped_column(index=True)
    title: Mapped[str] = mapped_column(String(300))
    undoes: Mapped[int | None] = mapped_column(ForeignKey("changes.id"), unique=True)


class Entry(Base):
    """What a change meant for one subject: a package, a food, a place or the household."""

    __tablename__ = "journal"
    __table_args__ = (Index("journal_subject", "kind", "subject", "change_id"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    change_id: Mapped[int] = mapped_column(ForeignKey("changes.id"), index=True)
    kind: Mapped[str] = mapped_column(String(20))
    subject: Mapped[int]
    act: Mapped[str] = mapped_column(String(20))
    facts: Mapped[dict[str, Any]]


class Snapshot(Base):
    """The state of a subject after an entry: folding goes on from it, so that an undo need not begin at the start."""

    __tablename__ = "snapshots"

    kind: Mapped[str] = mapped_column(String(20), primary_key=True)
    subject: Mapped[int] = mapped_column(primary_key=True)
    entry_id: Mapped[int] = mapped_column(primary_key=True)
    state: Mapped[dict[str, Any]]


class About(Base):
    """What this file is, in a word each: by which rules its state was folded, and whether it is a demo."""

    __tablename__ = "about"

    name: Mapped[str] = mapped_column(String(20), primary_key=True)
    value: Mapped[str]


class Answer(Base):
    """What a request was answered, by the key it came with: the same request sent again gets the same answer."""

    __tablename__ = "answers"

    key: Mapped[str] = mapped_column(String(80), primary_key=True)
    request: Mapped[str] = mapped_column(String(64))
    """SHA-256 of what was asked, so that a key is not taken for another request's."""
    at: Mapped[datetime] = mapped_column(index=True)
    status: Mapped[int]
    body: Mapped[str]


class Package(Base):
    """A container with food in it, as it stands now."""

    __tablename__ = "packages"
    # What is kept is counted, added up and looked through without reading every package.
    __table_args__ = (
        Index("packages_kept", "thrown_out_on", "place_id", "food_name", "food_key", "kcal", "mass_g"),
        *(
            Index(f"packages_{what}", "thrown_out_on", what)
            for what in ("cautious_end", "customary_end", "hopeful_end", "look_due", "trouble")
        ),
    )

    number: Mapped[int] = mapped_column(primary_key=True)
    batch: Mapped[int] = mapped_column(index=True)
    food_key: Mapped[str] = mapped_column(index=True)
    food_name: Mapped[str]
    form: Mapped[str]
    colour: Mapped[str]
    container_key: Mapped[str]
    closing: Mapped[str]
    outer: Mapped[bool]
    mass_g: Mapped[float]
    kcal: Mapped[float]
    packets: Mapped[dict[str, Any]]
    moisture_pct: Mapped[float]
    level: Mapped[float]
    """Share of the inner height that the food stands at, 0–1."""
    packed_on: Mapped[date]
    place_id: Mapped[int] = mapped_column(ForeignKey("places.id"), index=True)
    shelf: Mapped[int]
    q10: Mapped[float]
    cautious_days: Mapped[float | None]
    customary_days: Mapped[float | None]
    hopeful_days: Mapped[float | None]
    """Life at 21 °C by school; none for food that does not age."""
    cautious_most: Mapped[float | None]
    customary_most: Mapped[float | None]
    hopeful_most: Mapped[float | None]
    """The most days from packing that it can last, by school: what cold can stretch, oxygen, damp; none if endless."""
    cautious_end: Mapped[int | None]
    customary_end: Mapped[int | None]
    hopeful_end: Mapped[int | None]
    """The day, as a day number, before which its life cannot be over where it stands, by school."""
    used_days: Mapped[float]
    """Life used up to `stands_since`, days at 21 °C."""
    stands_since: Mapped[date]
    thrown_out_on: Mapped[date | None]
    against: Mapped[str]
    """The stop it was packed against, and why; empty if there was none."""
    look_due: Mapped[date | None]
    """The day it is to be looked over next; none if its looks are done."""
    closed: Mapped[dict[str, Any]]
    """How it was closed, so that what becomes of it can be reckoned where it is moved to; empty if nobody wrote it."""
    trouble: Mapped[str]
    """What was wrong with it at the last look, and what is to be done; empty if nothing was."""


class Photo(Base):
    """A photograph of a package. Its pixels are too many for the journal, which only says that it was taken."""

    __tablename__ = "photos"

    id: Mapped[int] = mapped_column(primary_key=True)
    package: Mapped[int] = mapped_column(index=True)
    jpeg: Mapped[bytes]


class Place(Base):
    """Somewhere packages stand."""

    __tablename__ = "places"

    id: Mapped[int] = mapped_column(primary_key=True)
    name: Mapped[str]
    sort: Mapped[str]
    shelves: Mapped[int]
    width_mm: Mapped[float]
    mean_c: Mapped[float]
    swing_c: Mapped[float]
    warmest_month: Mapped[int]
    humidity: Mapped[float]


class OwnFood(Base):
    """A food the household added to the table."""

    __tablename__ = "own_foods"

    id: Mapped[int] = mapped_column(primary_key=True)
    name: Mapped[str] = mapped_column(unique=True)
    facts: Mapped[dict[str, Any]]


class Household(Base):
    """Who eats here, and how they like to see things; one row."""

    __tablename__ = "household"

    id: Mapped[int] = mapped_column(primary_key=True)
    facts: Mapped[dict[str, Any]]


class Record(Base):
    """Something whose state is simply what was last said of it: an eater, a meal, the goal, what a word means."""

    __tablename__ = "records"

    kind: Mapped[str] = mapped_column(String(20), primary_key=True)
    number: Mapped[int] = mapped_column(primary_key=True)
    facts: Mapped[dict[str, Any]]


class DiaryDay(Base):
    """A day of the kitchen diary: what was written, and what that used of the larder."""

    __tablename__ = "diary"

    day: Mapped[date] = mapped_column(primary_key=True)
    items: Mapped[dict[str, Any]]
    used_g: Mapped[dict[str, Any]]
    """Grams used, by key of the food."""


class Price(Base):
    """A price seen: what a pack cost where, and when."""

    __tablename__ = "prices"

    id: Mapped[int] = mapped_column(primary_key=True)
    food_key: Mapped[str] = mapped_column(index=True)
    shop: Mapped[str]
    pack_g: Mapped[float]
    coins: Mapped[int]
    """In the smallest coin."""
    seen_on: Mapped[date]


class Lot(Base):
    """A batch of one food that is in the house and not packed yet: in the cupboard, or just bought."""

    __tablename__ = "lots"

    id: Mapped[int] = mapped_column(primary_key=True)
    food_key: Mapped[str] = mapped_column(index=True)
    came_g: Mapped[float]
    mass_g: Mapped[float]
    """What is left of it."""
    came_on: Mapped[date]
    coins: Mapped[int | None]
    """What it cost, in the smallest coin; none if it was not bought through the list."""
    price: Mapped[int | None]
    """The price line it was bought by."""
    frozen_on: Mapped[date | None]
    """The day it came out of the freezer, insects killed; none if it was not frozen."""
    moisture_pct: Mapped[float | None]
    """Its moisture by weight, wet basis, %; none means that of the table."""
    made: Mapped[str]
    """How it was made here: "dried", "freeze-dried" or "ground"; empty if it was bought."""
    wet_g: Mapped[float | None]
    """What it weighed fresh, if it was dried here."""
    wants_conditioning: Mapped[bool]
    conditioned_on: Mapped[date | None]
    """The day its jar was done; none if it was not conditioned."""
    story: Mapped[dict[str, Any]]
    """What was done to it, in lines as a person reads them."""
