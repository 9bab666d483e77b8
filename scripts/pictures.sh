#!/usr/bin/env bash
# Every activity's picture on pages to be looked at: var/pictures.
set -euo pipefail
source "$(dirname "$0")/common.sh"
source "$ROOT/scripts/install.sh"
python_packages requirements-dev.lock
cd "$ROOT/backend"
"$PY" -m testing.contact_sheet "$VAR/pictures"
