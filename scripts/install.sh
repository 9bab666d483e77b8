# Installs what is missing. Sourced. Each step is skipped when it was done before with the same lock file.
apt_install() {
  local missing=()
  for package in "$@"; do dpkg -s "$package" >/dev/null 2>&1 || missing+=("$package"); done
  [ ${#missing[@]} = 0 ] && return
  say "installing ${missing[*]} …"
  as_root apt-get update -qq
  # A fresh postgresql package would start a cluster of its own; this one needs none.
  as_root mkdir -p /etc/postgresql-common
  [ -e /etc/postgresql-common/createcluster.conf ] || echo 'create_main_cluster = false' | as_root tee /etc/postgresql-common/createcluster.conf >/dev/null
  as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "${missing[@]}" >"$VAR/log/apt.log" 2>&1 ||
    die "installing ${missing[*]} failed: see $VAR/log/apt.log"
}

stamp_is() { [ -f "$1" ] && [ "$(cat "$1")" = "$2" ]; }
sum_of() { cat "$@" | sha256sum | cut -c1-32; }

# The machine's own Python where it is new enough, since every user reaches it; else the first on the path.
python_is_new() { "$1" -c 'import sys; sys.exit(sys.version_info < (3, 11))' 2>/dev/null; }
PYTHON=/usr/bin/python3
python_is_new "$PYTHON" || PYTHON=python3

python_packages() { # python_packages requirements.lock|requirements-dev.lock: nothing is done where all of it is there
  python_is_new "$PYTHON" || die "needs Python 3.11 or newer: python3 is $(python3 --version 2>&1)"
  if [ ! -x "$VENV/bin/uv" ]; then
    [ -x "$PY" ] || "$PYTHON" -m venv "$VENV" 2>/dev/null || { rm -rf "$VENV"; apt_install python3-venv; "$PYTHON" -m venv "$VENV"; }
    say "installing Python packages …"
    "$VENV/bin/pip" install -q --disable-pip-version-check "uv==$UV_VERSION" 2>>"$VAR/log/install.log" || die "Python packages failed: see $VAR/log/install.log"
  fi
  "$VENV/bin/uv" pip install -q --python "$PY" --require-hashes -r "$ROOT/backend/$1" 2>>"$VAR/log/install.log" || die "Python packages failed: see $VAR/log/install.log"
}

locked_python_packages() { # the same, not even looked at where this lock file was installed before
  local lock_sum
  lock_sum=$(sum_of "$ROOT/backend/$1")
  stamp_is "$VENV/.stamp" "$1 $lock_sum" && return
  python_packages "$1"
  echo "$1 $lock_sum" >"$VENV/.stamp"
}

node_is_new() { node -e 'const [a,b]=process.versions.node.split(".").map(Number);process.exit(a>20||(a===20&&b>=19)?0:1)' 2>/dev/null; }

front_end_packages() {
  local lock_sum
  node_is_new || "$VENV/bin/uv" pip install -q --python "$PY" "$NODE_WHEEL" 2>>"$VAR/log/install.log"
  hash -r
  node_is_new || die "needs Node 20.19 or newer"
  cd "$ROOT/frontend"
  lock_sum=$(sum_of package-lock.json)
  if ! stamp_is node_modules/.stamp "$lock_sum"; then
    say "installing front-end packages …"
    npm ci --no-audit --no-fund --loglevel=error >"$VAR/log/npm.log" 2>&1 || die "front-end packages failed: see $VAR/log/npm.log"
    echo "$lock_sum" >node_modules/.stamp
  fi
  cd "$ROOT"
}

front_end_sum() { (cd "$ROOT/frontend" && find src public index.html vite.config.ts package-lock.json -type f 2>/dev/null | LC_ALL=C sort | xargs cat | sha256sum | cut -c1-32); }

pages() { # what is built of the front end; its packages only where it is to be built
  stamp_is "$ROOT/frontend/dist/.stamp" "$(front_end_sum)" || front_end
}

front_end() { # the packages, and what is built with them
  local source_sum
  front_end_packages
  source_sum=$(front_end_sum)
  cd "$ROOT/frontend"
  if ! stamp_is dist/.stamp "$source_sum"; then
    say "building the front end …"
    node_modules/.bin/vite build >"$VAR/log/build.log" 2>&1 || die "build failed: see $VAR/log/build.log"
    echo "$source_sum" >dist/.stamp
  fi
  cd "$ROOT"
}

mkdir -p "$VAR/log"
