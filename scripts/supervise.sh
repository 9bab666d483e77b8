# The supervisor that keeps the server and its workers running. Sourced.
# A Unix socket's path may have 107 letters at most: a deep folder gets a short one elsewhere.
export POLLICOR_ROOT=$ROOT POLLICOR_VENV=$VENV POLLICOR_SOCKET=$VAR/supervisor.sock
[ ${#POLLICOR_SOCKET} -le 100 ] || POLLICOR_SOCKET=/tmp/pollicor-$(echo "$VAR" | sha256sum | cut -c1-12).sock

# What is run here: a server, workers, or both. The conf reads every name it uses from the environment, also for
# supervisorctl.
export POLLICOR_RUNS_WEB=${POLLICOR_RUNS_WEB:-true} POLLICOR_RUNS_WORKERS=${POLLICOR_RUNS_WORKERS:-true} POLLICOR_BIND=${POLLICOR_BIND:-127.0.0.1}
supervisor() { POLLICOR_RUN_AS=$(id -un) POLLICOR_PORT=${POLLICOR_PORT:-0} POLLICOR_PLANNER_PORT=${POLLICOR_PLANNER_PORT:-0} "$VENV/bin/supervisorctl" -c "$ROOT/scripts/supervisord.conf" "$@"; }
supervised() { [ -S "$POLLICOR_SOCKET" ] && supervisor pid >/dev/null 2>&1; }

is_running() { supervisor status "$1" 2>/dev/null | grep -q RUNNING; }

# answers PORT: whether this very server, and nobody else's, answers there
answers() {
  "$PY" - "$1" "$POLLICOR_INSTANCE" 2>/dev/null <<'PYTHON'
import sys, urllib.request
port, instance = sys.argv[1:]
with urllib.request.urlopen(f"http://127.0.0.1:{port}/health", timeout=5) as answer:
    sys.exit(answer.read().decode().strip() != instance)
PYTHON
}

# wait_for PROGRAM PORT: one that is coming up is waited for (two minutes at most); one that has given up is not
wait_for() {
  for _ in $(seq 1 600); do
    answers "$2" && return 0
    case $(supervisor status "$1" 2>/dev/null | awk '{print $2}') in STARTING | RUNNING | BACKOFF) ;; *) return 1 ;; esac
    sleep 0.2
  done
  return 1
}

# run_as: whom the server and its workers run as. Where root starts them, a user of their own, who owns nothing here and
# can't read var/secrets; root itself only where that user can't reach the folder, and never with a front before it.
run_as() {
  [ "$(id -u)" = 0 ] || { id -un; return; }
  id pollicor >/dev/null 2>&1 || useradd --system --create-home --home-dir /var/lib/pollicor --shell /usr/sbin/nologin pollicor
  if setpriv --reuid=pollicor --regid=pollicor --clear-groups bash -c '"$0" -c "import gunicorn" && test -r "$1"' \
    "$VENV/bin/python" "$ROOT/backend/manage.py" 2>/dev/null; then
    echo pollicor
  elif [ "${POLLICOR_HTTPS:-}" = 1 ]; then
    die "$ROOT is closed to the user “pollicor” that the server runs as: move it, for example to /srv/pollicor"
  else
    echo root
  fi
}

# hand_over USER: what the server and its workers write, apart from their logs
hand_over() {
  local own=("$VAR/mail" "$VAR/lists" "$VAR/backups" "$VAR/metrics") backups=${POLLICOR_BACKUP_DIR:-$VAR/backups} as=()
  rm -rf "$VAR/metrics" # each process counts from its start
  mkdir -p "${own[@]}"
  chmod 700 "${own[@]}"
  mkdir -p "$backups" 2>/dev/null || true
  if [ "$(id -un)" != "$1" ]; then
    chown -R "$1" "${own[@]}"
    [ -n "$(ls -A "$backups")" ] || chown "$1" "$backups"
    as=(setpriv "--reuid=$1" "--regid=$1" --clear-groups)
  fi
  "${as[@]}" test -d "$backups" -a -w "$backups" || die "backups can't be written to $backups: let the user “$1” write there, or set POLLICOR_BACKUP_DIR to another folder"
}

