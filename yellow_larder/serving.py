"""The larder served on this machine: the port, the pages, and whoever keeps its copies meanwhile."""

from __future__ import annotations

import gc
import socket
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

import scipy.optimize  # noqa: F401 - loaded before the first packing asks for it
import typer
import uvicorn

from yellow_larder.api.app import make_app
from yellow_larder.api.devices import Devices, simulated_devices
from yellow_larder.features.household.backups import Housekeeper
from yellow_larder.features.household.larder import Larder, clock_behind
from yellow_larder.journal.database import reading
from yellow_larder.journal.file import CannotOpen, ExitCode
from yellow_larder.logs import plain_logs

HOST = "127.0.0.1"
"""This machine only: a larder is nobody else's business, and there is no password."""


class Server(uvicorn.Server):
    """The web server, which says where it is once it is there."""

    async def startup(self, sockets: list[socket.socket] | None = None) -> None:
        """Take what comes in at the sockets."""
        await super().startup(sockets)
        if sockets and self.started:
            typer.echo(f"Yellow Larder is at http://{HOST}:{sockets[0].getsockname()[1]}")


@contextmanager
def listening_at(port: int) -> Iterator[socket.socket]:
    """The port, taken before anything else is touched.

    Raises:
        CannotOpen: another program has it.
    """
    # With its protocol named, for only then asyncio sends each answer at once: an answer is two parts, and the second
    # would wait some 40 ms for word that the first has come.
    listening = socket.socket(socket.AF_INET, socket.SOCK_STREAM, socket.IPPROTO_TCP)
    listening.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
    try:
        listening.bind((HOST, port))
        listening.listen(2048)
    except OSError as error:
        listening.close()
        said = "may not be used by you" if isinstance(error, PermissionError) else "is taken by another program"
        raise CannotOpen(
            f"Port {port} {said}, perhaps another Yellow Larder. Stop it, or name another port: --port {port + 1}.",
            ExitCode.IN_USE,
        ) from error
    with listening:
        yield listening


def serve_until_stopped(larder: Larder, listening: socket.socket, web: Path, *, simulated: bool) -> None:
    """Serve a larder and the built pages.

    Args:
        larder: the larder.
        listening: where it is asked.
        web: the built pages.
        simulated: whether there are simulated instruments: in the demo, and for whoever asks for them.

    Raises:
        CannotOpen: the pages are not built.
    """
    if not (web / "index.html").is_file():
        raise CannotOpen(
            f"The pages are not built yet: run “make demo”, or “npm run build” in {web.parent}", ExitCode.NO_PAGES
        )
    with reading(larder.engine) as session:
        behind = clock_behind(session, larder.clock())
    if behind:
        typer.echo(behind, err=True)
    spare_garbage()
    app = make_app(larder, web, simulated_devices() if simulated else Devices())
    how = uvicorn.Config(app, host=HOST, port=listening.getsockname()[1], log_level="warning")
    with plain_logs(), Housekeeper(larder):
        Server(how).run([listening])


def spare_garbage() -> None:
    """Collect garbage less eagerly: what was imported stays for good, and shelves of thousands are short-lived."""
    gc.freeze()
    gc.set_threshold(50_000, 10, 10)
