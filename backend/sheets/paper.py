"""From a page to paper: the same template for the screen and for the PDF, on A4 or Letter."""

from pathlib import Path
from typing import Any

from django.contrib.staticfiles import finders
from django.http import HttpRequest, HttpResponse
from django.template.loader import render_to_string
from django.utils import timezone
from django.utils.safestring import SafeString, mark_safe

from core.drawing import Stands

PAPERS = {"A4": "sheets/paper-a4.css", "Letter": "sheets/paper-letter.css"}
STYLES = Path(__file__).parent / "static"
WIDE, TALL = 176, 78  # units of the drawing inside the table's edge
LONGEST_LABEL = 20


def page(request: HttpRequest, template: str, context: dict[str, Any], paper: str, pdf_url: str) -> HttpResponse:
    """Return a sheet as a web page."""
    return HttpResponse(_html(template, context, paper, pdf_url=f"{pdf_url}?paper={paper}"))


def pdf(template: str, context: dict[str, Any], paper: str, name: str) -> HttpResponse:
    """Return a sheet as a tagged PDF. Nothing is fetched but the sheet's own style and fonts."""
    from weasyprint import CSS, HTML
    from weasyprint.urls import URLFetcher

    fetcher = URLFetcher(allowed_protocols={"file"})
    styles = [CSS(filename=str(_style(s)), url_fetcher=fetcher) for s in ("sheets/print.css", PAPERS[paper])]
    document = HTML(string=_html(template, context, paper, pdf=True), url_fetcher=fetcher)
    body = document.write_pdf(stylesheets=styles, pdf_variant="pdf/ua-1")
    answer = HttpResponse(body, content_type="application/pdf")
    answer["Content-Disposition"] = f'inline; filename="{name}.pdf"'
    return answer


def _style(name: str) -> Path:
    result = finders.find(name)
    return Path(result) if result else STYLES / name


def _html(template: str, context: dict[str, Any], paper: str, **more: Any) -> str:
    other = "Letter" if paper == "A4" else "A4"
    return render_to_string(
        template,
        {
            **context,
            "paper": paper,
            "other_paper": other,
            "paper_css": PAPERS[paper],
            "on": timezone.localdate(),
            **more,
        },
    )


def table_drawing(stands: tuple[Stands, ...], hand: str) -> SafeString | None:
    """Return the table as the child sits at it, as SVG; None for work without a table."""
    if not stands:
        return None
    drawn = [_drawn(s) for s in stands if s.zone != "under"]
    sides = {"right": ("helper side", "skill side"), "left": ("skill side", "helper side")}.get(hand, ("", ""))
    start, goal = (
        next((d for d in drawn if d["zone"] == "start"), None),
        next((d for d in drawn if d["zone"] == "goal"), None),
    )
    arrow = f"M{start['x']:.0f} {start['y']:.0f} Q100 30 {goal['x']:.0f} {goal['y']:.0f}" if start and goal else ""
    context = {"drawn": drawn, "left_words": sides[0], "right_words": sides[1], "arrow": arrow}
    return mark_safe(render_to_string("sheets/table.svg", context))


def _drawn(s: Stands) -> dict[str, Any]:
    x, y = round(12 + WIDE * s.across), round(10 + TALL * (1 - s.away))
    where = "on the left" if s.across < 0.4 else "on the right" if s.across > 0.6 else "in the middle"
    short = s.name if len(s.name) <= LONGEST_LABEL else s.name[: LONGEST_LABEL - 1].rsplit(" ", 1)[0] + " …"
    return {
        "x": x,
        "y": y,
        "left": x - 9,
        "top": y - 7,
        "label": y + 16,
        "name": s.name,
        "short_name": short,
        "count": s.count,
        "zone": s.zone,
        "where": where,
    }
