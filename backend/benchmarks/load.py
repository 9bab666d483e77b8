"""How long a tap takes while others plan, print or read, and what two hundred people at once get: for the Pollicor that
is running here with its demo clinic (./pollicor start). Ratios are to ten tablets alone, on the same machine.
"""

import json
import threading
from collections import defaultdict
from collections.abc import Callable
from datetime import UTC, datetime
from http.client import HTTPConnection, HTTPException
from http.cookies import SimpleCookie
from pathlib import Path
from random import Random
from statistics import median, quantiles
from time import monotonic, sleep
from typing import Any
from uuid import uuid4

VAR = Path(__file__).resolve().parents[2] / "var"
SECONDS = 20  # of each measurement
TABLETS = 10
USERS = 200  # of the mix: of ten, four tap, three browse, two or three turn dials, and every twentieth plans
ARRIVING = 15  # seconds until all of them have
WISH = {"minutes": 30, "targets": ["grasp", "bilateral"]}
Times = dict[str, list[float]]


class Asker:
    """One person's connection: signed in by a session that all of them share, since signing in is dear on purpose."""

    def __init__(self, port: int, cookies: dict[str, str]) -> None:
        self.port, self.cookies = port, cookies
        self.connection = HTTPConnection("127.0.0.1", port, timeout=60)

    def __call__(self, method: str, path: str, body: Any = None) -> tuple[int, Any]:
        """Return the status and what came back."""
        headers = {
            "Content-Type": "application/json",
            "X-CSRFToken": self.cookies.get("csrftoken", ""),
            "Cookie": "; ".join(f"{k}={v}" for k, v in self.cookies.items()),
        }
        data = None if body is None else json.dumps(body).encode()
        for again in (True, False):
            try:
                self.connection.request(method, f"/api{path}", data, headers)
                answer = self.connection.getresponse()
                content = answer.read()
                break
            except (HTTPException, OSError):  # a connection that was kept too long is opened anew, once
                self.connection.close()
                if not again:
                    return 0, None
        for line in answer.headers.get_all("Set-Cookie", []):
            self.cookies |= {k: m.value for k, m in SimpleCookie(line).items()}
        kind = answer.headers.get("Content-Type", "")
        return answer.status, json.loads(content) if content and "json" in kind else None


class Clinic:
    """The demo clinic as the askers know it: its children and a run for each tablet."""

    def __init__(self, port: int, password: str) -> None:
        self.port = port
        ask = Asker(port, {})
        ask("GET", "/me")  # a no that brings the token
        status, _ = ask("POST", "/session", {"username": "maren", "password": password})
        if status != 200:
            raise RuntimeError(f"maren could not sign in: {status}")
        self.cookies = ask.cookies
        self.children = [c for c in ask("GET", "/caseload")[1]["children"] if c["last_on"]]
        self.homes = {c["id"]: ask("GET", f"/children/{c['id']}")[1]["home_id"] for c in self.children}
        self.plans = [p for c in self.children for p in ask("GET", f"/children/{c['id']}/plans?limit=3")[1]]

    def asker(self) -> Asker:
        """One more person."""
        return Asker(self.port, dict(self.cookies))

    def run(self, ask: Asker, at: int) -> dict[str, Any]:
        """A run of its own."""
        plan = self.plans[at % len(self.plans)]["id"]
        return ask("POST", f"/plans/{plan}/runs", {"id": str(uuid4())})[1]  # type: ignore[no-any-return]


def report(say: Callable[[str], None]) -> None:
    """Say what taps cost beside other work, and what two hundred people get; or that nothing is running."""
    if not (VAR / "server.port").exists():
        say("load: nothing is running; ./pollicor start, then again")
        return
    clinic = Clinic(int((VAR / "server.port").read_text()), (VAR / "secrets" / "demo-password").read_text().strip())
    _taps(clinic, 3, {})  # warm
    alone = _taps(clinic, SECONDS, {})
    say(f"load, {TABLETS} tablets alone, a tap a second: {_said(alone)}")
    for words, others in (
        ("1 planning without pause", {"plan": 1}),
        ("4 planning", {"plan": 4}),
        ("2 printing", {"pdf": 2}),
    ):
        beside = _taps(clinic, SECONDS, others)
        times = median(beside["tap"]) / median(alone["tap"])
        say(f"load, beside {words}: {_said(beside)}; tap p50 {times:.1f} times that alone")
    mixed = _mix(clinic, 2 * SECONDS)
    p95 = _p95(mixed["tap"]) / _p95(alone["tap"])
    say(f"load, {USERS} people at once: {_said(mixed)}; tap p95 {p95:.1f} times that of ten tablets alone")


