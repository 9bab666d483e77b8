"""Own activities and things: written, checked, shared in versions, planned and stocked like any other, put away."""

from copy import deepcopy
from uuid import uuid4

from clinic.models import AuditEntry, Clinic
from core.library import activity_as_written, blank, find_activity
from shelf.models import OwnEntry
from testing.builders import Api, make_child, make_home, make_member
from testing.own import REEL, OwnTest, pot_drop
from testing.tags import slow


class WritingTest(OwnTest):
    def test_a_blank_lacks_only_its_name(self) -> None:
        status, entry = self.api("post", "/own", {"kind": "activity", "blank": "thread"})
        self.assertEqual(status, 201)
        self.assertEqual([i["at"] for i in entry["issues"]], ["name"])
        self.assertEqual(self.api("post", "/own", {"kind": "activity", "blank": "dreaming"})[0], 422)

    def test_the_strand_that_stands_first_stays_first(self) -> None:
        entry = self.begun({**blank("thread"), "name": "Bead gate"})
        self.assertEqual(list(entry["values"]["trains"]), ["object_grasp", "hold_and_act"])
        shared = self.api("post", f"/own/{entry['id']}/share", {"version": entry["version"]})[1]
        self.assertEqual(find_activity(shared["ref"]).strand, "object_grasp")
        other = {**blank("thread"), "name": "Bead gate", "trains": {"hold_and_act": 3, "object_grasp": 3.5}}
        self.assertNotEqual(self.shared(other)["ref"], shared["ref"])

    def test_a_copy_begins_as_the_library_has_it(self) -> None:
        entry = self.api("post", "/own", {"kind": "activity", "copy_of": "peg_fence"})[1]
        self.assertEqual(entry["values"]["axes"], activity_as_written("peg_fence")["axes"])
        self.assertEqual((entry["issues"], entry["copied_from"]), ([], "peg_fence"))

    def test_the_same_request_begins_one(self) -> None:
        body = {"kind": "activity", "blank": "piece", "request": str(uuid4())}
        first, again = self.api("post", "/own", body)[1], self.api("post", "/own", body)[1]
        self.assertEqual(first["id"], again["id"])

    def test_everything_that_is_wrong_is_said_at_its_field(self) -> None:
        values = pot_drop(name="", seconds=99, does="Your child squeezes with 8 N.")
        values["axes"][0]["steps"][2]["adds"] = {"object_grasp": 0.2}
        entry = self.begun(values)
        self.assertLessEqual({"name", "does"}, {i["at"] for i in entry["issues"]})
        self.assertTrue(all(i["reason"] and i["remedy"] for i in entry["issues"]))
        entry = self.begun({**values, "name": "Pot drop", "does": "Your child drops it in."})
        self.assertEqual({i["at"] for i in entry["issues"]}, {"seconds", "axes.0.steps.2.adds"})
        status, problem = self.api("post", f"/own/{entry['id']}/share", {"version": entry["version"]})
        self.assertEqual(status, 422)
        self.assertEqual({f["field"] for f in problem["fields"]}, {"seconds", "axes.0.steps.2.adds"})

    def test_nothing_a_family_reads_can_be_left_empty(self) -> None:
        said = ("does", "counts_when", "why", "say", "stop")
        entry = self.begun(pot_drop(**dict.fromkeys(said, "  ")))
        self.assertEqual({i["at"] for i in entry["issues"]}, set(said))
        entry = self.begun(pot_drop(steps=["You: lay it out.", ""], grip=""))
        self.assertEqual({i["at"] for i in entry["issues"]}, {"steps.1"})

    def test_what_its_words_ask_is_answered_before_it_is_shared_and_signed(self) -> None:
        values = pot_drop(name="Magnet drop")
        entry = self.begun(values)
        self.assertEqual([(q["at"], q["hazard"]) for q in entry["questions"]], [("name", "magnet")])
        share = {"version": entry["version"]}
        status, problem = self.api("post", f"/own/{entry['id']}/share", share)
        self.assertEqual((status, [f["field"] for f in problem["fields"]]), (422, ["name"]))

        answered = {**values, "answers": {"magnet": {"yes": False, "by": "somebody else", "on": "2020-01-01"}}}
        entry = self.api("put", f"/own/{entry['id']}", {"values": answered, "version": entry["version"]})[1]
        answer = entry["values"]["answers"]["magnet"]
        self.assertEqual((answer["yes"], answer["by"]), (False, self.lead.name))
        again = self.api("put", f"/own/{entry['id']}", {"values": answered, "version": entry["version"]})[1]
        self.assertEqual(again["values"]["answers"]["magnet"], answer, "whose it was")
        self.assertEqual(self.api("post", f"/own/{entry['id']}/share", {"version": again["version"]})[0], 200)

    def test_another_clinics_answers_are_not_taken_over(self) -> None:
        values = {**pot_drop(name="Magnet drop"), "answers": {"magnet": {"yes": False, "by": "x", "on": ""}}}
        file = {"format": "pollicor own library 1", "entries": [{"kind": "activity", "values": values}]}
        status, taken = self.api("post", "/own-file", {"file": file})
        self.assertEqual((status, taken["refused"]), (200, []))
        entry = self.api("get", f"/own/{taken['begun'][0]['id']}")[1]
        self.assertEqual([q["hazard"] for q in entry["questions"]], ["magnet"])

    def test_what_follows_from_the_kind_of_work_can_not_be_taken_off(self) -> None:
        for kind in ("weight", "toss", "cut_food", "snip", "resistance"):
            entry = self.begun({**blank(kind), "name": "Harbour game", "tags": []})
            self.assertIn("tags", {i["at"] for i in entry["issues"]}, kind)

    def test_scissors_are_said_to_the_hazard_rules(self) -> None:
        values = {**blank("snip"), "name": "Ribbon snips", "tags": []}
        self.assertEqual([i["at"] for i in self.begun(values)["issues"]], ["tags"])

    def test_a_picture_that_can_not_be_drawn_is_an_issue_of_its_frame(self) -> None:
        values = pot_drop(picture=[{"act": "put", "thing": "moon", "into": "pot"}])
        self.assertEqual([i["at"] for i in self.begun(values)["issues"]], ["picture.0"])

    def test_a_character_no_text_has_is_refused(self) -> None:
        for words in ("a\x00b", "half a pair: \ud83d"):
            status, problem = self.api("post", "/own", {"kind": "activity", "values": {"name": words}})
            self.assertEqual(status, 422, problem)

    def test_more_text_than_an_activity_has_is_refused(self) -> None:
        self.assertEqual(self.api("post", "/own", {"kind": "thing", "values": {"name": "x" * 70_000}})[0], 422)

    def test_a_draft_over_somebody_elses_is_a_conflict(self) -> None:
        entry = self.begun(pot_drop())
        body = {"values": pot_drop(name="Mine"), "version": entry["version"]}
        self.assertEqual(self.api("put", f"/own/{entry['id']}", body)[0], 200)
        self.assertEqual(self.api("put", f"/own/{entry['id']}", body)[0], 409)

    def test_an_assistant_may_look_and_not_write(self) -> None:
        entry = self.shared(pot_drop())
        helper = Api(make_member("assistant", self.lead.clinic))
        self.assertEqual(helper("get", f"/own/{entry['id']}")[0], 200)
        self.assertEqual(helper("post", "/own", {"kind": "activity", "blank": "piece"})[0], 403)
        self.assertEqual(helper("put", "/hidden", {"activity_id": "peg_fence", "is_hidden": True})[0], 403)

    def test_every_write_is_in_the_audit_log(self) -> None:
        self.shared(pot_drop())
        self.assertEqual(AuditEntry.objects.filter(action="shelf.write").count(), 2)

    @slow
    def test_looking_keeps_nothing(self) -> None:
        status, seen = self.api("post", "/own-look", {"kind": "activity", "values": pot_drop()})
        self.assertEqual(status, 200)
        self.assertIn("<svg", seen["activity"]["picture"])
        self.assertEqual([g["rung"] for g in seen["activity"]["grades"]], [3.0, 3.7, 4.4])
        self.assertTrue(all(f["count"] for f in seen["activity"]["fills"]))
        self.assertEqual(self.api("get", "/own")[1], [])

    def test_words_hard_to_read_are_pointed_out_and_no_bar(self) -> None:
        words = "Independently demonstrate sophisticated manipulation of miscellaneous materials."
        seen = self.api("post", "/own-look", {"kind": "activity", "values": pot_drop(why=words)})[1]
        self.assertEqual((seen["issues"], [a["at"] for a in seen["advice"]]), ([], ["why"]))


