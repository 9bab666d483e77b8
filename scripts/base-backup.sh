#!/usr/bin/env bash
# Copies the database's own files into a new folder, while it runs: where recovery to a moment begins (docs/deploy.md).
set -euo pipefail
source "$(dirname "$0")/common.sh"
source "$ROOT/scripts/database.sh"
[ $# = 1 ] || die "usage: ./pollicor base-backup DIR"
folder=$(from_caller "$1")
[ ! -e "$folder" ] || die "$folder exists already: choose another name, nothing was written"
db_start postgres 54329
umask 077
PGPASSWORD=$POLLICOR_DB_PASSWORD "$PG_BIN/pg_basebackup" -h "$POLLICOR_DB_HOST" -p "$POLLICOR_DB_PORT" -U "$POLLICOR_DB_USER" -D "$folder" \
  --wal-method=stream --checkpoint=fast || { rm -rf "$folder"; die "the base backup failed: nothing was kept"; }
say "copied to $folder ($(du -sh "$folder" | cut -f1)), not encrypted"
