"""Favourites of a child and of oneself, and a family's own words for a cue."""

from typing import Literal

from django.http import HttpRequest
from ninja import Router
from pydantic import Field

from caseload.queries import child_for
from clinic.auth import member
from clinic.base_schema import Schema
from clinic.problems import Problem
from shelf import loved_actions
from shelf.queries import checked_activity

router = Router(tags=["library"])
REFUSED = {403: Problem, 404: Problem, 422: Problem}


class FavouriteIn(Schema):
    """An activity the child loves, or one likes to run oneself; or no longer."""

    activity_id: str
    whose: Literal["child", "me"]
    is_favourite: bool


class FavouritesOut(Schema):
    """The lines of the child's favourites and of one's own."""

    child: list[str]
    me: list[str]


class CueIn(Schema):
    """What this family says at an activity; empty for what everybody says."""

    activity_id: str
    words: str = Field(max_length=1000)


class CueWords(Schema):
    """What this family says."""

    words: str


@router.put("/children/{child_id}/favourites", response={200: FavouritesOut, **REFUSED})
def set_favourite(request: HttpRequest, child_id: int, body: FavouriteIn) -> FavouritesOut:
    """Keep an activity among the child's favourites or one's own, or no longer."""
    who = member(request)
    child, activity = child_for(who, child_id), checked_activity(who, body.activity_id)
    if body.whose == "child":
        child = loved_actions.love(who, child, activity, body.is_favourite)
    else:
        who = loved_actions.like(who, activity, body.is_favourite)
    return FavouritesOut(child=child.favourites, me=who.favourites)


@router.put("/children/{child_id}/cue", response={200: CueWords, **REFUSED})
def set_cue(request: HttpRequest, child_id: int, body: CueIn) -> CueWords:
    """Keep what this family says at an activity."""
    who = member(request)
    child, activity = child_for(who, child_id), checked_activity(who, body.activity_id)
    child = loved_actions.set_cue(who, child, activity, body.words)
    return CueWords(words=child.own_cues.get(activity.line, ""))