class VersionsTest(OwnTest):
    def test_a_version_stays_as_it_was_shared(self) -> None:
        first = self.shared(pot_drop())
        second = self.written(first, pot_drop(name="Pot drop, louder"))
        self.assertEqual([v["number"] for v in second["versions"]], [2, 1])
        self.assertNotEqual(first["ref"], second["ref"])
        self.assertEqual(find_activity(first["ref"]).name, "Pot drop")
        self.assertEqual(find_activity(second["ref"]).name, "Pot drop, louder")

    def test_what_was_learned_outlives_words_and_ends_with_the_grades(self) -> None:
        first = self.shared(pot_drop())
        line = find_activity(first["ref"]).line
        words = self.written(first, pot_drop(name="Plop"))
        self.assertEqual(find_activity(words["ref"]).line, line)
        harder = deepcopy(pot_drop(name="Plop"))
        harder["axes"][0]["steps"][1]["adds"] = {"object_grasp": 0.9}
        graded = self.written(words, harder)
        self.assertNotEqual(find_activity(graded["ref"]).line, line)

    def test_going_back_to_the_same_words_is_the_same_version(self) -> None:
        first = self.shared(pot_drop())
        second = self.written(first, pot_drop(name="Plop"))
        third = self.written(second, pot_drop())
        self.assertEqual((third["ref"], third["number"]), (first["ref"], 1))

    def test_a_plan_keeps_the_version_it_was_made_with(self) -> None:
        child = make_child(self.lead)
        first = self.shared(pot_drop())
        wish = {"minutes": 30, "targets": ["grasp"], "home_id": child.home_id}
        plan = self.api("post", f"/children/{child.pk}/plans", wish)[1]
        block = {"part": "main", "activity_id": first["ref"], "grade": [0], "sets": 1}
        body = {"version": plan["version"], "blocks": [block]}
        status, plan = self.api("put", f"/plans/{plan['id']}/blocks", body)
        self.assertEqual(status, 200, plan)
        self.written(first, pot_drop(name="Plop"))
        shown = self.api("get", f"/plans/{plan['id']}")[1]["blocks"][0]
        self.assertEqual((shown["name"], shown["problem"]), ("Pot drop", ""))

    def test_the_library_says_what_changed_since_the_copy_and_leaves_the_copy(self) -> None:
        entry = self.api("post", "/own", {"kind": "activity", "copy_of": "peg_fence"})[1]
        self.assertEqual(entry["library_changes"], [])
        row = OwnEntry.objects.get(pk=entry["id"])
        row.copied_values = {**row.copied_values, "say": "Squeeze."}  # as an earlier library had it
        row.draft = {**row.draft, "say": "Crocodile!"}
        row.save()
        (change,) = self.api("get", f"/own/{entry['id']}")[1]["library_changes"]
        now = activity_as_written("peg_fence")["say"]
        self.assertEqual([change[k] for k in ("field", "was", "now", "yours")], ["say", "Squeeze.", now, "Crocodile!"])


