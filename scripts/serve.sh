#!/usr/bin/env bash
# Runs the server, its workers or both in the foreground until told to end, with their logs on standard output. Both are
# for a machine's own service and make all ready themselves, database included; one alone is for containers and machines
# that share a database, once ./pollicor prepare has made that ready.
set -euo pipefail
source "$(dirname "$0")/common.sh"
source "$ROOT/scripts/preparing.sh"
source "$ROOT/scripts/supervise.sh"
EMPTY=yes
WHAT=${1:-both}
case $WHAT in
  both) LOGS="server planner worker-0 worker-1" ;;
  web) export POLLICOR_RUNS_WORKERS=false LOGS="server planner" ;;
  workers) export POLLICOR_RUNS_WEB=false LOGS="worker-0 worker-1" ;;
  *) die "serve knows web and workers, not “$1”" ;;
esac
[ "$WHAT" = both ] || check_shared serve
! supervised || die "something runs in this folder already: ./pollicor stop"
PORT=$(wanted_port)

if [ "$WHAT" = both ]; then
  prepare_machine
  reach_database
  end_left_over
  prepare_tables
  as_web
else
  as_web # the database owner's password is not needed here
  reach_database
fi
[ "$WHAT" = workers ] || port_is_free "$PORT" || die "port $PORT is taken: set POLLICOR_PORT to another"
supervised_by "$PORT"
[ "$WHAT" = workers ] || echo "$PORT" >"$VAR/server.port"
for log in $LOGS; do
  : >>"$VAR/log/$log.log"
  tail --pid=$$ -q -n 0 -F "$VAR/log/$log.log" &
done
[ "$WHAT" != both ] || (wait_for web "$PORT" && say_set_up "$PORT") &
cd "$ROOT/backend" # in the foreground the supervisor stays where it is
HOME=$(home_of "$POLLICOR_RUN_AS") exec "$VENV/bin/supervisord" --nodaemon -c "$ROOT/scripts/supervisord.conf"
