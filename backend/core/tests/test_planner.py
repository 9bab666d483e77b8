"""Session plans: the best there is, inside every limit, and explained."""

from collections import Counter
from dataclasses import replace
from itertools import combinations, pairwise, product
from unittest import TestCase
from unittest.mock import patch

from core.child import PARTS, Child, Setting
from core.offers import UsableCupboard, Variant
from core.offers.usable_cupboard import stock_of
from core.planner import PlannedBlock, RequestError, plan_session, shared_out, stand
from core.planner.candidates import all_candidates, undominated
from core.planner.model import Limits, solve
from core.planner.solver import Effort
from core.skills import STRANDS
from testing.checker import broken_limits
from testing.core_builders import everything, made_up_request, request_for
from testing.tags import slow

FIVE = Child(64, hand="right", wanted=("buttons", "name"), likes=frozenset({"boats"}), attention_minutes=30)


def by_brute_force(candidates, limits) -> float:
    """The most well-spent minutes by trying every choice and every number of minutes; shares no code with the model."""
    best = 0.0
    for size in range(1, 5):
        for chosen in combinations(candidates, size):
            if not allowed(chosen, limits):
                continue
            things = {thing for c in chosen for thing in c.kit}
            setting_up = sum(
                -(-(c.activity.setup_minutes + c.activity.tidy_minutes) * 2 // 1) / 2 for c in chosen
            ) + 0.5 * len(things)
            for minutes in product(*(range(c.least, c.most + 1) for c in chosen)):
                tiring = sum(m for m, c in zip(minutes, chosen, strict=True) if c.activity.tiring)
                if sum(minutes) + setting_up <= limits.minutes and tiring <= limits.tiring_minutes:
                    best = max(best, worth(chosen, minutes))
    return best


def allowed(chosen, limits) -> bool:
    parts = Counter(c.part for c in chosen)
    activities = {c.activity.id for c in chosen}
    if len(activities) < len(chosen) or any(n > 1 for p, n in parts.items() if p != "main"):
        return False
    if any(not parts[p] for p in limits.must) or parts["main"] < limits.least_main:
        return False
    used: Counter[str] = Counter()
    have = {}
    for q in (q for c in chosen for q in c.offer.quantities if q.single_use):
        used[q.stock_id] += q.wanted
        have[q.stock_id] = q.have
    if any(n > have[stock_id] for stock_id, n in used.items()):
        return False
    mains = [c for c in chosen if c.part == "main"]
    if any(all(STRANDS[c.strand].target != t for c in mains) for t in limits.targets):
        return False
    return some_order_keeps_tiring_apart(chosen)


def some_order_keeps_tiring_apart(chosen) -> bool:
    def orders(rows):
        if not rows:
            yield []
            return
        for i, row in enumerate(rows):
            for rest in orders(rows[:i] + rows[i + 1 :]):
                yield [row, *rest]

    fixed = {p: [c for c in chosen if c.part == p] for p in PARTS}
    for main in orders(fixed["main"]):
        row = [c for p in PARTS for c in (main if p == "main" else fixed[p])]
        if not any(a.activity.tiring and b.activity.tiring for a, b in pairwise(row)):
            return True
    return False


def worth(chosen, minutes) -> float:
    by_strand = Counter()
    for c, m in zip(chosen, minutes, strict=True):
        by_strand[c.strand] += m * c.quality / 50
    total = 0.0
    for spent in by_strand.values():
        total += min(spent, 10) + 0.6 * min(max(spent - 10, 0), 8) + 0.3 * max(spent - 18, 0)
    return total


class OptimumTest(TestCase):
    @slow
    def test_agrees_with_brute_force_on_small_instances(self) -> None:
        tried = 0
        for seed in range(40):
            request = replace(made_up_request(seed), minutes=16)
            candidates = [c for c in undominated(all_candidates(request)) if c.most - c.least <= 8]
            candidates = candidates[:: max(1, len(candidates) // 9)][:9]
            if not any(c.part == "main" for c in candidates):
                continue
            limits = Limits(16, 8, (), 1, ())
            answer = solve(candidates, {}, limits)
            self.assertAlmostEqual(answer.well_spent, by_brute_force(candidates, limits), places=6, msg=f"seed {seed}")
            tried += 1
        self.assertGreaterEqual(tried, 20)

    @slow
    def test_dropping_dominated_candidates_loses_nothing(self) -> None:
        request = request_for(FIVE, {k: v for k, v in everything().items() if hash_of(k) % 3 == 0}, minutes=20)
        every = all_candidates(request)
        limits = Limits(20, 9, (), 1, ())
        enough = Effort(10.0)  # for both to be proven
        all_of_them, kept = solve(every, {}, limits, enough), solve(undominated(every), {}, limits, enough)
        self.assertEqual((all_of_them.status, kept.status), ("optimal", "optimal"))
        self.assertAlmostEqual(all_of_them.well_spent, kept.well_spent, places=6)

    @slow
    def test_saying_the_whole_minutes_changes_no_optimum(self) -> None:
        """Also where a therapist locked a block shorter than it usually is."""
        tried = 0
        for seed in (3, 5, 12, 14):
            request = replace(made_up_request(seed), minutes=14)
            candidates = undominated(all_candidates(request))[::3]
            main = next((i for i, c in enumerate(candidates) if c.part == "main"), None)
            if main is None:
                continue
            limits = Limits(14, 7, tuple({c.part for c in candidates} & {"opener", "tidy"}), 1, ())
            for fixed in ({}, {main: 1}):
                words = solve(candidates, fixed, limits)
                with patch("core.planner.model.whole_minutes"):
                    unsaid = solve(candidates, fixed, limits)
                self.assertEqual((words.status, unsaid.status), ("optimal", "optimal"), seed)
                self.assertAlmostEqual(words.well_spent, unsaid.well_spent, places=6, msg=f"seed {seed}, {fixed}")
                tried += 1
        self.assertGreaterEqual(tried, 4)

    @slow
    def test_the_same_request_gives_the_same_plan(self) -> None:
        request = request_for(FIVE, everything(), targets=("grasp", "scissors"))
        self.assertEqual(plan_session(request), plan_session(request))


def hash_of(text: str) -> int:
    return sum(map(ord, text))


class LimitsTest(TestCase):
    """An independent reading of a finished plan, over many made-up children and homes."""

    @slow
    def test_every_plan_keeps_every_limit(self) -> None:
        made = 0
        for seed in range(60):
            request = made_up_request(seed)
            plan = plan_session(request)
            if plan.status == "infeasible":
                self.assertTrue(plan.reason and plan.fix, seed)
                continue
            made += 1
            with self.subTest(seed=seed):
                self.assertEqual(broken_limits(request, plan), [])
        self.assertGreater(made, 35)


class SessionTest(TestCase):
    @slow
    def test_each_chosen_target_gets_main_work(self) -> None:
        plan = plan_session(request_for(FIVE, everything(), targets=("grasp", "scissors")))
        self.assertEqual({STRANDS[b.strand].target for b in plan.blocks if b.part == "main"}, {"grasp", "scissors"})

    @slow
    def test_it_opens_with_a_sure_win_and_ends_with_tidying(self) -> None:
        plan = plan_session(request_for(FIVE, everything(), minutes=40))
        self.assertEqual(plan.blocks[0].part, "opener")
        self.assertGreaterEqual(plan.blocks[0].expected, 0.89)  # near the band counts nearly in full
        self.assertEqual(plan.blocks[-1].part, "tidy")

    @slow
    def test_locked_blocks_stay_as_they_are(self) -> None:
        lock = PlannedBlock("main", Variant("ring_tower", (0, 0, 1)), 6)
        plan = plan_session(request_for(FIVE, everything(), locked=(lock,)))
        kept = next(b for b in plan.blocks if b.variant.activity_id == "ring_tower")
        self.assertEqual((kept.variant, kept.minutes, kept.locked), (lock.variant, 6, True))

    @slow
    def test_what_was_taken_out_stays_out_and_says_so(self) -> None:
        first = plan_session(request_for(FIVE, everything()))
        activity = next(b.variant.activity_id for b in first.blocks if b.part == "main")
        plan = plan_session(request_for(FIVE, everything(), excluded=frozenset({activity})))
        self.assertNotIn(activity, {b.variant.activity_id for b in plan.blocks})

    @slow
    def test_every_block_says_why_in_four_terms_that_multiply_to_its_worth(self) -> None:
        for block in plan_session(request_for(FIVE, everything())).blocks:
            self.assertEqual([r.term for r in block.why], ["zone", "wanted", "fresh", "liking"])
            product_of = block.why[0].factor * block.why[1].factor * block.why[2].factor * block.why[3].factor
            self.assertAlmostEqual(block.well_spent, block.minutes * product_of, delta=block.minutes * 0.011)

    @slow
    def test_done_last_time_counts_less(self) -> None:
        plan = plan_session(request_for(FIVE, everything()))
        again = plan_session(request_for(FIVE, everything(), recent={b.variant.activity_id: 0 for b in plan.blocks}))
        before, after = ({b.variant.activity_id for b in p.blocks} for p in (plan, again))
        self.assertLess(len(before & after), len(before))
        for block in again.blocks:  # what comes back all the same says that it was done last time, and counts less
            if block.variant.activity_id in before:
                self.assertTrue(any(r.factor < 1 for r in block.why if r.term == "fresh"), block.why)

    def test_left_out_activities_have_reason_and_remedy(self) -> None:
        toddler = Child(30, hand="right", mouthing="often")
        plan = plan_session(request_for(toddler, everything(), minutes=20, targets=("grasp", "bilateral")))
        self.assertTrue(plan.left_out)
        for item in plan.left_out:
            self.assertTrue(item.reason and item.remedy, item)


class StockTest(TestCase):
    def test_two_blocks_never_use_up_the_same_sheets(self) -> None:
        """Enough for either alone, not for both: paper is the only thing there is."""
        few = {"copy_paper": 5, "heavy_paper": 3, "child_scissors": 1, "short_crayon": 8, "pencil": 4, "glue_stick": 1}
        for minutes in (20, 30, 45):
            request = request_for(FIVE, few, minutes=minutes, targets=("scissors", "bilateral"))
            cupboard = UsableCupboard(request.stock, request.child, request.setting)
            plan = plan_session(request)
            used: Counter[str] = Counter()
            for block in plan.blocks:
                for q in cupboard.offer(block.variant).quantities:
                    used[q.thing_id] += q.wanted if q.single_use else 0
            self.assertTrue(plan.blocks)
            self.assertTrue(all(n <= few[thing] for thing, n in used.items()), (minutes, used))

    def test_sets_of_a_row_last_together_the_earlier_blocks_first(self) -> None:
        """Two blocks of three sets and things for four: three and one."""
        request = request_for(FIVE, everything())
        cupboard = UsableCupboard(request.stock, request.child, request.setting)
        row = (
            stand(request, PlannedBlock("main", o.variant, 9))
            for o in cupboard.offers()
            if any(q.single_use for q in o.quantities)
        )
        one = next(b for b in row if b)
        use = next(q for q in one.quantities if q.single_use)
        per_set = use.wanted // one.sets
        twice = replace(one, sets=3, quantities=(replace(use, wanted=3 * per_set, have=4 * per_set),))
        first, second = shared_out([twice, twice])
        self.assertEqual((first.sets, second.sets), (3, 1))
        self.assertEqual([b.quantities[0].wanted for b in (first, second)], [3 * per_set, per_set])
        self.assertEqual([b.sets for b in shared_out([one])], [one.sets])


class InfeasibleTest(TestCase):
    @slow
    def test_a_search_cut_short_is_never_taken_for_impossible(self) -> None:
        """With next to no work allowed the search goes on until it has found a session."""
        request = request_for(FIVE, everything(), targets=("grasp", "bilateral"))
        plan = plan_session(request, Effort(1e-5, patience=(1, 1e3, 1e5)))
        self.assertIn(plan.status, ("feasible", "optimal"))
        self.assertEqual(broken_limits(request, plan), [])
        self.assertEqual(plan_session(request, Effort(1e-5, patience=(1,))).status, "infeasible")

    def test_an_empty_house_names_what_to_add(self) -> None:
        plan = plan_session(request_for(FIVE, {}))
        self.assertEqual(plan.status, "infeasible")
        self.assertIn("Add", plan.fix)

    @slow
    def test_too_few_minutes_names_how_many_it_takes(self) -> None:
        locks = (PlannedBlock("main", Variant("ring_tower", (0, 0, 1)), 30),)
        plan = plan_session(request_for(FIVE, everything(), minutes=15, locked=locks))
        self.assertEqual(plan.status, "infeasible")
        needed = int(plan.fix.split("Give it ")[1].split()[0])
        self.assertNotEqual(
            plan_session(request_for(FIVE, everything(), minutes=needed, locked=locks)).status, "infeasible"
        )

    def test_locks_that_can_not_stand_together_are_named(self) -> None:
        locks = (
            PlannedBlock("warm-up", Variant("peg_fence", (1, 1, 0)), 4),
            PlannedBlock("opener", Variant("treasure_dig", (0, 0, 0)), 4),
        )
        plan = plan_session(request_for(FIVE, everything(), minutes=40, targets=("strength",), locked=locks))
        self.assertEqual(plan.status, "infeasible")
        self.assertIn("Unlock", plan.fix)

    def test_all_targets_barred_says_so(self) -> None:
        alone = replace(request_for(FIVE, everything(), targets=("scissors",)), setting=Setting("home", "room"))
        plan = plan_session(alone)
        self.assertEqual(plan.status, "infeasible")
        self.assertTrue(all(item.kind == "barred" for item in plan.left_out))
        self.assertIn("within arm's reach", plan.left_out[0].reason)

    def test_nonsense_is_refused_at_the_field(self) -> None:
        for field, request in (
            ("minutes", request_for(FIVE, everything(), minutes=0)),
            ("targets", request_for(FIVE, everything(), targets=())),
            ("targets", request_for(FIVE, everything(), targets=("juggling",))),
        ):
            with self.assertRaises(RequestError) as context:
                plan_session(request)
            self.assertEqual(context.exception.field, field)

    def test_one_thing_in_the_house_is_no_error(self) -> None:
        self.assertIn(
            plan_session(request_for(FIVE, {"pencil": 1}, minutes=10, targets=("in_hand",))).status,
            ("optimal", "infeasible"),
        )

    def test_stock_of_keeps_counts(self) -> None:
        self.assertEqual(stock_of({"pencil": 2})[0].count, 2)
