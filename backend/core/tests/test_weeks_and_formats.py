"""Home weeks, children together and the visit bag: the best there is, inside every limit, and refused with a reason."""

from collections import Counter
from dataclasses import replace
from itertools import combinations, pairwise, product
from typing import Any
from unittest import TestCase

from core.child import Child, Setting
from core.library import ACTIVITIES
from core.offers import Variant
from core.planner import (
    Elsewhere,
    PlannedBlock,
    RequestError,
    SessionRequest,
    WeekRequest,
    plan_session,
    plan_week,
)
from core.planner.candidates import all_candidates
from core.planner.choice import MOST_DAY, Site, solve_week, week_options
from core.planner.request.format_source import blank_format, own_format
from core.planner.request.formats import FORMATS
from core.planner.solver import Limits, smallest, solve
from core.planner.week import as_home
from core.safety import assess
from core.skills import STRANDS, TARGETS
from testing.core_builders import everything, made_up_request, request_for
from testing.tags import slow

HOME = Setting("home", "arms_reach")
FIVE = Child(64, hand="right", wanted=("buttons", "name"), likes=frozenset({"boats"}))
FREE = (15, 0, 20, 15, 0, 30, 30)


def at_home(seed: int) -> SessionRequest:
    """A made-up child at home."""
    return replace(made_up_request(seed), setting=HOME)


