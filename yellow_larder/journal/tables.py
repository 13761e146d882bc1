"""The journal's own tables. It is the truth; what features keep beside it is folded from it and can be folded again."""

from __future__ import annotations

from datetime import datetime
from typing import Any

from sqlalchemy import JSON, ForeignKey, Index, String
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column


class Base(DeclarativeBase):
    """All tables of the larder."""

    type_annotation_map = {dict[str, Any]: JSON, list[Any]: JSON(none_as_null=True)}  # noqa: RUF012


class Change(Base):
    """One thing a person did. Undoing it is another change, which names it."""

    __tablename__ = "changes"

    id: Mapped[int] = mapped_column(primary_key=True)
    at: Mapped[datetime] = mapped_column(index=True)
    title: Mapped[str] = mapped_column(String(300))
    """What was done, in the words of before; empty where `code` says it."""
    code: Mapped[str] = mapped_column(String(40), default="")
    """What was done, by the name that its words have."""
    figures: Mapped[dict[str, Any]] = mapped_column(default=dict)
    """What stands in those words."""
    undoes: Mapped[int | None] = mapped_column(ForeignKey("changes.id"), unique=True)


class Entry(Base):
    """What a change meant for one subject."""

    __tablename__ = "journal"
    __table_args__ = (Index("journal_subject", "kind", "subject", "change_id"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    change_id: Mapped[int] = mapped_column(ForeignKey("changes.id"), index=True)
    kind: Mapped[str] = mapped_column(String(20))
    subject: Mapped[int]
    act: Mapped[str] = mapped_column(String(20))
    version: Mapped[int] = mapped_column(default=1)
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


class Record(Base):
    """A subject whose state is one document, and is looked for by its number alone."""

    __tablename__ = "records"

    kind: Mapped[str] = mapped_column(String(20), primary_key=True)
    number: Mapped[int] = mapped_column(primary_key=True)
    facts: Mapped[dict[str, Any]]


class Attachment(Base):
    """What came with an event and is too large for the journal, which only tells of it: a photograph."""

    __tablename__ = "attachments"

    id: Mapped[int] = mapped_column(primary_key=True)
    subject: Mapped[int]
    content: Mapped[bytes]
