"""Databases of earlier versions, each with two children of its demo (states/, named by the day of their version):
brought up to date as a start does, they open, and what was in them is there.
"""

import json
import os
import subprocess
import sys
from pathlib import Path

from django.conf import settings
from django.db import connection
from django.test import SimpleTestCase, tag

STATES = sorted((Path(__file__).parent / "states").glob("*.dump"))
LOOK = """
import json
from django.core.management import call_command
call_command('migrate', verbosity=0)
call_command('read_runs_again')
from caseload.models import Child
from clinic.models import AuditEntry, Member
from running.models import Run, RunEvent
from testing.builders import Api
before = AuditEntry.objects.count()
lead = Member.objects.get(user__username='maren')
api, asked = Api(lead), ['/caseload', '/me', '/people', '/own', '/audit', '/clinic']
for child in Child.objects.all():
    of = f'/children/{child.pk}'
    asked += [of, f'{of}/progress', f'{of}/plans?limit=3', f'{of}/goals', f'{of}/library?home_id={child.home_id}']
    asked += [f'/homes/{child.home_id}/cupboard?child_id={child.pk}']
    for run in child.runs.all()[:2]:
        asked += [f'/runs/{run.pk}', f'/runs/{run.pk}/results', f'/plans/{run.plan_id}']
refused = [(path, status) for path in asked for status in [api('get', path)[0]] if status != 200]
made = api('post', f'/children/{Child.objects.first().pk}/plans', {
    'home_id': Child.objects.first().home_id, 'minutes': 30, 'targets': ['grasp', 'bilateral']})
signs_in = api.client.post('/api/session', {'username': 'maren', 'password': 'a long enough one'},
    content_type='application/json').status_code
print(json.dumps({'refused': refused, 'plan': made[0], 'audit': before, 'taps': RunEvent.objects.count(),
    'runs': Run.objects.filter(ended_at__isnull=False).count(), 'signs_in': signs_in, 'asked': len(asked)}))
"""


@tag("slow")
class UpgradeTest(SimpleTestCase):
    databases = ("default",)

    def setUp(self) -> None:
        self.name = f"test_upgrade_{os.getpid()}"
        self.drop()
        self.addCleanup(self.drop)

    def as_owner(self, *words: str) -> subprocess.CompletedProcess[bytes]:
        at = connection.settings_dict
        command = [words[0], "-h", str(at["HOST"]), "-p", str(at["PORT"]), "-U", str(at["USER"]), *words[1:]]
        environment = {**os.environ, "PGPASSWORD": str(at["PASSWORD"])}
        return subprocess.run(command, env=environment, check=True, capture_output=True)

    def drop(self) -> None:
        self.as_owner("dropdb", "--if-exists", self.name)

    def manage(self, *words: str) -> str:
        done = subprocess.run(
            [sys.executable, "manage.py", *words],
            cwd=settings.BACKEND,
            env={**os.environ, "POLLICOR_DB_NAME": self.name, "POLLICOR_HOSTS": "testserver"},
            capture_output=True,
            text=True,
            check=False,
        )
        self.assertEqual(done.returncode, 0, done.stderr[-3000:])
        return done.stdout

    def count(self, table: str) -> int:
        out = self.as_owner("psql", "-d", self.name, "-tAc", f"select count(*) from {table}").stdout
        return int(out)

    def test_a_database_of_each_earlier_version_opens(self) -> None:
        self.assertGreaterEqual(len(STATES), 3)
        for state in STATES:
            with self.subTest(state.stem):
                self.drop()
                self.as_owner("createdb", self.name)
                self.as_owner("pg_restore", "-d", self.name, "--no-owner", "--exit-on-error", str(state))
                tables = {"taps": "running_runevent", "audit": "clinic_auditentry"}
                before = {what: self.count(table) for what, table in tables.items()}
                self.assertTrue(all(before.values()), before)
                seen = json.loads(self.manage("shell", "--verbosity", "0", "-c", LOOK).splitlines()[-1])
                self.assertEqual((seen["refused"], seen["plan"], seen["signs_in"]), ([], 200, 200))
                self.assertEqual({what: seen[what] for what in before}, before)
                self.assertGreater(seen["runs"], 0)
