#!/usr/bin/env bash
# Writes the whole database to a file that only its owner may read.
set -euo pipefail
source "$(dirname "$0")/common.sh"
source "$ROOT/scripts/database.sh"
[ $# = 1 ] || die "usage: ./pollicor backup FILE"
file=$(from_caller "$1")
[ ! -e "$file" ] || die "$file exists already: choose another name, nothing was written"
db_start postgres 54329
umask 077
PGPASSWORD=$POLLICOR_DB_PASSWORD "$PG_BIN/pg_dump" -h 127.0.0.1 -p "$POLLICOR_DB_PORT" -U pollicor -Fc --no-privileges -f "$file" pollicor ||
  { rm -f "$file"; die "the backup failed: nothing was kept"; }
say "backed up to $file ($(du -h "$file" | cut -f1))"
