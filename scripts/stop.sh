#!/usr/bin/env bash
# Stops what start began, and nothing else.
set -euo pipefail
source "$(dirname "$0")/common.sh"
source "$ROOT/scripts/database.sh"
source "$ROOT/scripts/supervise.sh"
supervisor_stop || die "the server is still running: see $VAR/log/supervisord.log"
db_stop postgres
say "stopped"
