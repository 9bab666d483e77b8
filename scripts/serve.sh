#!/usr/bin/env bash
# Runs the server, its workers or both until told to end, with its logs on standard output: for containers and for
# machines that share a database, once ./pollicor prepare has made it ready.
set -euo pipefail
source "$(dirname "$0")/common.sh"
source "$ROOT/scripts/preparing.sh"
source "$ROOT/scripts/supervise.sh"
case "${1:-}" in
  web) export POLLICOR_RUNS_WORKERS=false LOGS="server planner" ;;
  workers) export POLLICOR_RUNS_WEB=false LOGS="worker-0 worker-1" ;;
  *) die "serve knows web and workers, not “${1:-}”" ;;
esac
check_shared serve
! supervised || die "something runs in this folder already: ./pollicor stop"
PORT=$(wanted_port)
[ "$1" != web ] || port_is_free "$PORT" || die "port $PORT is taken: set POLLICOR_PORT to another"

as_web # the database owner's password is not needed here
reach_database
supervised_by "$PORT"
[ "$1" != web ] || echo "$PORT" >"$VAR/server.port"
for log in $LOGS; do
  : >>"$VAR/log/$log.log"
  tail --pid=$$ -q -n 0 -F "$VAR/log/$log.log" &
done
cd "$ROOT/backend" # in the foreground the supervisor stays where it is
HOME=$(home_of "$POLLICOR_RUN_AS") exec "$VENV/bin/supervisord" --nodaemon -c "$ROOT/scripts/supervisord.conf"