class UsedTest(OwnTest):
    @slow
    def test_it_is_in_the_library_of_its_own_clinic_alone(self) -> None:
        child = make_child(self.lead)
        entry = self.begun(pot_drop())
        self.assertNotIn("Pot drop", {r["name"] for r in self.library(child).values()})
        ref = self.api("post", f"/own/{entry['id']}/share", {"version": entry["version"]})[1]["ref"]
        self.assertGreater(self.library(child)[ref]["offered"], 0)
        stranger = make_member("lead")
        theirs = make_child(stranger)
        api = Api(stranger)
        rows = api("get", f"/children/{theirs.pk}/library?home_id={theirs.home_id}")[1]
        self.assertNotIn(ref, {r["activity_id"] for r in rows})
        block = {"part": "main", "activity_id": ref, "grade": [0], "sets": 1}
        self.assertEqual(api("post", f"/children/{theirs.pk}/forecast?home_id={theirs.home_id}", block)[0], 404)

    @slow
    def test_the_planner_chooses_it_where_it_is_all_there_is(self) -> None:
        home = make_home(self.lead, {"cork": 12, "wide_bowl": 1})
        child = make_child(self.lead, home, wanted=[])
        entry = self.shared(pot_drop(parts=["opener", "warm-up", "main", "stretch", "daily", "tidy"]))
        for other in [r for r in self.library(child) if r != entry["ref"]]:
            self.api("put", "/hidden", {"activity_id": other, "is_hidden": True})
        wish = {"minutes": 15, "targets": ["grasp"], "home_id": home.pk, "format_id": "home"}
        plan = self.api("post", f"/children/{child.pk}/plans", wish)[1]
        self.assertEqual([b["name"] for b in plan["blocks"]], ["Pot drop"])

    @slow
    def test_hidden_is_not_offered_and_can_be_shown_again(self) -> None:
        child = make_child(self.lead)
        self.assertIn("peg_fence", self.library(child))
        status, hidden = self.api("put", "/hidden", {"activity_id": "peg_fence", "is_hidden": True})
        self.assertEqual((status, [h["id"] for h in hidden["activities"]]), (200, ["peg_fence"]))
        self.assertNotIn("peg_fence", self.library(child))
        self.api("put", "/hidden", {"activity_id": "peg_fence", "is_hidden": False})
        self.assertIn("peg_fence", self.library(child))

    def test_archive_it_is_offered_no_more(self) -> None:
        child = make_child(self.lead)
        entry = self.shared(pot_drop())
        body = {"version": entry["version"], "is_archived": True}
        self.assertTrue(self.api("post", f"/own/{entry['id']}/archive", body)[1]["is_archived"])
        self.assertNotIn(entry["ref"], self.library(child))


