"""The command line: serve a larder, or the demo household's."""

from __future__ import annotations

import gc
import json
from pathlib import Path
from typing import Annotated

import typer
import uvicorn
from pydantic import Field
from pydantic_settings import BaseSettings, SettingsConfigDict
from sqlalchemy import create_engine

from yellow_larder.api.app import make_app
from yellow_larder.demo.household import furnish
from yellow_larder.larder.larder import Larder, open_larder

HOST = "127.0.0.1"
"""This machine only: a larder is nobody else's business, and there is no password."""


class _Where(BaseSettings):
    """Where things lie; each can be set in the environment, as YELLOW_LARDER_DATA and so on."""

    model_config = SettingsConfigDict(env_prefix="YELLOW_LARDER_")

    data: Path = Field(default=Path.home() / ".yellow-larder" / "larder.db")
    web: Path = Field(default=Path(__file__).parent.parent / "web" / "build")


app = typer.Typer(help=__doc__, no_args_is_help=True, add_completion=False)

DataFile = Annotated[Path | None, typer.Option(help="the larder's file")]
Port = Annotated[int, typer.Option(help="port on this machine", min=1, max=65535)]


@app.command()
def serve(data: DataFile = None, port: Port = 8790) -> None:
    """Serve your own larder."""
    _serve(open_larder(data or _Where().data), port)


@app.command()
def demo(data: DataFile = None, port: Port = 8790) -> None:
    """Serve the demo household's larder, made anew."""
    file = data or _Where().data.with_name("demo.db")
    for old in (file, file.with_name(f"{file.name}-wal"), file.with_name(f"{file.name}-shm")):
        old.unlink(missing_ok=True)
    _serve(furnish(file), port)


@app.command()
def openapi() -> None:
    """Print the OpenAPI document of the web interface."""
    typer.echo(json.dumps(make_app(_no_larder()).openapi(), indent=1, ensure_ascii=False, sort_keys=True))


def _no_larder() -> Larder:
    """A stand-in that is never asked: the document does not depend on what is in the larder."""
    return Larder(create_engine("sqlite://"))


def spare_garbage() -> None:
    """Collect garbage less eagerly: what was imported stays for good, and shelves of thousands are short-lived."""
    gc.freeze()
    gc.set_threshold(50_000, 10, 10)


def _serve(larder: Larder, port: int) -> None:
    web = _Where().web
    if not web.is_dir():
        typer.echo(f"The pages are not built yet: run “make demo”, or “npm run build” in {web.parent}", err=True)
        raise typer.Exit(1)
    spare_garbage()
    typer.echo(f"Yellow Larder is at http://{HOST}:{port}")
    uvicorn.run(make_app(larder, web), host=HOST, port=port, log_level="warning")


if __name__ == "__main__":
    app()
