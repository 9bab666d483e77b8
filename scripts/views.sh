#!/usr/bin/env bash
# The pictures of the main views, made anew in the browser: backend/e2e/views. Look at what changed before committing it.
set -euo pipefail
POLLICOR_REFRESH_VIEWS=1 bash "$(dirname "$0")/test.sh" e2e.test_views
