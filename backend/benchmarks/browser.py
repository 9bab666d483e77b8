"""What a browser makes of the first page and of a tap, with its processor slowed four times: for the Pollicor that is
running, over loopback.

Interactive: from asking for the page to the first rest of the main thread after the list is there, no task over 50 ms
left. Shift: how much moved by itself, summed (layout instability; W3C Layout Instability). Tasks: the longest piece of
work on the main thread. Each the median of five, and the worst.
"""

from collections.abc import Callable
from pathlib import Path
from statistics import median
from typing import Any

VAR = Path(__file__).resolve().parents[2] / "var"
SLOWED = 4  # times
TIMES = 5
FLAGS = ["--disable-gpu", "--no-sandbox", "--disable-background-networking", "--no-first-run"]
WATCH = """
window.tasks = []; window.shift = 0
new PerformanceObserver(l => l.getEntries().forEach(e => tasks.push([e.startTime, e.duration])))
  .observe({type: 'longtask', buffered: true})
new PerformanceObserver(l => l.getEntries().forEach(e => { if (!e.hadRecentInput) shift += e.value }))
  .observe({type: 'layout-shift', buffered: true})
"""
REST = """async (selector) => {
  for (let i = 0; i < 3000 && !document.querySelector(selector); i += 1) await new Promise(r => setTimeout(r, 10))
  const there = performance.now()
  await new Promise(r => setTimeout(r, 500))
  const late = tasks.filter(t => t[0] + t[1] > there).map(t => t[0] + t[1])
  return {interactive: Math.max(there, ...late), shift, longest: Math.max(0, ...tasks.map(t => t[1]))}
}"""


def report(say: Callable[[str], None]) -> None:
    """Say what the first page and a tap cost in a browser; or that nothing is running."""
    from playwright.sync_api import sync_playwright

    if not (VAR / "server.port").exists():
        say("browser: nothing is running; ./pollicor start, then again")
        return
    address = f"http://127.0.0.1:{(VAR / 'server.port').read_text().strip()}"
    password = (VAR / "secrets" / "demo-password").read_text().strip()
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path="/usr/bin/chromium", args=FLAGS)
        page = browser.new_page(base_url=address, viewport={"width": 390, "height": 844})
        page.add_init_script(WATCH)
        _sign_in(page, password)
        page.context.new_cdp_session(page).send("Emulation.setCPUThrottlingRate", {"rate": SLOWED})
        first = [_first_page(page) for _ in range(TIMES)]
        say(f"browser, first page at 390 px, processor slowed {SLOWED} times: {_said(first)}")
        for name in ("a child", "activities"):
            say(f"browser, {name}: {_said([_open(page, name) for _ in range(TIMES)])}")
        say(f"browser, a tap on a filter of the list: {_said_tap([_tap(page) for _ in range(TIMES)])}")
        browser.close()


def _tap(page: Any) -> float:
    """The longest task from a tap on a filter until the list rests again, in ms; 0 for none over 50."""
    page.goto("/children/1/library")
    page.evaluate(REST, "button.name")
    page.evaluate("tasks.length = 0")
    page.get_by_role("button", name="Grasp").click()
    page.wait_for_timeout(700)
    return float(page.evaluate("Math.max(0, ...tasks.map(t => t[1]))"))


def _said_tap(longest: list[float]) -> str:
    return f"longest task {median(longest):.0f} ms (worst {max(longest):.0f})"


def _sign_in(page: Any, password: str) -> None:
    page.goto("/sign-in")
    page.get_by_label("Name").fill("maren")
    page.get_by_label("Password").fill(password)
    page.get_by_role("button", name="Sign in").click()
    page.wait_for_url(lambda url: "sign-in" not in url)


def _first_page(page: Any) -> dict[str, float]:
    page.goto("/", wait_until="domcontentloaded")
    result: dict[str, float] = page.evaluate(REST, "li a[href^='/children/']")
    return result


def _open(page: Any, name: str) -> dict[str, float]:
    page.goto("/children/1" if name == "a child" else "/children/1/library", wait_until="domcontentloaded")
    result: dict[str, float] = page.evaluate(REST, "button.ladder" if name == "a child" else "button.name")
    return result


def _said(measured: list[dict[str, float]]) -> str:
    def both(key: str, digits: int = 0) -> str:
        values = [m[key] for m in measured]
        return f"{median(values):.{digits}f} (worst {max(values):.{digits}f})"

    return f"interactive {both('interactive')} ms, shift {both('shift', 3)}, longest task {both('longest')} ms"
