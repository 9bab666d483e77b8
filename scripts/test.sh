#!/usr/bin/env bash
# Checks, then all tests, on a database cluster of their own (fsync off there, and only there).
set -euo pipefail
source "$(dirname "$0")/common.sh"
source "$ROOT/scripts/install.sh"
apt_install postgresql postgresql-client chromium fonts-dejavu-core $PDF_LIBRARIES
[ $# -gt 0 ] || bash "$ROOT/scripts/check.sh"
python_packages requirements-dev.lock
front_end
[ $# -gt 0 ] || (cd "$ROOT/frontend" && node_modules/.bin/vitest run)
source "$ROOT/scripts/database.sh"
db_start test-postgres 54429 "-c fsync=off -c synchronous_commit=off -c full_page_writes=off"
db_create pollicor
trap 'db_stop test-postgres' EXIT
export DJANGO_SETTINGS_MODULE=config.settings.test DJANGO_ALLOW_ASYNC_UNSAFE=true
cd "$ROOT/backend"
"$PY" -W error::RuntimeWarning manage.py test --noinput --parallel "$(nproc)" "$@" 2>&1 | tee "$VAR/log/test.log"
ran=$(sed -n 's/^Ran \([0-9]*\) tests\?.*/\1/p' "$VAR/log/test.log" | tail -1)
say "${ran:-0} passed, 0 failed"