def _taps(clinic: Clinic, seconds: float, others: dict[str, int]) -> Times:
    """Ten tablets, a tap a second each, beside so many who plan or print without a pause."""
    jobs: list[tuple[str, float]] = [("tap", 1.0)] * TABLETS + [(k, 0.0) for k, n in others.items() for _ in range(n)]
    return _play(clinic, seconds, jobs)


def _mix(clinic: Clinic, seconds: float) -> Times:
    """People as a clinic has them: each does one kind of thing every three seconds, planners every twenty. Counted once
    all have arrived: eighty who begin a session in the same moment are no day's work.
    """
    shares = [("tap", 3.0)] * 8 + [("browse", 3.0)] * 6 + [("dial", 3.0)] * 5 + [("plan", 20.0)]
    return _play(clinic, seconds, [shares[i % len(shares)] for i in range(USERS)], ARRIVING)


def _play(clinic: Clinic, seconds: float, jobs: list[tuple[str, float]], arriving: float = 0.0) -> Times:
    """Let everybody work until the time is over; what took how long, and under “failed” what was not answered well."""
    took: Times = defaultdict(list)
    begin = monotonic() + arriving
    span = (begin, begin + seconds)
    threads = [threading.Thread(target=_one, args=(clinic, i, *job, span, took)) for i, job in enumerate(jobs)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    return took


def _one(clinic: Clinic, at: int, kind: str, pause: float, span: tuple[float, float], took: Times) -> None:
    ask, random = clinic.asker(), Random(at)
    child = clinic.children[at % len(clinic.children)]["id"]
    home = clinic.homes[child]
    run = clinic.run(ask, at) if kind == "tap" else None
    sleep(random.random() * pause)
    while monotonic() < span[1]:
        began = monotonic()
        status = _do(ask, kind, child, home, run, clinic, random)
        if began >= span[0]:
            took[kind if status in (200, 201) else "failed"].append(monotonic() - began)
        sleep(max(0.0, pause - (monotonic() - began)))


def _do(ask: Asker, kind: str, child: int, home: int, run: Any, clinic: Clinic, random: Random) -> int:
    if kind == "tap":
        block = run["blocks"][0]
        value = {"outcome": "success", "support": "alone", "grade": block["grade"], "hand": "right"}
        event = {"id": str(uuid4()), "block": block["id"], "kind": "try", "value": value}
        event["at"] = datetime.now(UTC).isoformat()
        return ask("POST", f"/runs/{run['id']}/events", [event])[0]
    if kind == "dial":
        body = {"part": "main", "activity_id": "peg_fence", "grade": [0, 0, 0], "sets": 1, "locked": False}
        body["grade"] = [random.randrange(2) for _ in range(3)]
        return ask("POST", f"/children/{child}/forecast?home_id={home}", body)[0]
    if kind == "plan":
        return ask("POST", f"/children/{child}/plans", {**WISH, "home_id": home})[0]
    if kind == "pdf":
        return ask("GET", f"/plans/{random.choice(clinic.plans)['id']}/sheet.pdf")[0]
    return ask("GET", random.choice(["/caseload", f"/children/{child}", f"/children/{child}/progress"]))[0]


def _p95(seconds: list[float]) -> float:
    return quantiles(seconds, n=20)[-1] if len(seconds) > 1 else seconds[0]


def _said(took: Times) -> str:
    each = ", ".join(
        f"{kind} {1000 * median(t):.0f}/{1000 * _p95(t):.0f} ms ({len(t)})" for kind, t in sorted(took.items()) if t
    )
    return f"p50/p95 {each}"