class FilesTest(OwnTest):
    def test_what_is_exported_is_taken_in_elsewhere_as_a_draft(self) -> None:
        entry = self.shared(pot_drop())
        self.shared(REEL, "thing")
        file = self.api("get", "/own-file")[1]
        self.assertEqual(len(file["entries"]), 2)
        there = Api(make_member("lead"))
        status, taken = there("post", "/own-file", {"file": file})
        self.assertEqual((status, len(taken["begun"]), taken["known"], taken["refused"]), (200, 2, [], []))
        self.assertTrue(all(e["number"] is None and e["has_draft"] for e in taken["begun"]))
        again = there("post", "/own-file", {"file": file})[1]
        self.assertEqual((again["begun"], sorted(again["known"])), ([], ["Pot drop", "Wooden reels"]))
        made = there("get", f"/own/{next(e['id'] for e in taken['begun'] if e['kind'] == 'activity')}")[1]
        made = there("post", f"/own/{made['id']}/share", {"version": made["version"]})[1]
        self.assertEqual(find_activity(made["ref"]).name, find_activity(entry["ref"]).name)
        self.assertNotEqual(made["ref"], entry["ref"])

    def test_what_can_not_be_used_is_said_and_the_rest_taken_in(self) -> None:
        good, bad = pot_drop(), pot_drop(name="Broken", seconds=99)
        file = {"format": "pollicor own library 1", "entries": [{"kind": "activity", "values": v} for v in (good, bad)]}
        taken = self.api("post", "/own-file", {"file": file})[1]
        self.assertEqual([e["name"] for e in taken["begun"]], ["Pot drop"])
        self.assertEqual([(r["name"], r["issues"][0]["at"]) for r in taken["refused"]], [("Broken", "seconds")])

    def test_another_kind_of_file_is_refused(self) -> None:
        for file in ({}, {"format": "x"}, {"format": "pollicor own library 1", "entries": [{"kind": "recipe"}]}):
            self.assertEqual(self.api("post", "/own-file", {"file": file})[0], 422, file)

    def test_one_alone_is_a_file_too(self) -> None:
        entry = self.begun(pot_drop())
        file = self.api("get", f"/own/{entry['id']}/file")[1]
        self.assertEqual([e["values"]["name"] for e in file["entries"]], ["Pot drop"])


class ListTest(OwnTest):
    def test_each_says_what_it_is_in_a_line(self) -> None:
        self.begun(pot_drop())
        self.begun(REEL, "thing")
        task = {"name": "Feed the ducks", "steps": [{"words": "open the bag"}, {"words": "throw"}]}
        self.begun(task, "task")
        for odd in ("not a list of steps", 5, {"a": 1}, None, [3]):
            self.begun({"name": "Odd", "steps": odd}, "task")
        about = {e["name"]: e["about"] for e in self.api("get", "/own")[1]}
        self.assertEqual(about["Pot drop"], blank("piece")["does"])
        self.assertEqual(about["Wooden reels"], "")
        self.assertEqual(about["Feed the ducks"], "open the bag, throw")

    def test_small_pictures_of_what_can_be_drawn_and_of_nobody_elses(self) -> None:
        whole, thing = self.shared(pot_drop())["id"], self.begun(REEL, "thing")["id"]
        broken = self.begun(pot_drop(does=""))["id"]
        stranger = Api(make_member("lead", clinic=Clinic.objects.create(name="Elsewhere"), username="elsewhere"))
        query = "&".join(f"id={i}" for i in (whole, thing, broken))
        pictures = self.api("get", f"/own-pictures?{query}")[1]["pictures"]
        self.assertEqual(
            {i: bool(p) for i, p in pictures.items()}, {str(whole): True, str(thing): True, str(broken): False}
        )
        self.assertIn("<svg", pictures[str(whole)])
        self.assertEqual(stranger("get", f"/own-pictures?{query}")[1]["pictures"], {})

    def test_refuses_too_many_and_what_is_no_number(self) -> None:
        for query in ("&".join(f"id={i}" for i in range(1, 14)), "id=x", f"id={10**30}", ""):
            self.assertEqual(self.api("get", f"/own-pictures?{query}")[0], 422, query)
