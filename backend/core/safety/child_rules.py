"""Hazard rules of one thing for this very child: allergies, wishes, precautions, an adult far away.

Common practice, no source, unless a rule says otherwise.
"""

from collections.abc import Iterator
from dataclasses import replace

from core.child import ALLERGENS, MOUTHING_MONTHS, Child, Setting
from core.materials import Thing
from core.safety.thing_rules import LONG_CORD_MM, SMALL_ALONE_MONTHS, SMALL_PART_MONTHS, small_piece
from core.safety.verdicts import COMMON, MEMORY, RANK, RULES, Finding, rule

BOX_MONTHS = 48  # months: no independent box under this; common practice
PULL_APART_NEWTON = 10  # N: nothing pulled apart above this with loose joints; common practice
RUBBER_BANDS = frozenset({"ring"})  # forms stretched over fingers
WISH = "This is what the family or the child wants. If that changes, change the profile."
LABEL = "Read the label, and say what it says at its line of the cupboard."
ALLERGIC = "This is an allergy. Change the profile if the child's doctor says it is none."


@rule("swallowing", "thing", COMMON, "food, dough or small parts with a swallowing precaution", in_reach=True)
def _swallowing(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    if "swallowing" not in c.precautions:
        return
    what = (
        "Food"
        if m.food or m.made_of_food
        else "A drink"
        if "carton" in m.forms
        else "Dough"
        if "dough" in m.forms
        else "A small part"
        if small_piece(m)
        else ""
    )
    if what:
        yield Finding(
            "barred",
            f"{what}, and this child has trouble swallowing.",
            "Use a thing that is too big to swallow, and this child's own kit.",
            law=c.age_months < SMALL_PART_MONTHS,
        )


@rule(
    "chewing",
    "thing",
    COMMON,
    "what a child of school age chews: a tool in the hand, soft and small pieces",
    in_reach=False,
)
def _chewing(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    if not c.chews:
        return
    if small_piece(m) or m.friable or "dough" in m.forms:
        yield Finding(
            "caution",
            "This child chews, and a piece of it may come off or be swallowed.",
            "Something of the child's own to chew at hand; pieces counted back in.",
            "room",
        )
    elif m.pointed or m.forms & {"pen", "stick", "spoon", "fork"}:
        yield Finding(
            "caution",
            "This child chews what is in the hand.",
            "Something of the child's own to chew at hand; ends looked at before and after, no loose caps.",
        )


@rule(
    "food_policy", "thing", "family's wish", "the family's own policy on food as a material", in_reach=False, fixed=WISH
)
def _food_policy(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    if (m.food or m.made_of_food) and not c.food_as_material:
        yield Finding(
            "barred",
            "This family does not use food as a material.",
            "Use leaves, paper shreds, pom-poms or another thing that is not food.",
        )


@rule("allergy", "thing", COMMON, "allergen contact, with what to offer instead", in_reach=True, fixed=ALLERGIC)
def _allergy(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    present = set(m.allergens) | ({"latex"} if m.latex else set())
    for allergen in sorted(present & c.allergies):
        yield Finding(
            "barred",
            f"{m.name} may carry {ALLERGENS[allergen]}, and this child is allergic to it.",
            m.instead or "Choose the same thing made of something else.",
        )


@rule(
    "allergy_perhaps",
    "thing",
    COMMON,
    "crayons, coins and other things of which some makes hold an allergen: the label says",
    in_reach=True,
    fixed=LABEL,
)
def _allergy_perhaps(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    for allergen in sorted(m.allergens_perhaps & c.allergies - m.allergens):
        yield Finding(
            "barred",
            f"Some {m.many} hold {ALLERGENS[allergen]}, and this child is allergic to it.",
            "Read the label, or ask the maker; then say at its line in the cupboard what it says.",
        )


@rule(
    "latex_perhaps",
    "thing",
    COMMON,
    "elastic and bulbs that often hold latex: the label says",
    in_reach=True,
    fixed=LABEL,
)
def _latex_perhaps(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    if m.latex_perhaps and not m.latex and "latex" in c.allergies:
        yield Finding(
            "barred",
            f"{m.name} often hold natural rubber, and this child is allergic to latex.",
            "Use one whose label says latex-free; then say so at its line in the cupboard.",
        )


@rule(
    "other_allergy",
    "thing",
    COMMON,
    "other allergies in the family's words: what is eaten, kneaded or stuck",
    in_reach=True,
    fixed=ALLERGIC,
)
def _other_allergy(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    for what in c.other_allergies:
        if what.lower() in m.name.lower():
            yield Finding("barred", f"{m.name}, and this child is allergic to {what}.", "Choose something else.")
        elif m.food or m.made_of_food or m.harsh or m.forms & {"dough", "glue", "pen", "sticker"}:
            yield Finding(
                "caution", f"This child is allergic to {what}.", f"Read the label: nothing with {what} on the table."
            )


@rule("force", "thing", COMMON, "the limit set for the child by a therapist, or by loose joints", in_reach=False)
def _force(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    cap = c.force_cap_newton
    if cap is not None and (m.force_newton or 0) > cap:
        yield Finding(
            "barred",
            f"{m.name} takes {m.force_newton:.0f} N; this child's limit is {cap:.0f} N.",
            "Use a weaker one, or ask the therapist who set the limit.",
        )


@rule("pull_apart", "thing", COMMON, "pulling apart over 10 N with loose joints", in_reach=False)
def _pull_apart(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    if "joint_laxity" in c.precautions and "puller" in m.forms and (m.force_newton or 0) > PULL_APART_NEWTON:
        yield Finding(
            "barred",
            f"Pulling {m.many} apart takes {m.force_newton:.0f} N, and this child has loose joints.",
            "Nothing over 10 N; press or twist instead of pulling.",
        )


@rule("texture", "thing", "the child's own wish", "textures this child refuses", in_reach=False, fixed=WISH)
def _texture(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    for texture in sorted(m.feels & c.refuses):
        yield Finding(
            "barred",
            f"This child refuses to touch {texture} things.",
            "Offer it from afar, with a tool, with a glove; leave it when the child says stop.",
        )


@rule("skin", "thing", COMMON, "what dries, stings or soaks broken or sensitive skin", in_reach=False)
def _skin(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    if "skin" not in c.precautions:
        return
    if m.harsh or m.latex:
        yield Finding("barred", f"{m.name} may irritate the skin.", "Use wood, cloth or plastic; gloves where agreed.")
    elif m.wet:
        yield Finding(
            "caution", "Wet work on sensitive skin.", "Two minutes at most; pat dry; cream as the family does."
        )


@rule("splint", "thing", COMMON, "nothing wet, sandy or doughy on a splint", in_reach=False)
def _splint(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    if "splint" in c.precautions and (m.wet or m.grain_mm is not None or "dough" in m.forms):
        yield Finding(
            "barred", f"{m.name} would get into the splint.", "Dry, clean things; or when the splint is off by plan."
        )


@rule("dust", "thing", COMMON, "dust with asthma or a dust allergy", in_reach=True)
def _dust(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    if "dust" in c.precautions and "dusty" in m.textures:
        yield Finding("barred", f"{m.name} makes dust.", "Use crayons, water or a damp cloth instead.")


@rule("shared", "thing", COMMON, "own pot or wash between children", in_reach=False)
def _shared(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    if m.shared_risk:
        yield Finding(
            "caution", "It passes from hand to hand.", "A named pot for each child, or wash between children."
        )


@rule("own_kit", "thing", COMMON, "things that carry germs, with weakened immunity", in_reach=True)
def _own_kit(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    if "immune" not in c.precautions:
        return
    if m.shared_risk:
        yield Finding(
            "barred",
            f"{m.name} can't be washed between children.",
            "Use a fresh batch, or choose something else.",
        )
    elif m.soft or m.food:
        yield Finding("caution", "Germs stay in it.", "This child's own, washed or new.")


@rule("long_tube", "thing", COMMON, "cords near a tube or a line", in_reach=True)
def _long_tube(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    if "tube" in c.precautions and m.cord_like and (m.cord_mm or 0) > LONG_CORD_MM:
        yield Finding(
            "caution", "A long cord can catch a tube or a line.", "Clear of the tube, adult within reach.", "arms_reach"
        )


@rule(
    "alone",
    "thing",
    COMMON,
    "an independent box: from 4 years, nothing that wants a watchful eye",
    in_reach=True,
    fixed="No adult watches an independent box. Have an adult in the room instead.",
)
def _alone(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    if s.supervision != "box":
        return
    with_adult = "With an adult in the room."
    if c.age_months < BOX_MONTHS:
        yield Finding("barred", "An independent box is for children of 4 years and over.", with_adult)
    elif c.mouths:
        yield Finding("barred", "No independent box for a child who mouths things.", with_adult)
    elif small_piece(m) and c.age_months < SMALL_ALONE_MONTHS:
        yield Finding(
            "barred", "No small parts in an independent box under 5 years.", "Bigger pieces, or an adult near."
        )
    elif m.forms & {"blade", "knife"} or (m.forms & RUBBER_BANDS and (m.latex or m.latex_perhaps)) or m.film or m.sharp:
        yield Finding("barred", "No blades, bands, film or sharp things in an independent box.", with_adult)


@rule(
    "mouthing_age",
    "thing",
    f"{COMMON}; age {MEMORY}",
    "under 3 years “never mouths” counts as “sometimes”",
    in_reach=True,
)
def _mouthing_age(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    if c.age_months >= MOUTHING_MONTHS or c.mouths:
        return
    tries = replace(c, mouthing="sometimes")
    for id in ("raw", "friable", "dough", "film"):
        as_said, as_counted = (list(RULES[id].find(m, child, s)) for child in (c, tries))
        for f in as_counted:
            if not any(RANK[f.status] <= RANK[g.status] for g in as_said):
                yield replace(f, reason=f"Under 3 years most things are tried in the mouth. {f.reason}")
