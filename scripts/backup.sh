#!/usr/bin/env bash
# Writes the whole database to a file that only its owner may read; encrypted where POLLICOR_BACKUP_PASSPHRASE is set.
set -euo pipefail
source "$(dirname "$0")/common.sh"
source "$ROOT/scripts/database.sh"
[ $# = 1 ] || die "usage: ./pollicor backup FILE"
file=$(from_caller "$1")
db_start postgres 54329
POLLICOR_SECRET_KEY=${POLLICOR_SECRET_KEY:-$(secret django-key 48)}
export POLLICOR_SECRET_KEY
manage backup "$file" || exit 1
