#!/usr/bin/env bash
# Django's command line on the running database.
set -euo pipefail
source "$(dirname "$0")/common.sh"
source "$ROOT/scripts/database.sh"
db_start postgres 54329
POLLICOR_SECRET_KEY=${POLLICOR_SECRET_KEY:-$(secret django-key 48)}
export POLLICOR_SECRET_KEY
manage "$@"
