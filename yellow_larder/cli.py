"""The command line: serve a larder or the demo household's, keep copies of it, and check it.

Ends with 0 if all went well, 2 if the command was not understood, and else as BSD's sysexits: 65 the file is no
larder or is damaged, 66 it is not there, 69 the pages are not built, 73 it cannot be made, 74 it cannot be written,
75 it or the port is in use, 77 it may not be read or written, 78 it is of a newer version.

What only serving needs is imported by the commands that serve: a copy is made and checked without the web server.
"""

from __future__ import annotations

import json
import os
import signal
import sqlite3
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Annotated, NoReturn

import typer
from pydantic import Field, field_validator
from pydantic_settings import BaseSettings, SettingsConfigDict
from sqlalchemy import create_engine
from sqlalchemy.exc import SQLAlchemyError

from yellow_larder.features.household.backups import keep_copy, restore_copy, summary_of, what_is_wrong
from yellow_larder.features.household.larder import Larder, open_larder
from yellow_larder.journal.backups import BadCopy
from yellow_larder.journal.file import CannotOpen, ExitCode


class _Where(BaseSettings):
    """Where things lie; each can be set in the environment, as YELLOW_LARDER_DATA and so on."""

    model_config = SettingsConfigDict(env_prefix="YELLOW_LARDER_")

    data: Path = Field(default=Path.home() / ".yellow-larder" / "larder.db")
    web: Path = Field(default=Path(__file__).parent.parent / "web" / "build")

    @field_validator("data", mode="before")
    @classmethod
    def _said(cls, data: object) -> object:
        if data == "":
            raise CannotOpen(
                "YELLOW_LARDER_DATA is set but empty. Set it to the larder's file, or unset it "
                "to use ~/.yellow-larder/larder.db.",
                ExitCode.CANNOT_CREATE,
            )
        return data


app = typer.Typer(help=__doc__, no_args_is_help=True, add_completion=False)

DataFile = Annotated[Path | None, typer.Option(help="the larder's file")]
Port = Annotated[int, typer.Option(help="port on this machine", min=1, max=65535)]
CopyFile = Annotated[Path, typer.Argument(metavar="COPY", help="the copy's file", show_default=False)]


@app.command()
def serve(
    data: DataFile = None,
    port: Port = 8790,
    simulated: Annotated[
        bool, typer.Option("--simulated", help="with a simulated scale, hygrometer and label printer")
    ] = False,
) -> None:
    """Serve your own larder."""
    from yellow_larder.serving import listening_at, serve_until_stopped

    with _in_words(), _stopped_cleanly(), listening_at(port) as listening, open_larder(_file(data)) as larder:
        serve_until_stopped(larder, listening, _Where().web, simulated=simulated)


@app.command()
def demo(data: DataFile = None, port: Port = 8790) -> None:
    """Serve the demo household's larder, made anew in a file of its own; no other file is touched."""
    from yellow_larder.demo.household import make_anew
    from yellow_larder.serving import listening_at, serve_until_stopped

    with _in_words(), _stopped_cleanly(), listening_at(port) as listening:
        file = data or _file(None).with_name("demo.db")
        with make_anew(file) as larder:
            serve_until_stopped(larder, listening, _Where().web, simulated=True)


@app.command()
def backup(
    copy: CopyFile,
    data: DataFile = None,
    gently: Annotated[bool, typer.Option("--gently", help="yield to everything else on this machine")] = False,
) -> None:
    """Write a safe copy of the larder, in use or not, and check it."""
    with _in_words():
        if gently and hasattr(os, "nice"):
            os.nice(15)
        file = _file(data)
        typer.echo(f"{keep_copy(file, copy)}\nWritten to {copy} and checked: all well.")


@app.command()
def restore(
    copy: CopyFile,
    data: DataFile = None,
    yes: Annotated[bool, typer.Option("--yes", help="do not ask")] = False,
) -> None:
    """Put a safe copy in the place of the larder; what it replaces is kept."""
    with _in_words():
        file = _file(data)
        typer.echo(f"In the copy:\n{summary_of(copy)}")
        if file.exists():
            typer.echo(f"It would replace:\n{summary_of(file, whole=False)}")
        if not yes and not typer.confirm("Restore it?"):
            typer.echo("Nothing was changed.")
            raise typer.Exit
        kept = restore_copy(copy, file)
        typer.echo(f"Restored to {file}." + (f" What was there is kept as {kept}." if kept else ""))


@app.command()
def check(data: DataFile = None) -> None:
    """Check the larder's file, and that its tables are what its journal says; differences are named."""
    with _in_words():
        file = _file(data)
        wrong = what_is_wrong(file)
        for each in wrong:
            typer.echo(each)
        if wrong:
            _fail(f"{file}: {len(wrong)} found. Keep it as it is, and restore the newest copy.", ExitCode.NOT_A_LARDER)
        typer.echo(f"{file} is whole, and its tables are what its journal says.")


@app.command()
def openapi() -> None:
    """Print the OpenAPI document of the web interface."""
    from yellow_larder.api.app import make_app

    typer.echo(json.dumps(make_app(_no_larder()).openapi(), indent=1, ensure_ascii=False, sort_keys=True))


def _file(data: Path | None) -> Path:
    return data or _Where().data


def _no_larder() -> Larder:
    """A stand-in that is never asked: the document does not depend on what is in the larder."""
    return Larder(create_engine("sqlite://"))


@contextmanager
def _in_words() -> Iterator[None]:
    """Say in a sentence what stops a command, and end as it is customary."""
    try:
        yield
    except CannotOpen as error:
        _fail(error.message, error.code)
    except BadCopy as error:
        named = "\n".join(error.wrong)
        _fail(f"The copy is not good, and was not kept:\n{named}", ExitCode.NOT_A_LARDER)
    except (OSError, sqlite3.Error, SQLAlchemyError) as error:
        cause = getattr(error, "orig", None) or error
        said = getattr(cause, "strerror", None) or str(cause)
        _fail(f"It cannot be written or read: {said}. Is the disk full, or the stick gone?", ExitCode.CANNOT_WRITE)


def _fail(says: str, code: ExitCode) -> NoReturn:
    typer.echo(says, err=True)
    raise typer.Exit(code)


@contextmanager
def _stopped_cleanly() -> Iterator[None]:
    """A signal to stop ends the command by way of everything that is to be closed: the web server raises it anew."""

    def stop(*_: object) -> NoReturn:
        raise typer.Exit

    signals = [signal.SIGTERM, signal.SIGINT, *([signal.SIGHUP] if hasattr(signal, "SIGHUP") else [])]
    before = {each: signal.signal(each, stop) for each in signals}
    try:
        yield
    finally:
        for each, handler in before.items():
            signal.signal(each, handler)


if __name__ == "__main__":
    app()
