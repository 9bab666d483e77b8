#!/usr/bin/env bash
# Makes everything ready and starts no server: for images, and for the first of several machines.
set -euo pipefail
source "$(dirname "$0")/common.sh"
source "$ROOT/scripts/preparing.sh"
EMPTY=yes
case "${1:-}" in
  "") ;;
  --without-database) prepare_machine && exit 0 ;;
  *) die "prepare knows --without-database, not $1" ;;
esac
check_shared prepare
prepare_machine
reach_database
rm -f "$VAR/postgres.migrated" # that database may be another one than last time
prepare_tables
say "ready: ./pollicor serve web, and ./pollicor serve workers"
