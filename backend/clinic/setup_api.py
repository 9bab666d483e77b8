"""The first start, and the clinic's own settings."""

from django.http import HttpRequest
from ninja import Router
from pydantic import Field

from clinic import setup_actions as actions
from clinic.auth import let_in, member
from clinic.base_schema import Schema
from clinic.models import Clinic, Paper, Units
from clinic.problems import Problem
from clinic.routes import KEEPS_NO_KEY, marked
from clinic.schemas import Me
from clinic.shown import me_out
from core.child import Part

Band = tuple[float, float]
router = Router(tags=["setup"])
REFUSED = {403: Problem, 409: Problem, 422: Problem}


class SetupOut(Schema):
    """Whether a clinic can be set up, and whether the demo clinic is there."""

    open: bool
    demo: bool


class Setup(Schema):
    """The code that the start printed, the clinic, and its first lead."""

    code: str
    clinic: str = Field(max_length=120)
    time_zone: str
    paper: Paper
    units: Units = "mm"
    name: str = Field(max_length=120)
    username: str
    password: str


class ClinicOut(Schema):
    """A clinic's settings."""

    name: str
    time_zone: str
    paper: Paper
    units: Units
    keep_years: int | None
    approaches: dict[str, str]
    zones: dict[Part, Band]
    version: int
    demo: bool


class ClinicEdit(Schema):
    """Changed settings, and the version that was changed; approaches and zones that are not sent stay as they are."""

    name: str = Field(max_length=120)
    time_zone: str
    paper: Paper
    units: Units = "mm"
    keep_years: int | None = None
    approaches: dict[str, str] | None = None
    zones: dict[Part, Band] | None = None
    version: int


@router.get("/setup", auth=None, response=SetupOut)
def read_setup(request: HttpRequest) -> SetupOut:
    """Whether this Pollicor is still without a clinic."""
    demo = Clinic.objects.filter(is_demo=True).exists()
    return SetupOut(open=actions.is_open(), demo=demo)


@router.post("/setup", auth=None, response={201: Me, **REFUSED}, openapi_extra=marked(KEEPS_NO_KEY))
def set_up(request: HttpRequest, body: Setup) -> tuple[int, Me]:
    """Make the clinic and its first lead, who is signed in at once."""
    lead = actions.set_up(**body.model_dump())
    let_in(request, lead)
    return 201, me_out(lead)


@router.get("/clinic", response=ClinicOut)
def read_clinic(request: HttpRequest) -> ClinicOut:
    """The clinic's settings."""
    return clinic_out(member(request).clinic)


@router.put("/clinic", response={200: ClinicOut, **REFUSED})
def edit_clinic(request: HttpRequest, body: ClinicEdit) -> ClinicOut:
    """Change the clinic's settings; 409 where another lead did so meanwhile."""
    return clinic_out(actions.edit_clinic(member(request), **body.model_dump()))


def clinic_out(clinic: Clinic) -> ClinicOut:
    """A clinic's settings as the API shows them. demo: whether a demo clinic stands beside it."""
    beside = Clinic.objects.filter(is_demo=True).exclude(pk=clinic.pk).exists()
    return ClinicOut(
        name=clinic.name,
        time_zone=clinic.time_zone,
        paper=clinic.paper,
        units=clinic.units,
        keep_years=clinic.keep_years,
        approaches=clinic.approaches,
        zones=clinic.zones,
        version=clinic.version,
        demo=beside,
    )
