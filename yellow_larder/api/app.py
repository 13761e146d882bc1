"""The application: routers, problem details, and the built front end, on this machine only."""

from __future__ import annotations

import time
from collections.abc import Awaitable, Callable
from pathlib import Path
from urllib.parse import urlsplit

import structlog
from fastapi import FastAPI, Request, Response
from fastapi.responses import FileResponse
from fastapi.staticfiles import StaticFiles
from starlette.middleware.gzip import GZipMiddleware
from starlette.middleware.trustedhost import TrustedHostMiddleware

from yellow_larder import __doc__ as about
from yellow_larder.api import (
    bench,
    devices,
    drying,
    freezer,
    household,
    labels,
    reference,
    rounds,
    run,
    shelves,
    storing,
    supplies,
    table,
)
from yellow_larder.api.devices import Devices, simulated_devices
from yellow_larder.api.problems import add_problem_handlers, problem
from yellow_larder.larder.larder import Larder

LARGEST_REQUEST = 8 * 1024 * 1024

_log = structlog.get_logger()


def make_app(larder: Larder, web: Path | None = None, instruments: Devices | None = None) -> FastAPI:
    """The application over one larder; with the built front end, if it is given, and simulated instruments if not."""
    app = FastAPI(title="Yellow Larder", description=about or "", version="0.1.0", docs_url="/api/docs", redoc_url=None)
    app.state.larder = larder
    app.state.devices = instruments or simulated_devices()
    add_problem_handlers(app)
    for each in (
        rounds,
        bench,
        run,
        labels,
        shelves,
        supplies,
        drying,
        freezer,
        devices,
        table,
        storing,
        reference,
        household,
    ):
        app.include_router(each.router, prefix="/api")
    app.middleware("http")(_guard)
    app.add_middleware(GZipMiddleware, minimum_size=2000, compresslevel=1)
    app.add_middleware(TrustedHostMiddleware, allowed_hosts=["127.0.0.1", "localhost"])
    if web is not None:
        _serve_web(app, web)
    return app


async def _guard(request: Request, call_next: Callable[[Request], Awaitable[Response]]) -> Response:
    """Refuse what another site's page sends, and what is too large; tell how long the rest took."""
    origin = request.headers.get("origin")
    if origin and urlsplit(origin).netloc != request.headers.get("host"):
        return problem(403, "Not from here", "Only this larder's own pages may change it")
    if int(request.headers.get("content-length") or 0) > LARGEST_REQUEST:
        return problem(413, "Too much at once", "That is more than 8 MB")
    start = time.perf_counter()
    response = await call_next(request)
    took = (time.perf_counter() - start) * 1000
    response.headers["Server-Timing"] = f"app;dur={took:.1f}"
    response.headers["X-Content-Type-Options"] = "nosniff"
    if request.method != "GET":
        _log.info("done", method=request.method, path=request.url.path, status=response.status_code, ms=round(took, 1))
    return response


def _serve_web(app: FastAPI, web: Path) -> None:
    index = web / "index.html"
    app.mount("/_app", StaticFiles(directory=web / "_app"), name="app")

    @app.get("/{path:path}", include_in_schema=False)
    def page(path: str) -> Response:
        """A file of the front end, or its one page, which finds its own way."""
        if path.startswith("api/"):
            return problem(404, "Not there", "There is nothing at this address")
        file = (web / path).resolve()
        if path and file.is_relative_to(web.resolve()) and file.is_file():
            return FileResponse(file)
        return FileResponse(index, headers={"Cache-Control": "no-cache"})
