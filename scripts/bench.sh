#!/usr/bin/env bash
# What things cost, as ratios wherever it can be: on a database of its own, filled and thrown away.
set -euo pipefail
source "$(dirname "$0")/common.sh"
source "$ROOT/scripts/install.sh"
apt_install postgresql postgresql-client
python_packages requirements-dev.txt
front_end
source "$ROOT/scripts/database.sh"
db_start bench-postgres 54529 "-c fsync=off -c shared_buffers=256MB"
trap 'db_stop bench-postgres' EXIT
db_create pollicor
export POLLICOR_DB_NAME=pollicor DJANGO_SETTINGS_MODULE=config.settings.test
manage migrate --verbosity 0
manage bench "$@"
