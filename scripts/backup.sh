#!/usr/bin/env bash
# Writes the whole database to a file.
set -euo pipefail
source "$(dirname "$0")/common.sh"
source "$ROOT/scripts/database.sh"
[ $# = 1 ] || die "usage: ./pollicor backup FILE"
[ ! -e "$1" ] || die "$1 exists already: choose another name, nothing was written"
db_start postgres 54329
PGPASSWORD=$POLLICOR_DB_PASSWORD "$PG_BIN/pg_dump" -h 127.0.0.1 -p "$POLLICOR_DB_PORT" -U pollicor -Fc -f "$1" pollicor
say "backed up to $1 ($(du -h "$1" | cut -f1))"
