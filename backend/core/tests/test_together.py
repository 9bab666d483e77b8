"""Hazards of combinations, and the table every rule stands in. Common practice, no source, where none is named."""

from dataclasses import replace
from itertools import product
from pathlib import Path
from unittest import TestCase

from core.child import ALLERGENS, PRECAUTIONS, TEXTURES, Child, Setting
from core.library import ACTIVITIES, THINGS
from core.offers import UsableCupboard, variants_of
from core.offers.usable_cupboard import stock_of
from core.safety import RULES, STEP_TAGS, Hit, assess, assess_step, assess_together, general_cautions
from testing.core_builders import CLINIC, full_house
from testing.tags import slow

SOURCES = Path(__file__).parents[3] / "docs" / "sources.md"


def rules_of(*ids: str, tags: tuple[str, ...] = (), child: Child | None = None) -> dict[str, str]:
    """Rule to status for things used together."""
    result = assess_together([THINGS[i] for i in ids], tags, child or Child(72), CLINIC)
    return {h.rule: h.status for h in result.hits}


CHILDREN = [
    Child(20, mouthing="often", allergies=frozenset(ALLERGENS), other_allergies=("kiwi",)),
    Child(20),
    Child(
        72,
        precautions=frozenset(PRECAUTIONS),
        refuses=frozenset(TEXTURES),
        splint_hand="left",
        hand="right",
        force_limit_newton=8,
        food_as_material=False,
    ),
    Child(120),
    *(Child(m, mouthing="often", precautions=frozenset({"swallowing"})) for m in (30, 50)),
    Child(80, overrides=frozenset({"balloon"}), precautions=frozenset({"joint_laxity"}), mouthing="chews"),
]
NAMED = replace(
    THINGS["cork"], hazards=frozenset(id.removesuffix("_thing") for id in RULES if id.endswith("_thing"))
)  # nothing of the library is


def every_hit() -> set[Hit]:
    """Every hit any thing or step raises for any of some very different children."""
    settings = (CLINIC, Setting("home", "box"))
    things = {h for m, c, s in product((*THINGS.values(), NAMED), CHILDREN, settings) for h in assess(m, c, s).hits}
    steps = {h for t, c, s in product(STEP_TAGS, CHILDREN, settings) for h in assess_step([t], c, s).hits}
    return things | steps | {h for c, s in product(CHILDREN, settings) for h in general_cautions(c, s)}


class TogetherTest(TestCase):
    def test_a_long_cord_is_barred_where_the_child_crawls(self) -> None:
        self.assertEqual(rules_of("soft_wool", tags=("weight_on_hands",)), {"cord_neck": "barred"})
        self.assertEqual(rules_of("gown_belt", tags=("lying",))["cord_neck"], "barred")
        self.assertEqual(rules_of("soft_wool"), {})

    def test_a_short_string_is_not(self) -> None:
        self.assertEqual(rules_of("counting_string", tags=("weight_on_hands",)), {})

    def test_a_rubber_balloon_is_more_than_a_balloon(self) -> None:
        self.assertEqual(rules_of("balloon"), {"balloon_latex": "caution"})
        self.assertEqual(rules_of("foil_balloon"), {})

    def test_small_things_in_a_tub_are_counted_out(self) -> None:
        self.assertIn("small_hidden", rules_of("dry_rice", "pony_bead"))

    def test_a_stick_in_a_moving_hand_wants_an_adult(self) -> None:
        moving = assess_together([THINGS["pencil"]], ("wall",), Child(72), Setting("home", "room"))
        self.assertEqual(moving.status, "barred")
        self.assertEqual(rules_of("pencil", tags=("wall",)), {"stick_moving": "caution"})

    def test_food_that_touched_dough_is_no_food(self) -> None:
        self.assertIn("food_mixed", rules_of("raisin", "soft_putty"))

    def test_a_barred_combination_is_never_on_offer(self) -> None:
        cupboard = UsableCupboard(
            stock_of({m.id: m.typical_count for m in THINGS.values()}), Child(60), Setting("home", "room")
        )
        for activity in ACTIVITIES.values():
            for variant in variants_of(activity):
                offer = cupboard.offer(variant)
                if offer:
                    things = [THINGS[q.thing_id] for q in offer.quantities]
                    tags = (
                        *activity.tags,
                        *(t for a, at in zip(activity.axes, variant.grade, strict=True) for t in a.steps[at].tags),
                    )
                    self.assertNotEqual(
                        assess_together(things, tags, cupboard.child, cupboard.setting).status, "barred", variant
                    )

    def test_a_balloon_may_be_kept_up_only_where_it_was_allowed(self) -> None:
        floats = [v for v in variants_of(ACTIVITIES["keep_it_up"]) if v.grade[0] == 1]
        self.assertTrue(all(full_house(Child(72)).offer(v) is None for v in floats))
        allowed = full_house(Child(72, overrides=frozenset({"balloon"})))
        self.assertTrue(any(allowed.offer(v) for v in floats))


