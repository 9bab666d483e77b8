#!/usr/bin/env bash
# Installs what is missing, starts the database and the server, prints the address and the sign-in.
set -euo pipefail
source "$(dirname "$0")/common.sh"
source "$ROOT/scripts/install.sh"
EMPTY=no
for option in "$@"; do
  case $option in --empty) EMPTY=yes ;; *) die "start knows --empty, not $option" ;; esac
done

apt_install postgresql postgresql-client gpg gpg-agent $PDF_LIBRARIES
python_packages requirements.lock
front_end
source "$ROOT/scripts/database.sh"
find_postgres
db_start postgres 54329
db_create pollicor
POLLICOR_SECRET_KEY=${POLLICOR_SECRET_KEY:-$(secret django-key 48)}
export POLLICOR_SECRET_KEY

POLLICOR_SETUP_CODE=$(secret setup-code | tr -d '_=-' | cut -c1-16)
export POLLICOR_SETUP_CODE

source "$ROOT/scripts/supervise.sh"
if supervised; then
  supervisor start all >/dev/null 2>&1 || true # what has given up is tried again
  say "Pollicor is running already at http://127.0.0.1:$(cat "$VAR/server.port")/"
  exit 0
fi
end_left_over
# Migrating and looking for a clinic cost seconds each: skipped when this database had just these migrations before.
migrations=$(cat "$ROOT"/backend/*/migrations/*.py "$ROOT/backend/requirements.lock" | sha256sum | cut -c1-32)
if ! stamp_is "$VAR/postgres.migrated" "$migrations"; then
  manage migrate --verbosity 0
  manage read_runs_again >>"$VAR/log/migrate.log" # stored taps, read as the rules read them now
  [ "$EMPTY" = yes ] || [ "$(psql_as_owner -d "$POLLICOR_DB_NAME" -tAc 'select count(*) from clinic_clinic')" != 0 ] ||
    POLLICOR_DEMO_PASSWORD=$(secret demo-password) manage load_demo
  db_let_in
  echo "$migrations" >"$VAR/postgres.migrated"
fi
as_web
[ "$ROOT/backend/static/.stamp" -nt "$ROOT/frontend/dist/.stamp" ] || { manage collectstatic --noinput --clear -i ninja --verbosity 0 && touch "$ROOT/backend/static/.stamp"; }

FIRST=${POLLICOR_PORT:-8470}
[[ $FIRST =~ ^[0-9]+$ ]] && [ "$FIRST" -ge 1 ] && [ "$FIRST" -le 65000 ] || die "POLLICOR_PORT is “$FIRST”: use a number from 1 to 65000"
PORT=$(free_port "$FIRST")

# setup_is_open PORT: whether the server there is still without a clinic of its own
setup_is_open() {
  "$PY" - "http://127.0.0.1:$1/api/setup" <<'PYTHON'
import json, sys, urllib.request as u
asked = u.Request(sys.argv[1], headers={"X-Forwarded-Proto": "https"})  # as the front would say it
sys.exit(not json.load(u.urlopen(asked, timeout=20))["open"])
PYTHON
}

supervise "$PORT" || { supervisor_stop; PORT=$(free_port $((PORT + 1))); supervise "$PORT"; } || die "the server did not start: see $VAR/log/server.log"
echo "$PORT" >"$VAR/server.port"
say "Pollicor is at http://127.0.0.1:$PORT/"
[ "$EMPTY" = yes ] || [ ! -f "$VAR/secrets/demo-password" ] || say "Sign in as maren (lead), tove (therapist) or ilja (assistant), password $(secret demo-password)"
! setup_is_open "$PORT" || say "Set up your own clinic at http://127.0.0.1:$PORT/set-up with the code $POLLICOR_SETUP_CODE"
