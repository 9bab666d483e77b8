#!/usr/bin/env bash
# What things cost, as ratios wherever it can be: on a database of its own, filled and thrown away.
set -euo pipefail
source "$(dirname "$0")/common.sh"
source "$ROOT/scripts/install.sh"
apt_install postgresql postgresql-client
python_packages requirements-dev.lock
front_end
source "$ROOT/scripts/database.sh"
db_start bench-postgres 54529 "-c fsync=off -c shared_buffers=256MB"
trap 'db_stop bench-postgres' EXIT
db_create pollicor
export POLLICOR_DB_NAME=pollicor DJANGO_SETTINGS_MODULE=config.settings.test
manage migrate --verbosity 0
manage bench "$@"
# What a started Pollicor holds in memory: all that its supervisor and its database run.
tree_of() { echo "$1"; for child in $(pgrep -P "$1"); do tree_of "$child"; done; }
if [ -f "$VAR/supervisord.pid" ] && kill -0 "$(cat "$VAR/supervisord.pid")" 2>/dev/null; then
  total=0
  for pid in $(tree_of "$(cat "$VAR/supervisord.pid")") $(pgrep -f -- "-D $(db_home postgres)" | while read -r one; do tree_of "$one"; done | sort -u); do
    total=$((total + $(awk '/^Pss:/ {s += $2} END {print s + 0}' "/proc/$pid/smaps_rollup" 2>/dev/null || echo 0)))
  done
  say "server, two background workers and the database: $((total / 1024)) MB resident (shared pages counted once)"
fi
