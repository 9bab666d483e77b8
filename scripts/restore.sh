#!/usr/bin/env bash
# Puts a backup back, into an empty database only: all of it, or nothing.
set -euo pipefail
source "$(dirname "$0")/common.sh"
source "$ROOT/scripts/install.sh"
source "$ROOT/scripts/database.sh"
source "$ROOT/scripts/backups.sh"
[ $# = 1 ] || die "usage: ./pollicor restore FILE"
file=$(from_caller "$1")
[ -f "$file" ] || die "$file is not there"
apt_install postgresql postgresql-client gpg gpg-agent
find_postgres
db_start postgres 54329
db_create pollicor
tables=$(psql_as_owner -d "$POLLICOR_DB_NAME" -tAc "select count(*) from information_schema.tables where table_schema='public'")
[ "$tables" = 0 ] || die "the database already holds data: nothing was touched. Restore into a fresh copy of Pollicor before its first start"
OPENED=$(mktemp -d)
trap 'rm -rf "$OPENED"' EXIT
opened=$(opened_backup "$file") || exit 1
read_backup "$opened" || die "$file could not be read to its end: nothing was restored"
rm -f "$VAR/postgres.migrated" "$VAR/secrets/demo-password" # what is in it signs in as it did there
keep_erased "$(dirname "$file")/erased.jsonl"
say "restored from $file; sign in with the passwords it was made with"
