#!/usr/bin/env bash
# Whether a backup could be put back: reads it into a database of its own, brings that up to date as a start would, says
# what is in it, and throws it away.
set -euo pipefail
source "$(dirname "$0")/common.sh"
source "$ROOT/scripts/install.sh"
source "$ROOT/scripts/database.sh"
source "$ROOT/scripts/backups.sh"
[ $# = 1 ] || die "usage: ./pollicor check-backup FILE"
file=$(from_caller "$1")
[ -f "$file" ] || die "$file is not there"
apt_install postgresql postgresql-client gpg gpg-agent
find_postgres
python_packages requirements.lock
OPENED=$(mktemp -d)
throw_away() {
  db_stop check-postgres
  rm -rf "$(db_home check-postgres)" "$VAR/check-postgres.where" "$OPENED"
}
trap throw_away EXIT
opened=$(opened_backup "$file") || exit 1
db_start check-postgres 54829 "-c fsync=off"
db_create pollicor
read_backup "$opened" || die "$file could not be read to its end: it can't be put back"
export POLLICOR_SECRET_KEY=only-for-the-check
manage migrate --verbosity 0 || die "$file was made by another Pollicor than this one: check it with that one"
say "$file can be put back. In it are:"
manage about_database
