"""The visit bag: the fewest things that serve every visit of a day."""

from collections import Counter
from itertools import product
from unittest import TestCase

from core.child import Child
from core.library import ACTIVITIES
from core.offers import UsableCupboard, Variant, ask_of, room, tries_for, variants_of
from core.offers.usable_cupboard import stock_of
from core.planner import (
    Visit,
    pack_bag,
)
from core.planner.visit_bag import wants_of
from testing.core_builders import CLINIC, full_house
from testing.tags import slow


def fewest_by_brute_force(visits, store) -> tuple[int, int] | None:
    """The fewest things and then pieces to carry, by trying every filling; shares no code with the model."""
    wants, _ = wants_of(visits, store)
    things = {s.id: s.thing for s in store}
    best = None
    for filling in product(*(w.options for w in wants)):
        used = [(w.visit, w.block, o) for w, o in zip(wants, filling, strict=True)]
        if len(set(used)) < len(used):
            continue
        pieces: Counter[str] = Counter()
        for stock_id in {o[0] for o in filling if not o[1]}:
            rows = [w for w, o in zip(wants, filling, strict=True) if o == (stock_id, False)]
            summed = things[stock_id].single_use
            own = [
                w
                for w in rows
                if things[stock_id].shared_risk
                or (things[stock_id].soft and not things[stock_id].firm and visits[w.visit].child.mouths)
            ]
            most = max(w.options[stock_id, False] for w in rows)
            pieces[stock_id] = (
                sum(w.options[stock_id, False] for w in rows)
                if summed
                else max(most, sum(w.options[stock_id, False] for w in own))
            )
        result = (len(pieces), sum(pieces.values()))
        best = result if best is None or result < best else best
    return best


class BagTest(TestCase):
    @slow
    def test_the_bag_counts_the_tries_that_the_plan_counts(self) -> None:
        """Every grade on offer to a child with loose joints: half as many tries, and as many things."""
        lax = Child(72, hand="right", precautions=frozenset({"joint_laxity"}))
        cupboard, halved = full_house(lax), 0
        for activity in ACTIVITIES.values():
            offer = next((o for v in variants_of(activity) if (o := cupboard.offer(v))), None)
            if offer is None:
                continue
            wants, _ = wants_of([Visit("A", lax, CLINIC, ((offer.variant, 1),), ())], cupboard.stock)
            halved += offer.count < tries_for(ask_of(activity, offer.variant.grade), Child(72, hand="right"))
            for want in wants:
                role = next(r for r in activity.roles if r.id == want.role.id)
                self.assertLessEqual(max(want.options.values(), default=0), role.quantity(offer.count), offer.variant)
        self.assertGreater(halved, 10)

    STORE = {
        "pencil": 3,
        "thick_pencil": 2,
        "wide_bowl": 4,
        "small_cup": 6,
        "counter": 30,
        "domino": 28,
        "corn_dough": 4,
        "copy_paper": 40,
        "tea_spoon": 3,
    }

    def visits(self) -> list[Visit]:
        cupboard = UsableCupboard(stock_of(self.STORE), Child(70), CLINIC)
        offers = [o.variant for o in cupboard.offers() if len(ACTIVITIES[o.variant.activity_id].roles) <= 2]
        return [
            Visit("Ada", Child(70), CLINIC, tuple((v, 1) for v in offers[::60][:3]), stock_of({"pencil": 4})),
            Visit("Bo", Child(60, mouthing="sometimes"), CLINIC, tuple((v, 1) for v in offers[30::70][:2]), ()),
        ]

    def test_agrees_with_brute_force(self) -> None:
        visits, store = self.visits(), stock_of(self.STORE)
        bag = pack_bag(visits, store)
        things, pieces = fewest_by_brute_force(visits, store)
        self.assertEqual((len(bag.lines), sum(line.count for line in bag.lines)), (things, pieces))

    def test_what_the_home_has_stays_out(self) -> None:
        plan = ((Variant("spin_the_mast", (1, 0)), 1),)
        bag = pack_bag([Visit("Ada", Child(70), CLINIC, plan, stock_of({"pencil": 4}))], stock_of(self.STORE))
        self.assertEqual(bag.lines, ())
        self.assertTrue(bag.uses[0].from_home)

    def test_tools_go_once_and_dough_for_each(self) -> None:
        plan = ((Variant("squash_prints", (0, 0)), 1),)
        visits = [Visit(n, Child(70), CLINIC, plan, stock_of({"table_tray": 1})) for n in ("Ada", "Bo", "Cy")]
        bag = pack_bag(visits, stock_of(self.STORE))
        self.assertEqual(
            [(line.thing_id, line.count, line.between) for line in bag.lines],
            [("corn_dough", 3, "one each, with the child's name")],
        )
        sticks = [Visit(n, Child(70), CLINIC, ((Variant("spin_the_mast", (1, 0)), 1),), ()) for n in ("Ada", "Bo")]
        self.assertEqual(
            [(line.count, line.visits) for line in pack_bag(sticks, stock_of(self.STORE)).lines], [(1, ("Ada", "Bo"))]
        )

    @slow
    def test_a_bead_is_packed_with_a_line_that_passes_it(self) -> None:
        """Whatever else would be fewer to carry: two children, several beads, several lines."""
        store = stock_of(
            {
                "wooden_bead_25": 30,
                "pony_bead": 60,
                "cotton_reel": 30,
                "taped_lace": 3,
                "chenille_stem": 9,
                "handled_stick": 3,
                "tea_cosy_line": 2,
            }
        )
        cupboard = UsableCupboard(store, Child(70), CLINIC)
        threading = [o.variant for o in cupboard.offers([ACTIVITIES["load_the_barge"]])][::3]
        self.assertTrue(threading)
        for variant in threading:
            bag = pack_bag([Visit("Ada", Child(70), CLINIC, ((variant, 1),), ())], store)
            by_role = {u.role: next(s.thing for s in store if s.thing.name == u.name) for u in bag.uses}
            for fit in ACTIVITIES["load_the_barge"].fits:
                self.assertTrue(room(fit, by_role[fit.outer], by_role[fit.inner]), (variant, by_role))

    def test_what_nothing_fills_is_named(self) -> None:
        bag = pack_bag(
            [Visit("Ada", Child(70), CLINIC, ((Variant("bear_walk", (0, 0)), 1),), ())], stock_of(self.STORE)
        )
        self.assertEqual(bag.missing, ("Ada: clear floor for Bear walk",))