def best_week_by_brute_force(options, wishes: tuple[str, ...], free: tuple[int, ...]) -> float:
    """One activity a day, every choice of option for every day, the wishes on as many days as any week can have them;
    shares no code with the model.
    """
    days: list[list] = []
    for minutes in free:
        day: list = [None]
        for o in options:
            set_up = -(-(o.activity.setup_minutes + o.activity.tidy_minutes) // 1)  # half of it is done before
            if o.steps + set_up <= minutes * 2:
                day.append(o)
        days.append(day)
    weeks = [w for w in product(*days) if week_allowed(w)]
    there = [t for t in wishes if any(o and o.of.task == t for day in days for o in day)]
    for first, other in ((2, 2), (2, 1), (1, 1), (1, 0)):
        least = {t: other if place else first for place, t in enumerate(there)}
        if sum(least.values()) > sum(minutes > 0 for minutes in free):
            continue
        kept = [w for w in weeks if all(sum(bool(o) and o.of.task == t for o in w) >= n for t, n in least.items())]
        if kept:
            return max(week_worth(week) for week in kept)
    return max((week_worth(week) for week in weeks), default=0.0)


def week_allowed(week) -> bool:
    activities = [x.activity.id if x else "" for x in week]
    counts = Counter(f for f in activities if f)
    if any(a and a == b for a, b in pairwise(activities)) or len(counts) > 4 or max(counts.values(), default=0) > 3:
        return False
    uses: Counter[str] = Counter()
    have = {}
    for x in week:
        for q in x.of.offer.quantities if x else ():
            if q.single_use:
                uses[q.stock_id] += q.wanted * x.sets
                have[q.stock_id] = q.have
    return all(n <= have[s] for s, n in uses.items())


def week_worth(week) -> float:
    total = 0.0
    for d, x in enumerate(week):
        if x:
            c = x.of
            worth = round(x.sets * c.offer.count * c.dose.seconds / 6) / 10 * c.quality / 50
            rested = d == 0 or week[d - 1] is None or week[d - 1].of.strand != c.strand
            full = min(worth, 8.0) if rested else 0.0
            total += full + 0.6 * (worth - full)
    return total


class WeekTest(TestCase):
    @slow
    def test_agrees_with_brute_force_on_small_instances(self) -> None:
        tried = 0
        for seed in range(300, 316):
            session = as_home(at_home(seed))
            options = week_options(all_candidates(session))
            options = options[:: max(1, len(options) // 5)][:5]
            if not options:
                continue
            free = (0, 12, 9, 0, 14, 0, 0)
            best = best_week_by_brute_force(options, session.tasks, free)
            if not best:
                continue
            status, _, well_spent, _ = solve_week([Site(session, tuple(options), free, 1)], ())
            self.assertAlmostEqual(well_spent, best, places=6, msg=f"seed {seed}, {status}")
            tried += 1
        self.assertGreaterEqual(tried, 8)

    def test_dropping_what_others_beat_loses_nothing(self) -> None:
        session, free = as_home(at_home(304)), (12, 0, 15, 0, 0, 20, 0)
        candidates = all_candidates(session)
        every = tuple(o for c in candidates for o in c.options())
        few = tuple(week_options(candidates))
        self.assertLess(len(few), len(every))
        best = [solve_week([Site(session, options, free, 1)], ())[2] for options in (every, few)]
        self.assertAlmostEqual(*best, places=6)

    def test_the_rest_of_a_week_is_planned_around_what_is_kept(self) -> None:
        request = WeekRequest(request_for(FIVE, everything(), targets=("grasp", "bilateral")), FREE)
        week = plan_week(request)
        first = week.days[0].blocks[0]
        kept = PlannedBlock(first.part, first.variant, first.sets, locked=True)
        moved = plan_week(replace(request, kept=((6, kept),)))
        stays = moved.days[6].blocks[0]
        self.assertEqual((stays.variant, stays.sets, stays.locked), (first.variant, first.sets, True))
        self.assertTrue(moved.days[0].blocks and not moved.days[0].blocks[0].locked)
        left_out = replace(request.session, excluded=frozenset({first.activity_id}))
        without = plan_week(replace(request, session=left_out))
        self.assertNotIn(first.activity_id, {b.activity_id for d in without.days for b in d.blocks})
        full = plan_week(replace(request, kept=((1, kept),)))  # a day without minutes
        self.assertEqual((full.status, full.reason), ("infeasible", "what is kept does not fit together on its days"))
        with self.assertRaises(RequestError):
            plan_week(replace(request, kept=((7, kept),)))

    def test_the_clinic_s_day_counts_as_practised_and_tires_the_hands(self) -> None:
        request = request_for(FIVE, everything(), targets=("strength",))
        free = (0, 15, 15, 0, 0, 0, 0)
        alone = plan_week(WeekRequest(request, free))
        strand = alone.days[1].blocks[0].strand
        clinic = Elsewhere(1, frozenset({strand}), tiring_minutes=15)
        after = plan_week(WeekRequest(request, free, elsewhere=(clinic,)))
        self.assertFalse(any(b.tiring for b in after.days[1].blocks))
        self.assertLess(after.well_spent, alone.well_spent)

    @slow
    def test_school_has_a_part_in_the_week(self) -> None:
        request = request_for(FIVE, everything(), targets=("grasp",))
        school = replace(request, setting=Setting("school", "room"))
        wish = WeekRequest(request, FREE, school=school, school_minutes=(10, 0, 10, 0, 0, 0, 0))
        plan = plan_week(wish)
        self.assertTrue(any(d.school for d in plan.days))
        for day, minutes in zip(plan.days, wish.school_minutes, strict=True):
            self.assertLessEqual(sum(b.minutes + b.setup_minutes for b in day.school), minutes)
            self.assertFalse({b.activity_id for b in day.school} & {b.activity_id for b in day.blocks})
        everywhere = [{b.activity_id for b in (*d.blocks, *d.school)} for d in plan.days]
        self.assertFalse(any(a & b for a, b in pairwise(everywhere)))

    @slow
    def test_every_week_keeps_every_limit(self) -> None:
        """An independent reading of finished weeks."""
        made = 0
        for seed in range(60, 84):
            request = at_home(seed)
            for a_day in (1, 2) if seed % 4 == 0 else (1,):
                plan = plan_week(WeekRequest(request, FREE, a_day))
                if plan.status == "infeasible":
                    self.assertTrue(plan.reason and plan.fix, seed)
                    continue
                made += 1
                with self.subTest(seed=seed, a_day=a_day):
                    self.check(request, plan, a_day)
        self.assertGreater(made, 15)

    def check(self, request: SessionRequest, plan, a_day: int) -> None:
        have = {s.id: s for s in request.stock}
        days_of: dict[str, list[int]] = {}
        used: Counter[str] = Counter()
        for d, (day, free) in enumerate(zip(plan.days, FREE, strict=True)):
            self.assertLessEqual(day.minutes, free)
            self.assertLessEqual(len(day.blocks), a_day)
            for block in day.blocks:
                self.assertLessEqual(block.minutes, MOST_DAY)
                self.assertNotEqual(block.verdict.status, "barred")
                days_of.setdefault(block.variant.activity_id, []).append(d)
                for q in block.quantities:
                    self.assertNotEqual(assess(have[q.stock_id].thing, request.child, request.setting).status, "barred")
                    used[q.stock_id] += q.wanted if q.single_use else 0
        self.assertLessEqual(len(days_of), 5)
        for days in days_of.values():
            self.assertLessEqual(len(days), 2)
            self.assertFalse(any(b - a <= 1 for a, b in pairwise(days)))
        for stock_id, n in used.items():
            self.assertLessEqual(n, have[stock_id].count)

    def test_a_family_without_time_is_told_so(self) -> None:
        plan = plan_week(WeekRequest(request_for(FIVE, everything()), (0,) * 7))
        self.assertEqual((plan.status, plan.fix), ("infeasible", "Find one day with 5 minutes or more."))

    def test_a_home_without_an_adult_gets_nothing_that_wants_one(self) -> None:
        alone = replace(request_for(FIVE, everything(), targets=("scissors",)), setting=Setting("home", "room"))
        plan = plan_week(WeekRequest(alone, FREE))
        self.assertFalse(
            any("cutting_tool" in ACTIVITIES[b.variant.activity_id].tags for d in plan.days for b in d.blocks)
        )

    def test_six_days_are_no_week(self) -> None:
        for field, wish in (
            ("minutes_by_day", WeekRequest(request_for(FIVE, everything()), (10,) * 6)),
            ("minutes_by_day", WeekRequest(request_for(FIVE, everything()), (-1,) + (10,) * 6)),
            ("a_day", WeekRequest(request_for(FIVE, everything()), FREE, 3)),
        ):
            with self.assertRaises(RequestError) as context:
                plan_week(wish)
            self.assertEqual(context.exception.field, field)


class ShapesTest(TestCase):
    def plan(self, format_id: str, minutes: int = 35, **more: Any) -> Any:
        request = request_for(
            FIVE, everything(), minutes=minutes, targets=("grasp", "scissors"), format_id=format_id, **more
        )
        return plan_session(replace(request, setting=Setting("home", "box")) if format_id == "alone" else request)

    @slow
    def test_every_shape_can_be_planned(self) -> None:
        for format_id in FORMATS:
            self.assertIn(self.plan(format_id).status, ("optimal", "feasible"), format_id)

    @slow
    def test_three_boxes_come_in_order(self) -> None:
        parts = [b.part for b in self.plan("boxes").blocks]
        self.assertEqual(list(dict.fromkeys(parts)), ["warm-up", "main", "daily"])

    def test_an_independent_box_holds_only_what_is_managed_alone(self) -> None:
        for block in self.plan("alone").blocks:
            self.assertGreaterEqual(block.expected, 0.85)
            self.assertFalse(any(h.wants for h in block.verdict.hits))

    def test_an_independent_box_with_an_adult_beside_is_refused(self) -> None:
        with self.assertRaises(RequestError):
            plan_session(request_for(FIVE, everything(), format_id="alone"))

    @slow
    def test_stations_are_equally_long(self) -> None:
        plan = self.plan("stations")
        self.assertEqual(len({b.minutes for b in plan.blocks}), 1)
        self.assertGreaterEqual(len(plan.blocks), 3)

    @slow
    def test_strength_first_puts_tiring_work_earlier(self) -> None:
        request = request_for(FIVE, everything(), minutes=45, targets=("strength", "in_hand"))
        late, early = plan_session(request), plan_session(replace(request, order="strength_first"))

        def place(plan: Any) -> float:
            mains = [b.tiring for b in plan.blocks if b.part == "main"]
            return mains.index(True) / len(mains) if True in mains else -1

        self.assertEqual({b.variant for b in late.blocks}, {b.variant for b in early.blocks})
        self.assertLessEqual(place(early), place(late))


class RelaxTest(TestCase):
    @slow
    def test_no_smaller_set_of_limits_would_do(self) -> None:
        """Every smaller set is tried by brute force."""
        tried = 0
        for seed in range(400, 415):
            request = replace(made_up_request(seed), minutes=12)
            options = [o for c in all_candidates(request) for o in c.options()][::8][:40]
            there = {o.part for o in options}
            must = (*(p for p in ("opener", "warm-up", "daily") if p in there), "tidy")
            limits = Limits(9, 3, must, 1)
            if not any(o.part == "main" for o in options) or solve(options, [], limits).status != "infeasible":
                continue
            answer = smallest(options, [], limits, content_only=True)
            possible = [
                given
                for n in range(len(must) + 1)
                for given in combinations(must, n)
                if solve(options, [], replace(limits, must=tuple(p for p in must if p not in given))).status
                != "infeasible"
            ]
            self.assertEqual(answer is None, not possible, seed)
            if answer:
                self.assertEqual(len(answer.given_up), min(map(len, possible)), seed)
                tried += 1
        self.assertGreaterEqual(tried, 2)

    @slow
    def test_a_lock_that_does_not_fit_is_named_with_the_fix(self) -> None:
        locks = tuple(PlannedBlock("main", Variant(f, (0, 0)), 60) for f in ("nest_basket", "scarf_pull"))
        plan = plan_session(request_for(FIVE, everything(), minutes=60, locked=locks))
        self.assertEqual(plan.status, "infeasible")
        self.assertTrue("Unlock" in plan.fix or "Give it" in plan.fix)

    def test_the_fewest_limits_are_found_among_all_kinds(self) -> None:
        request = replace(made_up_request(402), minutes=8)
        options = [o for c in all_candidates(request) for o in c.options()][:60]
        answer = smallest(options, [], Limits(4, 2, ("opener", "tidy"), 2))
        self.assertTrue(answer and answer.given_up)


class FormatPromisesTest(TestCase):
    """What a format holds follows from what it says of itself, and not from what it is called."""

    @slow
    def test_an_exact_copy_of_the_usual_format_plans_the_same(self) -> None:
        """Loose joints, low tone, a hand that assists, no wanted task: nothing is lost under another id."""
        copy = own_format({**blank_format(), "name": "As usual"}, "a clinic")
        kinds = (
            Child(50, hand="right", precautions=frozenset({"low_tone"}), wanted=("zip",)),
            Child(90, hand="right", precautions=frozenset({"one_hand_assists"}), assisting_hand="left"),
            Child(64, hand="left", precautions=frozenset({"joint_laxity"}), wanted=("buttons", "name")),
        )
        for child, minutes in product(kinds, (20, 40)):
            usual = request_for(child, everything(), minutes, ("grasp", "bilateral"))
            plans = [plan_session(r) for r in (usual, replace(usual, format_id=copy.id))]
            self.assertEqual(
                [[(b.part, b.variant, b.sets) for b in p.blocks] for p in plans][1],
                [(b.part, b.variant, b.sets) for b in plans[0].blocks],
                (child, minutes),
            )

    @slow
    def test_three_boxes_and_stations_hold_the_targets_that_were_chosen(self) -> None:
        """Wherever something here trains a target it has a block; where nothing does, the plan says so."""
        for format_id, seed in product(("boxes", "stations"), range(24)):
            request = replace(made_up_request(seed), format_id=format_id, minutes=35)
            plan = plan_session(request)
            if plan.status == "infeasible":
                continue
            worked = {b.target for b in plan.blocks}
            words = " ".join(plan.notes)
            for target in set(request.targets) - worked:
                name = TARGETS[target].name.lower()
                self.assertRegex(
                    words,
                    f"No work on {name}|No room for work on {name}|Nothing here is left for work on {name}",
                    (format_id, seed),
                )
                if f"No work on {name}" in words:
                    self.assertNotIn(target, {STRANDS[c.strand].target for c in all_candidates(request) if c.on_target})
