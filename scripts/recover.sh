#!/usr/bin/env bash
# Puts a base backup back and plays what POLLICOR_WAL_DIR kept since, up to a moment or to its end; into a fresh copy only.
#   recover BASE WAL ["2026-11-27 10:30:00+00"]
set -euo pipefail
source "$(dirname "$0")/common.sh"
source "$ROOT/scripts/install.sh"
source "$ROOT/scripts/database.sh"
[ $# = 2 ] || [ $# = 3 ] || die "usage: ./pollicor recover BASE WAL [UNTIL]"
base=$(from_caller "$1") wal=$(from_caller "$2") until=${3:-}
[ -f "$base/PG_VERSION" ] || die "$base is no base backup"
[ -d "$wal" ] || die "$wal is not there"
case $wal$until in *[\'\\]*) die "a name with ' or \\ in it can't be used here" ;; esac
apt_install postgresql postgresql-client
find_postgres
home=$(db_home postgres)
[ -z "$(ls -A "$home" 2>/dev/null)" ] || die "there is a database already: nothing was touched. Recover into a fresh copy of Pollicor before its first start"

say "copying …"
mkdir -p "$home" "$VAR/log"
cp -a "$base/." "$home/"
rm -f "$home/postmaster.pid" "$home/archive.conf"
# Nobody comes in while it is not known who may: over a socket in its own closed folder only.
echo "local all all trust" >"$home/recovery_hba.conf"
cat >"$home/recovery.conf.pollicor" <<CONF
restore_command = 'cp "$wal/%f" "%p"'
recovery_target_action = 'promote'
CONF
[ -z "$until" ] || echo "recovery_target_time = '$until'" >>"$home/recovery.conf.pollicor"
cp "$home/postgresql.conf" "$home/postgresql.conf.kept"
echo "include 'recovery.conf.pollicor'" >>"$home/postgresql.conf"
touch "$home/recovery.signal"
chmod 700 "$home"
[ "$(id -u)" != 0 ] || chown -R postgres:postgres "$home"

give_up() {
  as_db_user "$PG_BIN/pg_ctl" -D "$home" -m immediate stop >/dev/null 2>&1 || true
  cp "$home/recovery.log" "$VAR/log/recovery.log" 2>/dev/null || true
  rm -rf "$home"
  die "it could not be recovered ($(grep -h 'FATAL' "$VAR/log/recovery.log" | tail -1 | sed 's/.*FATAL: *//')): nothing was kept; see $VAR/log/recovery.log"
}
ask() { as_db_user "$PG_BIN/psql" -h "$home" -p 54329 -U pollicor -d postgres -tAqc "$1" 2>/dev/null; }
say "playing what was kept since …"
as_db_user "$PG_BIN/pg_ctl" -D "$home" -w -t 3600 -l "$home/recovery.log" \
  -o "-p 54329 -c listen_addresses='' -c unix_socket_directories='$home' -c hba_file='$home/recovery_hba.conf'" start >/dev/null || give_up
until [ "$(ask 'select pg_is_in_recovery()')" = f ]; do
  as_db_user "$PG_BIN/pg_ctl" -D "$home" status >/dev/null || give_up
  sleep 0.5
done
ask "alter role pollicor password '$(secret postgres-password)'" || give_up
as_db_user "$PG_BIN/pg_ctl" -D "$home" -w -m fast stop >/dev/null
mv "$home/postgresql.conf.kept" "$home/postgresql.conf"
rm -f "$home/recovery_hba.conf" "$home/recovery.conf.pollicor" "$VAR/postgres.migrated" "$VAR/secrets/demo-password"
source "$ROOT/scripts/backups.sh"
for beside in "$base/.." "$wal/.." "${POLLICOR_BACKUP_DIR:-$VAR/backups}"; do keep_erased "$beside/erased.jsonl"; done
say "recovered${until:+ as it was at $until}; ./pollicor start goes on from there"
