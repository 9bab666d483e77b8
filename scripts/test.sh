#!/usr/bin/env bash
# Checks, then tests, on a database cluster of their own (fsync off there, and only there).
#   test            everything
#   test --fast     checks of Python, and the tests that take no browser and no time: for use while working
#   test LABELS     only these tests
set -euo pipefail
source "$(dirname "$0")/common.sh"
source "$ROOT/scripts/install.sh"
FAST=no
[ "${1:-}" != --fast ] || { FAST=yes; shift; }

if [ "$FAST" = yes ]; then
  apt_install postgresql postgresql-client gpg gpg-agent $PDF_LIBRARIES
  locked_python_packages requirements-dev.lock
  LABELS=$(cd "$ROOT/backend" && find . -type d -name tests | sed 's#^\./##; s#/#.#g' | sort)
  set -- --keepdb --exclude-tag slow ${LABELS}
else
  apt_install postgresql postgresql-client gpg gpg-agent faketime chromium nginx-light fonts-dejavu-core $PDF_LIBRARIES
  [ $# -gt 0 ] || bash "$ROOT/scripts/check.sh"
  python_packages requirements-dev.lock
  front_end
  [ $# -gt 0 ] || (cd "$ROOT/frontend" && node_modules/.bin/vitest run)
fi

source "$ROOT/scripts/database.sh"
db_start test-postgres 54429 "-c fsync=off -c synchronous_commit=off -c full_page_writes=off"
db_create pollicor
trap 'db_stop test-postgres' EXIT
export DJANGO_SETTINGS_MODULE=config.settings.test DJANGO_ALLOW_ASYNC_UNSAFE=true
cd "$ROOT/backend"
if [ "$FAST" = yes ]; then ruff check -q . && ruff format -q --check . && mypy; fi
# One process more than there are processors: browsers and servers are waited for much of the time.
outcome=0
"$PY" -W error::RuntimeWarning manage.py test --noinput --parallel $(($(nproc) + 1)) "$@" 2>&1 | tee "$VAR/log/test.log" || outcome=$?
# What the runner itself reported, so that a count can't say more than was run.
ran=$(sed -n 's/^Ran \([0-9]*\) tests\?.*/\1/p' "$VAR/log/test.log" | tail -1)
verdict=$(grep -E '^(OK|FAILED|NO TESTS RAN)' "$VAR/log/test.log" | tail -1)
count() { grep -oE "\b$1=[0-9]+" <<<"$verdict" | cut -d= -f2 || echo 0; }
ran=${ran:-0} failed=$(($(count failures) + $(count errors))) skipped=$(count skipped)
say "$ran run, $((ran - failed - skipped)) passed, $failed failed, $skipped skipped"
exit $outcome
