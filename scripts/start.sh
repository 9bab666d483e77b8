#!/usr/bin/env bash
# Installs what is missing, starts the database and the server, prints the address and the sign-in.
set -euo pipefail
source "$(dirname "$0")/common.sh"
source "$ROOT/scripts/preparing.sh"
source "$ROOT/scripts/supervise.sh"
EMPTY=no
for option in "$@"; do
  case $option in --empty) EMPTY=yes ;; *) die "start knows --empty, not $option" ;; esac
done

prepare_machine
reach_database
if supervised; then
  supervisor start all >/dev/null 2>&1 || true # what has given up is tried again
  say "Pollicor is running already at http://127.0.0.1:$(cat "$VAR/server.port")/"
  exit 0
fi
end_left_over
prepare_tables
as_web

FIRST=$(wanted_port)
PORT=$(free_port "$FIRST")

supervise "$PORT" || { supervisor_stop; PORT=$(free_port $((PORT + 1))); supervise "$PORT"; } || die "the server did not start: see $VAR/log/server.log"
echo "$PORT" >"$VAR/server.port"
say "Pollicor is at http://127.0.0.1:$PORT/"
[ "$EMPTY" = yes ] || [ ! -f "$VAR/secrets/demo-password" ] || say "Sign in as maren (lead), tove (therapist) or ilja (assistant), password $(secret demo-password)"
say_set_up "$PORT"
