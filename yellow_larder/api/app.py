"""The application: routers, problem details, and the built front end, on this machine only."""

from __future__ import annotations

import base64
import hashlib
import re
from importlib.metadata import version
from pathlib import Path

from fastapi import FastAPI, Response
from fastapi.openapi.docs import get_swagger_ui_html
from fastapi.responses import FileResponse, HTMLResponse
from fastapi.staticfiles import StaticFiles
from starlette.middleware.gzip import GZipMiddleware
from starlette.middleware.trustedhost import TrustedHostMiddleware
from starlette.types import Scope

from yellow_larder import __doc__ as about
from yellow_larder.api import (
    bench,
    coming_in,
    devices,
    drying,
    freezer,
    household,
    labels,
    places,
    reference,
    rounds,
    run,
    seeds,
    shelves,
    storing,
    supplies,
    table,
    using,
)
from yellow_larder.api.devices import Devices, simulated_devices
from yellow_larder.api.guard import Guard
from yellow_larder.api.problems import add_problem_handlers, problem
from yellow_larder.features.household.larder import Larder


def make_app(larder: Larder, web: Path | None = None, instruments: Devices | None = None) -> FastAPI:
    """The application over one larder; with the built front end, if it is given, and simulated instruments if not."""
    app = FastAPI(
        title="Yellow Larder", description=about or "", version=version("yellow-larder"), docs_url=None, redoc_url=None
    )
    app.state.larder = larder
    app.state.devices = instruments or simulated_devices()
    add_problem_handlers(app)
    # Before the months of the diary, whose addresses have a number where this has a word.
    app.include_router(using.diary, prefix="/api")
    app.include_router(using.places, prefix="/api")
    for each in (
        rounds,
        bench,
        run,
        labels,
        # Before the card of a package, whose address has a number where these have a word.
        using,
        shelves,
        seeds,
        coming_in,
        places,
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
    app.add_middleware(GZipMiddleware, minimum_size=2000, compresslevel=1)
    app.add_middleware(TrustedHostMiddleware, allowed_hosts=["127.0.0.1", "localhost"])
    app.add_middleware(Guard)
    _add_docs(app)
    if web is not None:
        _serve_web(app, web)
    return app


def _add_docs(app: FastAPI) -> None:
    """The interface described, drawn by a script that ships with the pages: nothing is fetched from elsewhere."""

    @app.get("/api/docs", include_in_schema=False)
    def docs() -> Response:
        page = get_swagger_ui_html(
            openapi_url="/openapi.json",
            title="Yellow Larder",
            swagger_js_url="/_docs/swagger-ui-bundle.js",
            swagger_css_url="/_docs/swagger-ui.css",
            swagger_favicon_url="/jar.svg",
            # Two hundred ways to ask, each unfolded, take a slow machine ten seconds.
            swagger_ui_parameters={"docExpansion": "none", "defaultModelsExpandDepth": 0},
        )
        page.headers["Content-Security-Policy"] = content_policy(bytes(page.body).decode())
        return page


def content_policy(page: str) -> str:
    """What a page may load and run: what is served here, and the scripts that are written in it.

    Example:
        >>> "sha256-" in content_policy("<script>start()</script>")
        True
    """
    inline = re.findall(r"<script(?![^>]*\ssrc=)[^>]*>(.*?)</script>", page, re.DOTALL)
    hashes = [base64.b64encode(hashlib.sha256(script.encode()).digest()).decode() for script in inline]
    return "; ".join(
        (
            "default-src 'self'",
            " ".join(("script-src 'self'", *(f"'sha256-{each}'" for each in hashes))),
            "style-src 'self' 'unsafe-inline'",
            "img-src 'self' data: blob:",
            "object-src 'none'",
            "base-uri 'none'",
            "form-action 'self'",
            "frame-ancestors 'none'",
        )
    )


class _Forever(StaticFiles):
    """Files whose names change whenever what is in them does: a browser need not ask for one twice."""

    async def get_response(self, path: str, scope: Scope) -> Response:
        """The file, to be kept for good."""
        response = await super().get_response(path, scope)
        response.headers["Cache-Control"] = "public, max-age=31536000, immutable"
        return response


def _serve_web(app: FastAPI, web: Path) -> None:
    index = web / "index.html"
    page_text = index.read_text()
    headers = {"Cache-Control": "no-cache", "Content-Security-Policy": content_policy(page_text)}
    # Known by name beforehand: what an address says is never looked for on the disk.
    files = {path.relative_to(web).as_posix(): path for path in web.rglob("*") if path.is_file() and path != index}
    app.mount("/_app/immutable", _Forever(directory=web / "_app" / "immutable", check_dir=False), name="forever")
    app.mount("/_app", StaticFiles(directory=web / "_app"), name="app")

    @app.get("/{path:path}", include_in_schema=False)
    def page(path: str) -> Response:
        """A file of the front end, or its one page, which finds its own way."""
        if path.startswith("api/"):
            return problem(404, "Not found", "There is nothing at this address")
        if path in files:
            return FileResponse(files[path])
        return HTMLResponse(page_text, headers=headers)
