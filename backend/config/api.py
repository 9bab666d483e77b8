"""The one API: its routes, and how every refusal is said."""

import re
from functools import cache
from typing import Any

from django.conf import settings
from django.core.exceptions import RequestDataTooBig
from django.http import Http404, HttpRequest, HttpResponse
from django.middleware.csrf import get_token
from ninja import NinjaAPI
from ninja.errors import AuthenticationError, HttpError, ValidationError, ValidationErrorContext
from ninja.renderers import BaseRenderer
from pydantic_core import to_json

from caseload.api import router as caseload
from caseload.care_api import router as care
from caseload.checks import FieldError, FieldErrors
from caseload.homes_api import router as homes
from clinic.actions import StaleEdit, log
from clinic.api import router as clinic
from clinic.auth import MemberAuth
from clinic.models import Member
from clinic.people_api import router as people
from clinic.permissions import NotAllowed
from clinic.problems import FieldProblem, Problem, ProblemError
from clinic.routes import SAYS_UNITS, with_mark
from clinic.second_factor_api import router as second_factor
from clinic.setup_api import router as setup
from config.incoming import GONE, CarefulParser, refusal
from config.said_units import said
from core.errors import NotThere, plainly
from core.materials import MeasureError
from core.planner import Abandoned, RequestError
from core.running import EventError
from cupboard.api import router as cupboard
from cupboard.letters_api import router as letters
from cupboard.recipes_api import router as recipes
from cupboard.stocking_api import router as stocking
from planning.api import router as planning
from planning.bag_api import router as bag
from planning.batch_api import router as batches
from planning.groups_api import router as groups
from planning.library_api import router as library
from planning.weeks_api import router as weeks
from privacy.api import router as privacy
from progress.api import router as progress
from progress.library_api import router as learned
from progress.record_api import router as records
from reference.api import router as words
from running.api import router as running
from running.look_api import router as looks
from sheets.api import router as sheets
from shelf.api import router as shelf
from shelf.loved_api import router as loved
from shelf.words_api import router as own_words
from upkeep.api import router as upkeep
from visits.api import router as visits

ANY_ROUTE = (400, 401, 403, 404, 409, 413, 422, 429)  # what any route may answer, whatever it is asked
REFUSED = {
    "description": "A problem (RFC 9457): what is wrong, why, and what to do.",
    "content": {"application/problem+json": {"schema": {"$ref": "#/components/schemas/Problem"}}},
}


class FastRenderer(BaseRenderer):
    """Writes JSON with pydantic's own writer, which knows days, times and ids."""

    media_type = "application/json"

    def render(self, request: HttpRequest, data: Any, *, response_status: int) -> bytes:
        """Return the answer as JSON."""
        return said(request, to_json(data), bool(_in_units().fullmatch(f"{request.method} {request.path}")))


class DocumentedAPI(NinjaAPI):
    """Says of every route what any route may refuse with, and that it is a problem; and keeps the value of a field that
    is refused, so that an empty one can be called empty.
    """

    def validation_error_from_error_contexts(
        self, error_contexts: list[ValidationErrorContext[Any]]
    ) -> ValidationError:
        """Return what does not fit, each with the value that came in."""
        values = [one["input"] for c in error_contexts for one in c.pydantic_validation_error.errors(include_url=False)]
        result = super().validation_error_from_error_contexts(error_contexts)
        return ValidationError([{**one, "input": v} for one, v in zip(result.errors, values, strict=True)])

    def get_openapi_schema(self, **options: Any) -> Any:
        """Return the OpenAPI document."""
        document = super().get_openapi_schema(**options)
        parts = document["components"]
        parts["schemas"].setdefault("Problem", Problem.model_json_schema(ref_template="#/components/schemas/{model}"))
        parts["responses"] = {"Refused": REFUSED}
        for described in (d for item in document["paths"].values() for d in item.values()):
            said = {int(status) for status in described["responses"] if int(status) >= 400}
            for status in sorted({*said, *ANY_ROUTE}):
                described["responses"].pop(status, None)
                described["responses"][str(status)] = {"$ref": "#/components/responses/Refused"}
        return document


api = DocumentedAPI(
    title="Pollicor",
    version="1",
    auth=MemberAuth(csrf=True),
    docs_url="/docs" if settings.DEBUG else None,
    renderer=FastRenderer(),
    parser=CarefulParser(),
)
for _router in (
    clinic,
    setup,
    people,
    second_factor,
    words,
    caseload,
    homes,
    care,
    shelf,
    own_words,
    loved,
    cupboard,
    letters,
    recipes,
    stocking,
    planning,
    library,
    weeks,
    groups,
    bag,
    batches,
    running,
    looks,
    progress,
    learned,
    records,
    visits,
    sheets,
    privacy,
    upkeep,
):
    api.add_router("", _router)


