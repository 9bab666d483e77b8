#!/usr/bin/env bash
# Stops what start began, and nothing else.
set -euo pipefail
source "$(dirname "$0")/common.sh"
source "$ROOT/scripts/database.sh"
if [ -f "$VAR/server.pid" ]; then
  pid=$(cat "$VAR/server.pid")
  if kill -0 "$pid" 2>/dev/null && tr '\0' ' ' <"/proc/$pid/cmdline" | grep -q "$ROOT.*gunicorn"; then
    kill "$pid"
    for _ in $(seq 1 100); do kill -0 "$pid" 2>/dev/null || break; sleep 0.1; done
  fi
  rm -f "$VAR/server.pid"
fi
for n in 1 2; do
  ! worker_alive "$n" || kill "$(cat "$VAR/worker-$n.pid")"
  for _ in $(seq 1 50); do worker_alive "$n" || break; sleep 0.1; done
  rm -f "$VAR/worker-$n.pid"
done
db_stop postgres
say "stopped"
