import json
from pathlib import Path

import pytest
from typer.testing import CliRunner

from yellow_larder import cli
from yellow_larder.larder.larder import NewPlace, add_place, open_larder
from yellow_larder.larder.shelves import shelves

run = CliRunner()


def test_serving_without_the_built_pages_says_what_to_do(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setenv("YELLOW_LARDER_WEB", str(tmp_path / "nowhere"))
    done = run.invoke(cli.app, ["serve", "--data", str(tmp_path / "larder.db")])
    assert done.exit_code == 1
    assert "make demo" in done.output


@pytest.mark.parametrize("command", ["serve", "demo"])
def test_listens_on_this_machine_only(command: str, tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    """Whatever is asked, the server is bound to the loopback address."""
    (tmp_path / "web" / "_app").mkdir(parents=True)
    (tmp_path / "web" / "index.html").write_text("page")
    monkeypatch.setenv("YELLOW_LARDER_WEB", str(tmp_path / "web"))
    monkeypatch.setenv("YELLOW_LARDER_DATA", str(tmp_path / "mine" / "larder.db"))
    bound: dict[str, object] = {}
    monkeypatch.setattr(cli.uvicorn, "run", lambda _app, **how: bound.update(how))
    done = run.invoke(cli.app, [command, "--port", "8999"])
    assert done.exit_code == 0, done.output
    assert (bound["host"], bound["port"]) == ("127.0.0.1", 8999)
    assert "http://127.0.0.1:8999" in done.output
    assert (tmp_path / "mine").is_dir()


def test_the_demo_is_made_anew_and_leaves_ones_own_larder_alone(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    (tmp_path / "web" / "_app").mkdir(parents=True)
    monkeypatch.setenv("YELLOW_LARDER_WEB", str(tmp_path / "web"))
    monkeypatch.setenv("YELLOW_LARDER_DATA", str(tmp_path / "larder.db"))
    monkeypatch.setattr(cli.uvicorn, "run", lambda _app, **how: None)
    run.invoke(cli.app, ["serve"])
    add_place(open_larder(tmp_path / "larder.db"), NewPlace("Root cellar"))
    for _ in range(2):
        assert run.invoke(cli.app, ["demo"]).exit_code == 0
    assert [place.name for place in shelves(open_larder(tmp_path / "larder.db")).places] == ["Pantry", "Root cellar"]
    assert len(shelves(open_larder(tmp_path / "demo.db")).places) == 3


def test_the_document_of_the_interface_is_printed() -> None:
    document = json.loads(run.invoke(cli.app, ["openapi"]).output)
    assert "/api/bench/plan" in document["paths"]


@pytest.mark.parametrize("port", ["0", "70000", "many"])
def test_ports_that_are_none(port: str) -> None:
    assert run.invoke(cli.app, ["serve", "--port", port]).exit_code == 2
