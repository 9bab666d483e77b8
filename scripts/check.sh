#!/usr/bin/env bash
# Formatting, types, layers, and whether the generated client is the one the API describes.
set -euo pipefail
source "$(dirname "$0")/common.sh"
source "$ROOT/scripts/install.sh"
export DJANGO_SETTINGS_MODULE=config.settings.test
python_packages requirements-dev.lock
front_end
source "$ROOT/scripts/database.sh"
db_start test-postgres 54429 "-c fsync=off -c synchronous_commit=off -c full_page_writes=off"
db_create pollicor
trap 'db_stop test-postgres' EXIT
cd "$ROOT/backend"
say "ruff"; ruff check -q . ; ruff format -q --check .
say "mypy"; mypy
say "layers"; lint-imports >"$VAR/log/layers.log" || { cat "$VAR/log/layers.log"; exit 1; }
say "picture of the packages"; "$PY" "$ROOT/scripts/draw_packages.py" --check
say "tables of the sources"; "$PY" "$ROOT/scripts/write_tables.py" --check
say "migrations"; "$PY" manage.py makemigrations --check --dry-run --verbosity 0
say "API client"
"$PY" manage.py export_openapi_schema --api config.api.api --indent 1 --output "$VAR/openapi.json" >/dev/null
cmp -s "$VAR/openapi.json" "$ROOT/frontend/src/api/openapi.json" || die "the API changed: run ./pollicor client and commit what it writes"
"$PY" "$ROOT/scripts/write_marks.py" --check
cd "$ROOT/frontend"
node_modules/.bin/openapi-typescript src/api/openapi.json -o "$VAR/schema.ts" >/dev/null 2>&1
cmp -s "$VAR/schema.ts" src/api/schema.ts || die "the API client is out of date: run ./pollicor client and commit what it writes"
say "prettier"; node_modules/.bin/prettier --log-level warn --check src ./*.ts ./*.js
say "eslint"; node_modules/.bin/eslint src
say "vue-tsc"; node_modules/.bin/vue-tsc --noEmit
