"""Speed and memory, measured on the real server and printed: `make bench`."""

from __future__ import annotations

import gzip
import os
import re
import subprocess
import sys
import tempfile
import time
from collections.abc import Callable
from datetime import date, datetime, timedelta
from itertools import count
from pathlib import Path

import httpx
import numpy as np
import psutil
from playwright.sync_api import sync_playwright
from sqlalchemy import func, select

from yellow_larder.cli import spare_garbage
from yellow_larder.core.breathing import Breathing
from yellow_larder.core.desiccant import Damp
from yellow_larder.core.forecast import Course, Hours, Weighing, forecast
from yellow_larder.core.moisture import Henderson
from yellow_larder.core.packaging import propose
from yellow_larder.core.shelf_life import days_left
from yellow_larder.larder.asking import Ask
from yellow_larder.larder.buying import week_list
from yellow_larder.larder.cold import FreezeAsk
from yellow_larder.larder.diary import eaten_in_all
from yellow_larder.larder.freezing import plan_freeze
from yellow_larder.larder.larder import Larder, NewPlace, add_place, open_larder
from yellow_larder.larder.loading import Item, LoadAsk, plan_load
from yellow_larder.larder.meals import Meal, keep_meal
from yellow_larder.larder.packing import pack
from yellow_larder.larder.purse import set_purse
from yellow_larder.larder.storing import master_list
from yellow_larder.reference import foods
from yellow_larder.store import journal
from yellow_larder.store.database import reading, writing
from yellow_larder.store.models import DiaryDay, Package

WEB = Path(__file__).parents[1] / "web" / "build"
CHROMIUM = os.environ.get("CHROMIUM", "/usr/bin/chromium")
PORT = 8791
URL = f"http://127.0.0.1:{PORT}"


def main() -> None:
    """Print every figure beside its goal."""
    print(f"{'what':<52}{'measured':>12}{'goal':>14}")
    start = time.perf_counter()
    sum(range(20_000_000))
    print(f"{'this machine: twenty million additions':<52}{(time.perf_counter() - start) * 1000:>9.1f} ms")
    with tempfile.TemporaryDirectory() as folder:
        _served(Path(folder) / "demo.db", "demo", _demo)
        large = Path(folder) / "large.db"
        _fill(large)
        _served(large, "serve", _large)
        _table(Path(folder) / "table.db")
    _javascript()
    _core()


def _row(what: str, measured: float, goal: float, unit: str) -> None:
    print(f"{what:<52}{measured:>9.1f} {unit:<3}{'<':>6} {goal:g} {unit}{'' if measured < goal else '   MISSED'}")


def _served(file: Path, command: str, measure: object) -> None:
    args = [sys.executable, "-m", "yellow_larder.cli", command, "--data", str(file), "--port", str(PORT)]
    with subprocess.Popen(args, stdout=subprocess.DEVNULL) as process:
        try:
            for _ in range(400):
                try:
                    httpx.get(f"{URL}/api/overview")
                    break
                except httpx.TransportError:
                    time.sleep(0.05)
            measure(psutil.Process(process.pid))  # type: ignore[operator]
        finally:
            process.kill()


def _p95_ms(times: list[float]) -> float:
    return float(np.percentile(np.array(times) * 1000, 95))


def _demo(process: psutil.Process) -> None:
    with httpx.Client(base_url=URL) as client:
        times = []
        for n in range(300):
            ask = {"line": f"{5 + n * 0.07:.2f} kg pearl barley", "container": "bag-gallon", "headspace_mm": n % 60}
            start = time.perf_counter()
            client.post("/api/bench/plan", json=ask).raise_for_status()
            times.append(time.perf_counter() - start)
        _row("bench plan over HTTP, p95", _p95_ms(times), 35, "ms")
        _redrawn()
        for path in ("/api/shelves", "/api/reference", "/api/labels.pdf?number=1"):
            client.get(path).raise_for_status()
        _row("server memory on the demo", process.memory_info().rss / 2**20, 200, "MB")


def _redrawn() -> None:
    """From a key pressed on the Bench to the pixels that show the plan it brings, in a real browser."""
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=["--no-sandbox"])
        page = browser.new_page(viewport={"width": 1280, "height": 800}, locale="en-GB")
        page.goto(f"{URL}/bench")
        page.locator("#line").fill("10 kg pearl barley")
        page.get_by_role("region", name="Verdict").wait_for()
        times = page.evaluate(_REDRAW)
        browser.close()
    _row("bench change to redrawn pixels, browser, p95", float(np.percentile(np.array(times), 95)), 100, "ms")


