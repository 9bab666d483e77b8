#!/usr/bin/env bash
# For work on the code: database, server, worker and front end, each reloading what changes. One Ctrl-C ends them all.
set -euo pipefail
source "$(dirname "$0")/common.sh"
source "$ROOT/scripts/install.sh"
export DJANGO_SETTINGS_MODULE=config.settings.dev
apt_install postgresql postgresql-client $PDF_LIBRARIES
python_packages requirements-dev.lock
front_end_packages
source "$ROOT/scripts/database.sh"
find_postgres
db_start dev-postgres 54629
trap 'db_stop dev-postgres' EXIT
db_create pollicor
manage migrate --verbosity 0
manage load_demo --password demo --if-empty
WEB_PORT=$(free_port "${POLLICOR_PORT:-8480}")
PAGE_PORT=$(free_port "${POLLICOR_PAGE_PORT:-5173}")
export WEB_PORT PAGE_PORT ROOT POLLICOR_VENV=$VENV
say "Pollicor is at http://127.0.0.1:$PAGE_PORT/ · the API's pages are at http://127.0.0.1:$WEB_PORT/api/docs"
say "Sign in as maren (lead), tove (therapist) or ilja (assistant), password demo · end with Ctrl-C"
"$VENV/bin/honcho" --procfile "$ROOT/scripts/Procfile" start || true # Ctrl-C is how it ends
