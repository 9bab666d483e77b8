#!/usr/bin/env bash
# Writes the OpenAPI document and the TypeScript client generated from it.
set -euo pipefail
source "$(dirname "$0")/common.sh"
export DJANGO_SETTINGS_MODULE=config.settings.test
manage export_openapi_schema --api config.api.api --indent 1 --output "$ROOT/frontend/src/api/openapi.json" >/dev/null
cd "$ROOT/frontend" && node_modules/.bin/openapi-typescript src/api/openapi.json -o src/api/schema.ts
"$PY" "$ROOT/scripts/write_marks.py"
