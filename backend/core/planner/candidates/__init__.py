"""What suits: the graded activities that may play a part for this child in this home, and what a minute of each is
worth.
"""

from core.planner.candidates.candidate import Candidate
from core.planner.candidates.pool import all_candidates, candidate, candidate_of, tidying
from core.planner.candidates.suitability import (
    DOABLE,
    OUTGROWN,
    TOO_DEMANDING,
    of_its_age,
    parts_of,
    plain_first,
    too_demanding,
)
from core.planner.candidates.together import (
    Together,
    best_each,
    enough,
    safe_for_all,
    shared_candidates,
    table_for_all,
    wanted_by,
    watched,
)
from core.planner.candidates.turns import doable_wishes, due_wishes, longest_waiting, waited_words, wishes_practised

__all__ = [
    "DOABLE",
    "OUTGROWN",
    "TOO_DEMANDING",
    "Candidate",
    "Together",
    "all_candidates",
    "best_each",
    "candidate",
    "candidate_of",
    "doable_wishes",
    "due_wishes",
    "enough",
    "longest_waiting",
    "of_its_age",
    "parts_of",
    "plain_first",
    "safe_for_all",
    "shared_candidates",
    "table_for_all",
    "tidying",
    "too_demanding",
    "waited_words",
    "wanted_by",
    "watched",
    "wishes_practised",
]
