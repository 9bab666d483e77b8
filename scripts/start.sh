#!/usr/bin/env bash
# Installs what is missing, starts the database and the server, prints the address and the sign-in.
set -euo pipefail
source "$(dirname "$0")/common.sh"
source "$ROOT/scripts/install.sh"
EMPTY=no
for option in "$@"; do
  case $option in --empty) EMPTY=yes ;; *) die "start knows --empty, not $option" ;; esac
done

apt_install postgresql postgresql-client $PDF_LIBRARIES
python_packages requirements.txt
front_end
source "$ROOT/scripts/database.sh"
db_start postgres 54329
db_create pollicor
POLLICOR_SECRET_KEY=$(secret django-key)
export POLLICOR_SECRET_KEY

if [ -f "$VAR/server.pid" ] && kill -0 "$(cat "$VAR/server.pid")" 2>/dev/null; then
  say "Pollicor is running already at http://127.0.0.1:$(cat "$VAR/server.port")/"
  exit 0
fi
# Migrating and looking for a clinic cost seconds each: skipped when this database had just these migrations before.
migrations=$(cat "$ROOT"/backend/*/migrations/*.py "$ROOT/backend/requirements.txt" | sha256sum | cut -c1-32)
if ! stamp_is "$VAR/postgres.migrated" "$migrations"; then
  manage migrate --verbosity 0
  [ "$EMPTY" = yes ] || manage load_demo --password "$(secret demo-password)" --if-empty
  echo "$migrations" >"$VAR/postgres.migrated"
fi
[ "$ROOT/backend/static/.stamp" -nt "$ROOT/frontend/dist/.stamp" ] || { manage collectstatic --noinput --clear -i ninja --verbosity 0 && touch "$ROOT/backend/static/.stamp"; }

export POLLICOR_HOSTS=127.0.0.1,localhost
alive() { [ -s "$VAR/server.pid" ] && kill -0 "$(cat "$VAR/server.pid")" 2>/dev/null; }
serve() { # serve PORT: whether our own server, and nobody else's, answers there
  rm -f "$VAR/server.pid"
  (cd "$ROOT/backend" && "$VENV/bin/gunicorn" config.wsgi:application --bind "127.0.0.1:$1" --workers 2 --threads 2 \
    --preload --timeout 60 --no-control-socket --daemon --pid "$VAR/server.pid" --capture-output --error-logfile "$VAR/log/server.log")
  for _ in $(seq 1 150); do
    alive && ! port_is_free "$1" && sleep 0.2 && alive && return 0
    sleep 0.1
  done
  return 1
}
# Two background workers plan whole caseloads; they give way to the web.
for n in 1 2; do
  worker_alive "$n" && continue
  (cd "$ROOT/backend" && exec nice -n 10 "$PY" manage.py procrastinate worker --concurrency 1 --name "worker-$n") \
    >>"$VAR/log/worker-$n.log" 2>&1 </dev/null & echo $! >"$VAR/worker-$n.pid"
done
PORT=$(free_port "${POLLICOR_PORT:-8470}")
serve "$PORT" || { PORT=$(free_port $((PORT + 1))); serve "$PORT"; } || die "the server did not start: see $VAR/log/server.log"
echo "$PORT" >"$VAR/server.port"
say "Pollicor is at http://127.0.0.1:$PORT/"
[ "$EMPTY" = yes ] || say "Sign in as maren (lead), tove (therapist) or ilja (assistant), password $(secret demo-password)"
[ "$EMPTY" = no ] || say "An empty start: make the first sign-in with  scripts/manage.sh add_member NAME CLINIC lead"
