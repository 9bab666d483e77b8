"""Session plans: the best there is, inside every limit, and explained."""

from collections import Counter
from dataclasses import replace
from itertools import combinations, pairwise
from unittest import TestCase

from core.child import PARTS, Child, Setting
from core.offers import UsableCupboard, Variant
from core.offers.usable_cupboard import stock_of
from core.planner import PlannedBlock, RequestError, plan_session
from core.planner.candidates import all_candidates
from core.planner.choice import limits_of, options_of
from core.planner.reasons import TIDY_TOGETHER
from core.planner.solver import MOVES, Effort, Limits, TargetLimit, TaskLimit, solve, undominated
from core.skills import STRANDS
from testing.checker import broken_limits
from testing.core_builders import everything, made_up_request, request_for
from testing.tags import slow

FIVE = Child(64, hand="right", wanted=("buttons", "name"), likes=frozenset({"boats"}), attention_minutes=30)


def options_for(request, every=1):
    """The options of a request, every n-th of them, worth and quickest ones mixed."""
    return [o for c in all_candidates(request) for o in c.options()][::every]


def by_brute_force(options, limits) -> float:
    """The most well-spent minutes by trying every choice of options; shares no code with the model."""
    best = 0.0
    for size in range(1, 6):
        for chosen in combinations(options, size):
            if allowed(chosen, limits):
                things = {thing for o in chosen for thing in o.kit}
                halves = sum(o.steps for o in chosen) + len(things)
                own = (o.activity.setup_minutes + o.activity.tidy_minutes for o in chosen)
                halves += sum(-(-minutes // 1) for minutes in own)  # half of it is done before
                halves += 6 if "tidy" in limits.must else 0
                tiring = sum(o.steps for o in chosen if o.activity.tiring)
                if halves <= limits.minutes * 2 and tiring <= limits.tiring_minutes * 2:
                    best = max(best, worth(chosen))
    return best


def allowed(chosen, limits) -> bool:
    parts = Counter(c.part for c in chosen)
    activities = {c.activity.id for c in chosen}
    if len(activities) < len(chosen) or any(n > 1 for p, n in parts.items() if p != "main"):
        return False
    if any(not parts[p] for p in limits.must if p != "tidy") or parts["main"] < limits.least_main:
        return False
    if not unlike(chosen, limits):
        return False
    used: Counter[str] = Counter()
    have = {}
    for o in chosen:
        for q in o.of.offer.quantities:
            if q.single_use:
                used[q.stock_id] += q.wanted * o.sets
                have[q.stock_id] = q.have
    if any(n > have[stock_id] for stock_id, n in used.items()):
        return False
    for must, least in limits.least:
        if must == MOVES:
            there = sum(o.activity.moves for o in chosen)
        else:
            there = sum(o.part == "main" and TargetLimit(STRANDS[o.of.strand].target) == must for o in chosen)
        if there < least:
            return False
    return some_order_keeps_tiring_apart(chosen)


def unlike(chosen, limits) -> bool:
    others = [o for o in chosen if not any(isinstance(m, TaskLimit) for m in o.musts)]
    groups = Counter(o.activity.group for o in others)
    in_main = Counter(o.activity.group for o in others if o.part in ("main", "stretch"))
    if any(n > 2 for n in groups.values()) or any(n > 1 for n in in_main.values()):
        return False
    kinds = Counter(o.activity.kind for o in chosen)
    begun = Counter(o.activity.kind for o in chosen if o.part in ("opener", "warm-up"))
    if any(n > 3 for n in kinds.values()) or any(n > 1 for n in begun.values()):
        return False
    if sum(o.activity.moves for o in others if o.part in ("main", "stretch")) > max(
        1, dict(limits.least).get(MOVES, 0)
    ):
        return False
    wishes = Counter(
        (o.activity.group, m)
        for o in chosen
        if o.part in ("main", "stretch")
        for m in o.musts
        if isinstance(m, TaskLimit)
    )
    return not any(n + in_main[group] > 1 for (group, _), n in wishes.items())


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


def worth(chosen) -> float:
    by_strand = Counter()
    for o in chosen:
        by_strand[o.of.strand] += round(o.sets * o.of.offer.count * o.of.dose.seconds / 6) / 10 * o.of.quality / 50
    total = 0.0
    for spent in by_strand.values():
        total += min(spent, 6) + 0.6 * min(max(spent - 6, 0), 6) + 0.3 * max(spent - 12, 0)
    return total


class OptimumTest(TestCase):
    @slow
    def test_agrees_with_brute_force_on_small_instances(self) -> None:
        tried = 0
        for seed in range(40):
            request = replace(made_up_request(seed), minutes=16)
            options = options_for(request)
            options = options[:: max(1, len(options) // 22)][:22]
            if not any(o.part == "main" for o in options):
                continue
            for limits in (Limits(16, 8, (), 1), Limits(20, 8, ("tidy",), 1, ((MOVES, 1),))):
                answer = solve(options, [], limits)
                best = by_brute_force(options, limits)
                self.assertAlmostEqual(answer.well_spent, best, places=6, msg=f"seed {seed}, {limits}")
                tried += 1
        self.assertGreaterEqual(tried, 30)

    @slow
    def test_dropping_dominated_options_loses_nothing(self) -> None:
        for seed in (3, 8, 21, 205, 210):
            request = replace(made_up_request(seed), minutes=24)
            candidates = all_candidates(request)
            if not any(c.part == "main" for c in candidates):
                continue
            limits = limits_of(candidates, request)
            every = options_of(candidates, limits)
            few = undominated(every, limits.blocks, out=frozenset())
            self.assertLess(len(few), len(every))
            enough = Effort(60.0)  # for both to be proven
            all_of_them, kept = solve(every, [], limits, enough), solve(few, [], limits, enough)
            self.assertEqual(all_of_them.status, kept.status, seed)
            self.assertAlmostEqual(all_of_them.well_spent, kept.well_spent, places=6, msg=f"seed {seed}")

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
        worked_on = {STRANDS[b.strand].target for b in plan.blocks if b.part == "main"}
        self.assertLessEqual({"grasp", "scissors"}, worked_on)  # beside a wish whose turn it is

    @slow
    def test_it_opens_with_a_sure_win_and_ends_with_tidying(self) -> None:
        plan = plan_session(request_for(FIVE, everything(), minutes=40))
        self.assertEqual(plan.blocks[0].part, "opener")
        self.assertGreaterEqual(plan.blocks[0].expected, 0.8)  # as sure as it can be of a child nobody has seen
        self.assertTrue(plan.blocks[-1].part == "tidy" or TIDY_TOGETHER in plan.notes)

    @slow
    def test_locked_blocks_stay_as_they_are(self) -> None:
        lock = PlannedBlock("main", Variant("ring_tower", (0, 0, 1)), 2)
        plan = plan_session(request_for(FIVE, everything(), locked=(lock,)))
        kept = next(b for b in plan.blocks if b.variant.activity_id == "ring_tower")
        self.assertEqual((kept.variant, kept.sets, kept.locked), (lock.variant, 2, True))

    @slow
    def test_what_was_taken_out_stays_out_and_says_so(self) -> None:
        first = plan_session(request_for(FIVE, everything()))
        activity = next(b.variant.activity_id for b in first.blocks if b.part == "main")
        plan = plan_session(request_for(FIVE, everything(), excluded=frozenset({activity})))
        self.assertNotIn(activity, {b.variant.activity_id for b in plan.blocks})

    @slow
    def test_every_block_says_why_in_four_terms_that_multiply_to_its_worth(self) -> None:
        for block in plan_session(request_for(FIVE, everything())).blocks[:-1]:
            self.assertEqual([r.term for r in block.why], ["zone", "wanted", "fresh", "liking"])
            product_of = block.why[0].factor * block.why[1].factor * block.why[2].factor * block.why[3].factor
            self.assertAlmostEqual(block.well_spent, block.work_minutes * product_of, delta=block.work_minutes * 0.011)

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
                    used[q.thing_id] += q.wanted * block.sets if q.single_use else 0
            self.assertTrue(plan.blocks)
            self.assertTrue(all(n <= few[thing] for thing, n in used.items()), (minutes, used))


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
        locks = (PlannedBlock("main", Variant("ring_tower", (0, 0, 1)), 20),)
        plan = plan_session(request_for(FIVE, everything(), minutes=15, locked=locks))
        self.assertEqual(plan.status, "infeasible")
        needed = int(plan.fix.split("Give it ")[1].split()[0])
        self.assertNotEqual(
            plan_session(request_for(FIVE, everything(), minutes=needed, locked=locks)).status, "infeasible"
        )

    def test_locks_that_can_not_stand_together_are_named(self) -> None:
        locks = (
            PlannedBlock("warm-up", Variant("peg_fence", (1, 1, 0)), 2),
            PlannedBlock("opener", Variant("treasure_dig", (0, 0, 0)), 2),
        )
        plan = plan_session(request_for(FIVE, everything(), minutes=40, targets=("strength",), locked=locks))
        self.assertEqual(plan.status, "infeasible")
        self.assertIn("Unlock", plan.fix)

    def test_all_targets_barred_says_so(self) -> None:
        unasked = replace(FIVE, wanted=())
        alone = replace(request_for(unasked, everything(), targets=("scissors",)), setting=Setting("home", "room"))
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
