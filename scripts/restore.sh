#!/usr/bin/env bash
# Puts a backup back, into an empty database only.
set -euo pipefail
source "$(dirname "$0")/common.sh"
source "$ROOT/scripts/database.sh"
[ $# = 1 ] || die "usage: ./pollicor restore FILE"
[ -f "$1" ] || die "$1 is not there"
db_start postgres 54329
db_create pollicor
tables=$(PGPASSWORD=$POLLICOR_DB_PASSWORD psql -h 127.0.0.1 -p "$POLLICOR_DB_PORT" -U pollicor -d pollicor -tAc "select count(*) from information_schema.tables where table_schema='public'")
[ "$tables" = 0 ] || die "the database holds something already: nothing was touched. Restore into a fresh copy of Pollicor before its first start"
PGPASSWORD=$POLLICOR_DB_PASSWORD "$PG_BIN/pg_restore" -h 127.0.0.1 -p "$POLLICOR_DB_PORT" -U pollicor -d pollicor --no-owner "$1"
say "restored from $1"
