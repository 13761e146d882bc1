import asyncio
import json
import os
import signal
import socket
import subprocess
import sys
from collections.abc import Iterator
from pathlib import Path

import pytest
from typer.testing import CliRunner

from tests.conftest import Clock
from tests.support.alone import alone
from tests.support.asking import asking
from yellow_larder import cli, serving
from yellow_larder.demo.household import make_anew
from yellow_larder.features.household.larder import open_larder
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.shelves.shelves import shelves
from yellow_larder.journal.file import CannotOpen, ExitCode

run = CliRunner()


@pytest.fixture
def web(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> Path:
    """Pages as if they were built."""
    web = tmp_path / "web"
    (web / "_app").mkdir(parents=True)
    (web / "index.html").write_text("page")
    monkeypatch.setenv("YELLOW_LARDER_WEB", str(web))
    return web


@pytest.fixture
def served(monkeypatch: pytest.MonkeyPatch) -> list[socket.socket]:
    """Sockets that servers were to run on; none of them runs."""
    on: list[socket.socket] = []
    monkeypatch.setattr(serving.Server, "run", lambda _self, sockets: on.append(sockets[0].getsockname()))
    return on


def free_port() -> int:
    with socket.socket() as found:
        found.bind(("127.0.0.1", 0))
        return int(found.getsockname()[1])


def test_serving_without_the_built_pages_says_what_to_do(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setenv("YELLOW_LARDER_WEB", str(tmp_path / "nowhere"))
    done = run.invoke(cli.app, ["serve", "--data", str(tmp_path / "larder.db"), "--port", str(free_port())])
    assert done.exit_code == ExitCode.NO_PAGES
    assert "make demo" in done.output


def test_answers_are_sent_at_once() -> None:
    """No part of an answer waits in the machine until the part before it is acknowledged."""
    at_once: list[bool] = []

    async def answer(_: asyncio.StreamReader, writer: asyncio.StreamWriter) -> None:
        accepted = writer.get_extra_info("socket")
        at_once.append(bool(accepted.getsockopt(socket.IPPROTO_TCP, socket.TCP_NODELAY)))
        writer.close()

    async def ask(listening: socket.socket) -> None:
        async with await asyncio.start_server(answer, sock=listening):
            reader, writer = await asyncio.open_connection(*listening.getsockname())
            await reader.read()
            writer.close()

    with serving.listening_at(free_port()) as listening:
        alone(lambda: ask(listening))
    assert at_once == [True]


@pytest.mark.parametrize("command", ["serve", "demo"])
def test_listens_on_this_machine_only(
    command: str, tmp_path: Path, web: Path, served: list[object], monkeypatch: pytest.MonkeyPatch
) -> None:
    """Whatever is asked, the server is bound to the loopback address."""
    monkeypatch.setenv("YELLOW_LARDER_DATA", str(tmp_path / "mine" / "larder.db"))
    port = free_port()
    done = run.invoke(cli.app, [command, "--port", str(port)])
    assert done.exit_code == 0, done.output
    assert served == [("127.0.0.1", port)]
    assert (tmp_path / "mine").is_dir()


def test_the_demo_is_made_anew_and_leaves_ones_own_larder_alone(
    tmp_path: Path, web: Path, served: list[object], monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setenv("YELLOW_LARDER_DATA", str(tmp_path / "larder.db"))
    run.invoke(cli.app, ["serve", "--port", str(free_port())])
    before = (tmp_path / "larder.db").read_bytes()
    for _ in range(2):
        assert run.invoke(cli.app, ["demo", "--port", str(free_port())]).exit_code == 0
        with open_larder(tmp_path / "demo.db") as demo:
            assert len(shelves(demo).places) == 4
            pack(demo, Ask(line="2 kg pearl barley"))
    assert (tmp_path / "larder.db").read_bytes() == before
    assert not list(tmp_path.glob("*.making*"))


def test_a_demo_refuses_a_file_that_is_no_demo(tmp_path: Path, new_file: Path) -> None:
    """“demo --data FILE” once deleted FILE."""
    mine = tmp_path / "mine.db"
    mine.write_bytes(new_file.read_bytes())
    with pytest.raises(CannotOpen, match="is no demo"):
        make_anew(mine)
    assert mine.read_bytes() == new_file.read_bytes()
    (tmp_path / "letter.txt").write_text("dear")
    with pytest.raises(CannotOpen, match="not a larder"):
        make_anew(tmp_path / "letter.txt")
    assert (tmp_path / "letter.txt").read_text() == "dear"
    assert sorted(each.name for each in tmp_path.iterdir()) == ["letter.txt", "mine.db"]


def test_a_demo_refuses_a_file_of_an_older_version(tmp_path: Path) -> None:
    import gzip

    old = tmp_path / "old.db"
    old.write_bytes(gzip.decompress((Path(__file__).parent / "journal" / "files" / "larder-0007.db.gz").read_bytes()))
    with pytest.raises(CannotOpen, match="is no demo"):
        make_anew(old)


def test_a_taken_port_is_said_before_anything_is_touched(tmp_path: Path, web: Path) -> None:
    with socket.socket() as taken:
        taken.bind(("127.0.0.1", 0))
        taken.listen()
        port = taken.getsockname()[1]
        for command in ("serve", "demo"):
            done = run.invoke(cli.app, [command, "--data", str(tmp_path / "larder.db"), "--port", str(port)])
            assert done.exit_code == ExitCode.IN_USE
            assert done.output.startswith(f"Port {port} is taken by another program")
            assert "Yellow Larder is at" not in done.output
    assert not (tmp_path / "larder.db").exists()


def test_an_empty_setting_is_said(monkeypatch: pytest.MonkeyPatch, web: Path) -> None:
    monkeypatch.setenv("YELLOW_LARDER_DATA", "")
    done = run.invoke(cli.app, ["serve", "--port", str(free_port())])
    assert done.exit_code == ExitCode.CANNOT_CREATE
    assert done.output.startswith("YELLOW_LARDER_DATA is set but empty.")


def test_a_bad_file_is_one_sentence_not_a_traceback(tmp_path: Path, web: Path) -> None:
    (tmp_path / "notes.txt").write_text("dear diary")
    for command in (["serve", "--port", str(free_port())], ["check"], ["backup", str(tmp_path / "copy.db")]):
        done = run.invoke(cli.app, [*command, "--data", str(tmp_path / "notes.txt")])
        assert done.exit_code == ExitCode.NOT_A_LARDER
        assert len(done.output.splitlines()) == 1
        assert "Traceback" not in done.output


def test_backup_and_restore(tmp_path: Path, new_file: Path) -> None:
    mine, copy = tmp_path / "mine.db", tmp_path / "stick.db"
    mine.write_bytes(new_file.read_bytes())
    done = run.invoke(cli.app, ["backup", str(copy), "--data", str(mine)])
    assert done.exit_code == 0, done.output
    assert "Our larder: 0 packages, 1 changes" in done.output
    with open_larder(mine, Clock()) as larder:
        pack(larder, Ask(line="10 kg pearl barley"))
    declined = run.invoke(cli.app, ["restore", str(copy), "--data", str(mine)], input="n\n")
    assert "In the copy:\n  Our larder: 0 packages" in declined.output
    assert "It would replace:\n  Our larder: 4 packages" in declined.output
    assert "Nothing was changed." in declined.output
    restored = run.invoke(cli.app, ["restore", str(copy), "--data", str(mine), "--yes"])
    assert restored.exit_code == 0, restored.output
    assert "What was there is kept as" in restored.output
    with open_larder(mine) as larder:
        assert shelves(larder).packages == []


def test_check_names_differences(tmp_path: Path, new_file: Path) -> None:
    import sqlite3

    mine = tmp_path / "mine.db"
    mine.write_bytes(new_file.read_bytes())
    assert run.invoke(cli.app, ["check", "--data", str(mine)]).exit_code == 0
    database = sqlite3.connect(mine)
    database.execute("UPDATE places SET mean_c = 40")
    database.commit()
    database.close()
    done = run.invoke(cli.app, ["check", "--data", str(mine)])
    assert done.exit_code == ExitCode.NOT_A_LARDER
    assert "place 1, mean_c: is 40.0, the journal says 18" in done.output


def test_the_command_says_how_it_ends() -> None:
    """Every exit code stands in the help."""
    said = run.invoke(cli.app, ["--help"]).output
    assert all(str(code.value) in said for code in ExitCode)


def test_openapi_prints_the_document() -> None:
    document = json.loads(run.invoke(cli.app, ["openapi"]).output)
    assert document["info"]["title"] == "Yellow Larder"
    assert "/api/bench/plan" in document["paths"]


@pytest.mark.parametrize("port", ["0", "70000", "many"])
def test_ports_that_are_none(port: str) -> None:
    assert run.invoke(cli.app, ["serve", "--port", port]).exit_code == 2


@pytest.fixture
def process(tmp_path: Path, web: Path) -> Iterator[tuple[subprocess.Popen[str], str]]:
    """A larder served by a process of its own."""
    port = free_port()
    command = [sys.executable, "-m", "yellow_larder.cli", "serve", "--port", str(port)]
    environment = os.environ | {"YELLOW_LARDER_DATA": str(tmp_path / "larder.db")}
    with subprocess.Popen(
        command, env=environment, stdout=subprocess.PIPE, stderr=subprocess.STDOUT, text=True
    ) as server:
        assert server.stdout is not None
        assert server.stdout.readline() == f"Yellow Larder is at http://127.0.0.1:{port}\n"
        yield server, f"http://127.0.0.1:{port}"
        server.kill()


def test_it_is_there_when_it_says_so_and_ends_cleanly(
    process: tuple[subprocess.Popen[str], str], tmp_path: Path
) -> None:
    """Stopped by a signal, it leaves one file that holds everything, and nobody else may use it while it runs."""
    server, url = process
    assert asking.post(f"{url}/api/bench/pack", json={"ask": {"line": "10 kg pearl barley"}}).status_code == 201
    second = run.invoke(cli.app, ["serve", "--data", str(tmp_path / "larder.db"), "--port", str(free_port())])
    assert second.exit_code == ExitCode.IN_USE
    assert f"process {server.pid}, since" in second.output
    assert (
        run.invoke(cli.app, ["backup", str(tmp_path / "copy.db"), "--data", str(tmp_path / "larder.db")]).exit_code == 0
    )
    server.send_signal(signal.SIGTERM)
    server.wait(timeout=60)
    assert not list(tmp_path.glob("larder.db-*"))
    for file in (tmp_path / "larder.db", tmp_path / "copy.db"):
        with open_larder(file) as larder:
            assert len(shelves(larder).packages) == 4
