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
[ -n "${POLLICOR_DB_HOST:-}" ] || die "serve is for a PostgreSQL that others look after: set POLLICOR_DB_HOST, or use ./pollicor start"
for name in POLLICOR_SECRET_KEY POLLICOR_WEB_DB_PASSWORD; do
  [ -n "${!name:-}" ] || die "$name is empty: all that share a database need the same"
done
! supervised || die "something runs in this folder already: ./pollicor stop"
PORT=$(wanted_port)
[ "$1" != web ] || port_is_free "$PORT" || die "port $PORT is taken: set POLLICOR_PORT to another"

reach_database
as_web
supervised_by "$PORT"
[ "$1" != web ] || echo "$PORT" >"$VAR/server.port"
for log in $LOGS; do
  : >>"$VAR/log/$log.log"
  tail --pid=$$ -q -n 0 -F "$VAR/log/$log.log" &
done
cd "$ROOT/backend" # in the foreground the supervisor stays where it is
HOME=$(home_of "$POLLICOR_RUN_AS") exec "$VENV/bin/supervisord" --nodaemon -c "$ROOT/scripts/supervisord.conf"