_REDRAW = """async () => {
  const field = document.querySelector("#fill");
  const stage = document.querySelector("svg[role=group]");
  const times = [];
  for (let n = 0; n < 40; n++) {
    const before = stage.getAttribute("aria-label");
    const start = performance.now();
    field.value = `${(1.2 + n * 0.03).toFixed(2)} kg`;
    field.dispatchEvent(new Event("input", { bubbles: true }));
    while (stage.getAttribute("aria-label") === before) await new Promise(requestAnimationFrame);
    await new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
    times.push(performance.now() - start);
  }
  return times;
}"""


def _fill(file: Path) -> None:
    larder = open_larder(file)
    larder.clock = lambda: datetime.now() - timedelta(days=200)
    add_place(larder, NewPlace("Cellar", "cellar", 6, 2000, 11, 14))
    lots = ["200 kg pearl barley", "300 kg red lentils", "120 kg rolled oats", "250 kg white rice", "20 kg dried leeks"]
    packed = 0
    for n in count():
        packed += len(pack(larder, Ask(line=lots[n % len(lots)], container="bag-gallon", place=1 + n % 2)).numbers)
        if packed >= 5000:
            break
    _jars(larder, 500)
    larder.engine.dispose()


def _jars(larder: Larder, many: int) -> None:
    """So many jars of home-dried food, some days on, in one change."""
    today = datetime.now().date()
    acts = []
    for n in range(1, many + 1):
        began = today - timedelta(days=n % 6)
        lot = {"food_key": "dried-leeks", "came_g": 150.0, "came_on": began.isoformat(), "coins": None, "price": None}
        looks = [[(began + timedelta(days=day)).isoformat(), "free"] for day in range(1, n % 6)]
        jar = {"lot": n, "jar": "jar-quart", "jars": 3, "days": 7, "began": began.isoformat(), "events": looks}
        acts.append(journal.Act("lot", n, "came", lot | {"made": "dried", "wants_conditioning": True}))
        acts.append(journal.Act("jar", n, "filled", jar))
    with writing(larder.engine) as session:
        journal.record(session, "jars", acts, at=larder.clock())


def _large(_process: psutil.Process) -> None:
    with httpx.Client(base_url=URL, timeout=30) as client:
        kept = len(client.get("/api/shelves").json()["packages"])
        times = []
        for _ in range(20):
            start = time.perf_counter()
            client.get("/api/shelves").raise_for_status()
            times.append(time.perf_counter() - start)
        _row(f"shelves over HTTP, {kept:,} packages, p95", _p95_ms(times), 150, "ms")
        due = len(client.get("/api/rounds").json()["due"])
        took = _p95_of(lambda: client.get("/api/rounds").raise_for_status(), 20)
        _row(f"rounds over HTTP, {kept:,} packages, 500 jars, {due:,} due", took, 100, "ms")


def _table(file: Path) -> None:
    """200 meals of 100 foods, 2,000 packages, ten years of diary, 300 price lines."""
    larder = open_larder(file)
    chance = np.random.default_rng(1)
    keys = list(foods())[:100]
    for n in range(200):
        lines = [f"{chance.integers(20, 500)} g {foods()[key].name}" for key in chance.choice(keys, 5, replace=False)]
        keep_meal(larder, Meal(f"meal {n}", "\n".join(lines), per_month=float(chance.integers(1, 4))))
    for line in ("200 kg pearl barley", "200 kg red lentils", "100 kg rolled oats", "200 kg white rice"):
        pack(larder, Ask(line=line, container="bag-quart"))
        pack(larder, Ask(line=line, container="bag-quart"))
    _write_in_bulk(larder, chance, keys)
    set_purse(larder, "60")
    spare_garbage()
    with reading(larder.engine) as session:
        kept = session.scalar(select(func.count()).select_from(Package))
        rows = session.scalar(select(func.count()).select_from(DiaryDay))
        _row(f"diary totals, {rows:,} days", _p95_of(lambda: eaten_in_all(session, date(1990, 1, 1))), 100, "ms")
    _row(f"master list, 200 meals, {kept:,} packages", _p95_of(lambda: master_list(larder)), 50, "ms")
    _row("this week's list, 200 meals, 300 prices", _p95_of(lambda: week_list(larder), 3), 1000, "ms")
    lines = iter(f"{5 + n * 0.13:.2f} kg white rice" for n in range(1000))
    freeze = _p95_of(lambda: plan_freeze(larder, FreezeAsk(line=next(lines), container="lined-5-gallon")), 40)
    _row("freeze-kill: holds, thaw and curve", freeze, 20, "ms")
    lots = iter(f"{2 + n * 0.01:.2f} kg leeks" for n in range(1000))
    _row("a load planned", _p95_of(lambda: plan_load(larder, LoadAsk(items=(Item(line=next(lots)),))), 40), 30, "ms")
    larder.engine.dispose()