class RuleTableTest(TestCase):
    def test_every_rule_that_speaks_is_in_the_table(self) -> None:
        hits = every_hit()
        spoken = {h.rule for h in hits}
        self.assertEqual(spoken - set(RULES), set())
        self.assertEqual({r.id for r in RULES.values() if r.scope in ("thing", "step")} - spoken, set())

    @slow
    def test_every_hit_says_why_and_what_to_do(self) -> None:
        for hit in every_hit():
            self.assertTrue(hit.reason and hit.remedy and hit.source, hit)

    def test_whatever_is_not_law_can_be_allowed_for_one_child_and_law_never(self) -> None:
        """Every bar there is, with every rule overridden: what may be becomes a caution, the rest stays a bar."""
        every = frozenset(RULES)
        fixed, lifted = set(), set()
        for child in CHILDREN:
            bold = replace(child, overrides=every)
            for thing in (*THINGS.values(), NAMED):
                before, after = ({h.rule: h for h in assess(thing, c, CLINIC).hits} for c in (child, bold))
                for rule, hit in before.items():
                    if hit.status == "barred":
                        (lifted if hit.overridable else fixed).add(rule)
                        self.assertEqual(after[rule].status, "caution" if hit.overridable else "barred", (thing, rule))
            for tag in STEP_TAGS:
                for hit in assess_step([tag], child, CLINIC).hits:
                    if hit.status == "barred" and hit.overridable:
                        lifted.add(hit.rule)
                        self.assertNotEqual(assess_step([tag], bold, CLINIC).status, "barred", tag)
        self.assertTrue({"small_part", "small_ball", "grain", "swallowing"} <= fixed & lifted)  # law under three only
        self.assertEqual(fixed - lifted - {r.id for r in RULES.values() if r.fixed}, set())
        self.assertEqual({r.id for r in RULES.values() if r.fixed} & lifted, set())
        self.assertTrue({"resistance", "weight_on_hands", "balloon", "hard_food", "splint", "heat"} <= lifted)

    def test_an_adult_in_the_room_will_do_only_where_a_therapist_says_so(self) -> None:
        child, room = Child(50, hand="right"), Setting("school", "room")
        self.assertEqual(assess_step(["cutting_tool"], child, room).status, "barred")
        near = replace(child, overrides=frozenset({"cutting_tool"}))
        self.assertEqual(assess_step(["cutting_tool"], near, room).status, "barred")
        told = replace(child, overrides_in_room=frozenset({"cutting_tool"}))
        self.assertEqual(assess_step(["cutting_tool"], told, room).status, "caution")
        self.assertEqual(assess_step(["cutting_tool"], told, Setting("school", "box")).status, "barred")

    def test_every_rule_is_in_the_sources_as_it_says_of_itself(self) -> None:
        text = SOURCES.read_text()
        for r in RULES.values():
            self.assertIn(f"| `{r.id}` | {r.source} | {r.about} |", text)

    def test_every_precaution_is_there_with_what_it_changes(self) -> None:
        text = SOURCES.read_text()
        for precaution in PRECAUTIONS.values():
            self.assertIn(f"| {precaution.name} | {precaution.changes} |", text)
