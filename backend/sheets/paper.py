"""From a page to paper: the same template for the screen and for the PDF, on A4 or Letter."""

from pathlib import Path
from typing import Any

from django.contrib.staticfiles import finders
from django.http import HttpRequest, HttpResponse
from django.template.loader import render_to_string
from django.utils import timezone
from django.utils.http import content_disposition_header

from clinic.models import Units
from core.units import in_inches

PAPERS = {"A4": "sheets/paper-a4.css", "Letter": "sheets/paper-letter.css"}
OTHER = {"A4": "Letter", "Letter": "A4"}
STYLES = Path(__file__).parent / "static"


def page(request: HttpRequest, template: str, context: dict[str, Any], paper: str, units: Units = "mm") -> HttpResponse:
    """Return a sheet as a web page, with links to its PDF, one address further, and to the other paper."""
    asked = request.GET.copy()
    asked["paper"] = paper
    pdf_url = f"{request.path}.pdf?{asked.urlencode()}"
    asked["paper"] = OTHER[paper]
    return HttpResponse(_html(template, context, paper, units, pdf_url=pdf_url, other_url=f"?{asked.urlencode()}"))


def pdf(template: str, context: dict[str, Any], paper: str, name: str, units: Units = "mm") -> HttpResponse:
    """Return a sheet as a tagged PDF. Nothing is fetched but the sheet's own style and fonts."""
    from weasyprint import CSS, HTML
    from weasyprint.text.fonts import FontConfiguration
    from weasyprint.urls import URLFetcher

    fetcher, fonts = URLFetcher(allowed_protocols={"file"}), FontConfiguration()
    styles = [
        CSS(filename=str(_style(s)), url_fetcher=fetcher, font_config=fonts)
        for s in ("sheets/print.css", PAPERS[paper])
    ]
    document = HTML(string=_html(template, context, paper, units, pdf=True), url_fetcher=fetcher)
    body = document.write_pdf(stylesheets=styles, font_config=fonts, pdf_variant="pdf/ua-1")
    answer = HttpResponse(body, content_type="application/pdf")
    disposition = content_disposition_header(as_attachment=False, filename=f"{' '.join(name.split())}.pdf")
    answer["Content-Disposition"] = disposition or "inline"
    return answer


def _style(name: str) -> Path:
    result = finders.find(name)
    return Path(result) if result else STYLES / name


def _html(template: str, context: dict[str, Any], paper: str, units: Units, **more: Any) -> str:
    text = render_to_string(
        template,
        {
            **context,
            "paper": paper,
            "other_paper": OTHER[paper],
            "paper_css": PAPERS[paper],
            "on": timezone.localdate(),
            **more,
        },
    )
    return in_inches(text) if units == "inch" else text