# wanted_port: where the server is to listen
wanted_port() {
  local port=${POLLICOR_PORT:-8470}
  [[ $port =~ ^[0-9]+$ ]] && [ "$port" -ge 1 ] && [ "$port" -le 65000 ] || die "POLLICOR_PORT is “$port”: use a number from 1 to 65000"
  echo "$port"
}

home_of() { getent passwd "$1" | cut -d: -f6; }

# check_bind: on this machine's own address alone, or on all of them behind a front
check_bind() {
  case $POLLICOR_BIND in
    127.0.0.1) ;;
    0.0.0.0) [ "${POLLICOR_HTTPS:-}" = 1 ] || die "POLLICOR_BIND is 0.0.0.0: others are let in only through a front with TLS (POLLICOR_HTTPS=1)" ;;
    *) die "POLLICOR_BIND is “$POLLICOR_BIND”: use 127.0.0.1, or 0.0.0.0 behind a front" ;;
  esac
}

# supervised_by PORT: all that the supervisor's conf reads, with that port for the server; and folders it may write to
supervised_by() {
  check_bind
  export POLLICOR_PORT=$1 POLLICOR_PLANNER_PORT POLLICOR_INSTANCE
  POLLICOR_PLANNER_PORT=$(free_port $(($1 + 100)))
  POLLICOR_INSTANCE=$(head -c 12 /dev/urandom | base64 | tr '+/' '-_')
  export POLLICOR_RUN_AS PROMETHEUS_MULTIPROC_DIR=$VAR/metrics
  POLLICOR_RUN_AS=$(run_as)
  hand_over "$POLLICOR_RUN_AS"
}

# supervise PORT: start the server and its workers, and wait until the server answers on that port
supervise() {
  supervised_by "$1"
  HOME=$(home_of "$POLLICOR_RUN_AS") "$VENV/bin/supervisord" -c "$ROOT/scripts/supervisord.conf" || return 1
  wait_for web "$1" && wait_for planner "$POLLICOR_PLANNER_PORT"
}

# setup_is_open PORT: whether the server there is still without a clinic of its own
setup_is_open() {
  "$PY" - "http://127.0.0.1:$1/api/setup" <<'PYTHON'
import json, sys, urllib.request as u
asked = u.Request(sys.argv[1], headers={"X-Forwarded-Proto": "https"})  # as the front would say it
sys.exit(not json.load(u.urlopen(asked, timeout=20))["open"])
PYTHON
}

# say_set_up PORT: where and with which code a server without a clinic gets its first
say_set_up() {
  ! setup_is_open "$1" || say "Set up your own clinic at http://127.0.0.1:$1/set-up with the code $POLLICOR_SETUP_CODE"
}

# left_over: what a supervisor that was killed left running: a server's or a worker's own process, of this very folder
left_over() {
  local pid
  for pid in $(pgrep -f "config.wsgi:application|manage.py procrastinate worker"); do
    ! grep -qzxF "POLLICOR_SOCKET=$POLLICOR_SOCKET" "/proc/$pid/environ" 2>/dev/null || echo "$pid"
  done
}

# end_left_over: end it, in the middle of its work if it takes longer than a stop would
end_left_over() {
  local pids
  pids=$(left_over)
  [ -n "$pids" ] || return 0
  say "ending what an earlier start left running …"
  kill $pids 2>/dev/null || true
  for _ in $(seq 1 200); do
    [ -n "$(left_over)" ] || return 0
    sleep 0.1
  done
  kill -9 $(left_over) 2>/dev/null || true
}

supervisor_stop() {
  local pid
  supervised || { end_left_over; return; }
  pid=$(supervisor pid)
  supervisor shutdown >/dev/null
  for _ in $(seq 1 300); do
    # one that whoever started it has not heard of yet has ended too
    ! grep -q "^State:.*Z" "/proc/$pid/status" 2>/dev/null && kill -0 "$pid" 2>/dev/null || return 0
    sleep 0.1
  done
  return 1
}