def _write_in_bulk(larder: Larder, chance: np.random.Generator, keys: list[str]) -> None:
    """Ten years of evenings and 300 prices, each kind in one change."""
    today = larder.today()
    days = [
        journal.Act(
            "diary",
            today.toordinal() - ago,
            "wrote",
            {
                "items": [{"meal": int(chance.integers(1, 200)), "name": "", "eaters": None, "line": None}],
                "used_g": {key: float(chance.integers(20, 500)) for key in chance.choice(keys, 6, replace=False)},
            },
        )
        for ago in range(3650)
    ]
    seen = [
        journal.Act(
            "price",
            n + 1,
            "seen",
            {
                "food_key": keys[n % len(keys)],
                "shop": f"shop {n // len(keys)}",
                "pack_g": float(chance.choice([500, 1000, 2500, 5000])),
                "coins": int(chance.integers(80, 2500)),
                "seen_on": today.isoformat(),
            },
        )
        for n in range(300)
    ]
    with writing(larder.engine) as session:
        for title, acts in (("ten years", days), ("prices", seen)):
            journal.record(session, title, acts, at=larder.clock())


def _p95_of(do: Callable[[], object], times: int = 10) -> float:
    took = []
    for _ in range(times):
        start = time.perf_counter()
        do()
        took.append(time.perf_counter() - start)
    return _p95_ms(took)


def _javascript() -> None:
    page = (WEB / "index.html").read_text()
    wanted, seen = re.findall(r'"(?:\.?/)?(_app/[^"]+\.js)"', page), set()
    bench = [path for path in (WEB / "_app").rglob("*.js") if "nodes" in path.parts]
    queue = [WEB / path for path in wanted] + [path for path in bench if _is_first(path)]
    size = 0
    while queue:
        path = queue.pop().resolve()
        if path in seen or not path.is_file():
            continue
        seen.add(path)
        text = path.read_text()
        size += len(gzip.compress(text.encode(), 9))
        queue += [
            path.parent / found
            for found in re.findall(r'from\s*"(\.[^"]+)"|import\s*"(\.[^"]+)"', text)
            for found in found
            if found
        ]
    _row("initial JavaScript, gzip", size / 1024, 150, "kB")


def _is_first(node: Path) -> bool:
    """The layout, the error page and the Bench: what the first page loads."""
    text = node.read_text()
    return node.stem.split(".")[0] in ("0", "1") or "What is on the bench" in text


def _core() -> None:
    many = 10_000
    chance = np.random.default_rng(1)
    used, rate, age = chance.uniform(0, 4000, many), chance.uniform(0.3, 2, many), chance.uniform(0, 8000, many)
    base = np.full(many, 9131.0)
    start = time.perf_counter()
    for _ in range(100):
        days_left(base, used, rate, age)
    _row(f"days left of {many:,} packages", (time.perf_counter() - start) * 10, 5, "ms")
    barley = Henderson(2.2919e-5, 2.0123, 195.267)
    grams, months = np.full(many, 2500.0), np.arange(1, 361) * 30.44
    damp = Damp(
        barley, grams, chance.uniform(8, 12, many), np.zeros(many), np.full(many, 0.01), np.zeros(many), 15, 0.7
    )
    air = Breathing(np.full(many, 1200.0), np.full(many, 0.207), np.full(many, 400.0), chance.uniform(0, 3, many), 15)
    for what, do in (
        ("oxygen", lambda: air.oxygen_share(months[:, None])),
        ("damp", lambda: damp.after(months)),
    ):
        _row(f"{what} of {many:,} packages over 30 years of months", _p95_of(do, 3), 1000, "ms")
    _row("12 lots × 20 containers × 200 pieces, to 0.01 %", _proposed(chance), 1000, "ms")
    apples = Course(85.56, 8, 2.5)
    weighings = [Weighing(hours, share) for hours, share in ((1, 0.79), (2.5, 0.52), (4, 0.34), (5, 0.27), (6, 0.22))]
    refit = _p95_of(lambda: forecast(apples, Hours(5, 8, 12.8), weighings), 200)
    _row("drying forecast refitted to five weighings", refit, 30, "ms")


def _proposed(chance: np.random.Generator) -> float:
    """The slowest of ten such programs."""
    took = []
    for _ in range(10):
        litres = chance.uniform(0.4, 20, 20)
        fits = chance.uniform(0.2, 0.9, (12, 1)) * litres * 1000
        mass = chance.uniform(4e3, 40e3, 12)
        costs = chance.uniform(10, 60, fits.shape) + fits * chance.choice([0, 0.02, 0.1], fits.shape)
        price, stock = 30 + litres * 30, chance.integers(0, 20, 20).astype(float)
        start = time.perf_counter()
        propose(mass, fits, costs, price, stock, np.full(20, True), kind_cost=60)
        took.append(time.perf_counter() - start)
    return max(took) * 1000


if __name__ == "__main__":
    main()