def _say(request: HttpRequest, problem: Problem) -> HttpResponse:
    response = api.create_response(request, problem.model_dump(exclude_none=True), status=problem.status)
    response["Content-Type"] = "application/problem+json"
    return response


def _problem(status: int, title: str, field: str, value: object, reason: str, remedy: str = "") -> Problem:
    return ProblemError(status, title, field, value, reason, remedy).problem


def _note(request: HttpRequest, action: str, detail: dict[str, Any]) -> None:
    """Keep in the audit log what somebody who is signed in was refused."""
    who = getattr(request, "auth", None)
    if isinstance(who, Member):
        log(who, action, who, None, {**detail, "asked": f"{request.method} {request.path}"[:200]})


@api.exception_handler(ProblemError)
def _on_problem(request: HttpRequest, error: ProblemError) -> HttpResponse:
    return _say(request, error.problem)


@api.exception_handler(FieldError)
def _on_field(request: HttpRequest, error: FieldError) -> HttpResponse:
    return _say(request, _problem(422, "Not saved", error.field, error.value, error.reason, error.remedy))


@api.exception_handler(FieldErrors)
def _on_fields(request: HttpRequest, error: FieldErrors) -> HttpResponse:
    each = [_problem(422, "Not saved", e.field, e.value, e.reason, e.remedy) for e in error.errors]
    return _say(request, each[0].model_copy(update={"fields": [f for p in each for f in p.fields]}))


@api.exception_handler(MeasureError)
@api.exception_handler(RequestError)
@api.exception_handler(EventError)
def _on_named(request: HttpRequest, error: Any) -> HttpResponse:
    return _say(request, _problem(422, "Not saved", error.field, "", str(error)))


@api.exception_handler(NotThere)
def _on_value(request: HttpRequest, error: NotThere) -> HttpResponse:
    return _say(request, _problem(422, "Not saved", "", "", str(error)))


@api.exception_handler(StaleEdit)
def _on_stale(request: HttpRequest, error: StaleEdit) -> HttpResponse:
    return _say(
        request,
        Problem(title="Changed meanwhile", status=409, detail=str(error), theirs=error.theirs, yours=error.yours),
    )


@api.exception_handler(NotAllowed)
def _on_not_allowed(request: HttpRequest, error: NotAllowed) -> HttpResponse:
    _note(request, "refused", {"action": error.action})
    return _say(request, Problem(title="Not allowed", status=403, detail=str(error)))


@api.exception_handler(AuthenticationError)
def _on_unknown(request: HttpRequest, error: AuthenticationError) -> HttpResponse:
    get_token(request)  # whoever is to sign in next needs it
    return _say(
        request, Problem(title="Not signed in", status=401, detail="You are not signed in. Sign in, then try again.")
    )


@api.exception_handler(Http404)
def _on_missing(request: HttpRequest, error: Http404) -> HttpResponse:
    _note(request, "refused.not_found", {})
    return _say(request, Problem(title="Not found", status=404, detail=str(error) or "There is nothing here."))


@api.exception_handler(RequestDataTooBig)
def _on_too_much(request: HttpRequest, error: RequestDataTooBig) -> HttpResponse:
    return refusal(413)


@api.exception_handler(Abandoned)
def _on_abandoned(request: HttpRequest, error: Abandoned) -> HttpResponse:
    return refusal(GONE)


@api.exception_handler(HttpError)
def _on_http(request: HttpRequest, error: HttpError) -> HttpResponse:
    if isinstance(error.__cause__, FieldError):  # the parser's own words
        return _on_field(request, error.__cause__)
    return _say(request, Problem(title="Not understood", status=error.status_code, detail=str(error)))


@api.exception_handler(ValidationError)
def _on_shape(request: HttpRequest, error: ValidationError) -> HttpResponse:
    fields = [_shape_problem(e) for e in error.errors]
    return _say(
        request,
        Problem(title="Not saved", status=422, detail=fields[0].reason if fields else "Not understood.", fields=fields),
    )


def _shape_problem(error: dict[str, Any]) -> FieldProblem:
    """What does not fit a field. The value is not sent back: it may be a password."""
    parts = [str(p) for p in error["loc"] if p not in ("body", "query", "path")]
    where = ".".join(p for p in parts if not p.startswith("literal["))
    where = where.split(".", 1)[1] if where.startswith("body.") else where
    reason, remedy = plainly(error["type"], error["input"], error.get("ctx", {}))
    return FieldProblem(field=where, value="", reason=reason, remedy=remedy)


@cache
def _in_units() -> re.Pattern[str]:
    """The routes that speak of the library's things and grades."""
    return with_mark(api, SAYS_UNITS)
