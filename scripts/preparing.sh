# What a server needs before it can run: packages, pages and a database with its tables. Sourced.
source "$ROOT/scripts/install.sh"
source "$ROOT/scripts/database.sh"

# prepare_machine: all that no database is needed for
prepare_machine() {
  apt_install postgresql postgresql-client gpg gpg-agent $PDF_LIBRARIES
  python_packages requirements.lock
  pages
  [ "$ROOT/backend/static/.stamp" -nt "$ROOT/frontend/dist/.stamp" ] ||
    { POLLICOR_SECRET_KEY=signs-nothing manage collectstatic --noinput --clear -i ninja --verbosity 0 && touch "$ROOT/backend/static/.stamp"; }
}

# check_shared WHAT: all that share a database need the same settings
check_shared() {
  local name
  [ -n "${POLLICOR_DB_HOST:-}" ] || die "$1 is for a PostgreSQL that others look after: set POLLICOR_DB_HOST or POLLICOR_DB_URL, or use ./pollicor start"
  for name in POLLICOR_SECRET_KEY POLLICOR_WEB_DB_PASSWORD; do
    [ -n "${!name:-}" ] || die "$name is empty: all that share a database need the same"
  done
}

# reach_database: started where it is our own; and what signs sessions
reach_database() {
  find_postgres
  db_start postgres 54329
  db_create pollicor
  POLLICOR_SECRET_KEY=${POLLICOR_SECRET_KEY:-$(secret django-key 48)}
  POLLICOR_SETUP_CODE=${POLLICOR_SETUP_CODE:-$(secret setup-code | tr -d '_=-' | cut -c1-16)}
  export POLLICOR_SECRET_KEY POLLICOR_SETUP_CODE
}

# prepare_tables: the tables as this version has them, the demo clinic in an empty database (unless EMPTY=yes), and the
# role of the server. Looking costs seconds: skipped when this database had just these migrations before.
prepare_tables() {
  local migrations
  migrations=$(cat "$ROOT"/backend/*/migrations/*.py "$ROOT/backend/requirements.lock" | sha256sum | cut -c1-32)
  ! stamp_is "$VAR/postgres.migrated" "$migrations" || return 0
  manage migrate --verbosity 0
  [ ! -f "$VAR/lists/erased.jsonl" ] || manage erase_again # after a restore, nobody who was erased since comes back
  manage read_runs_again >>"$VAR/log/migrate.log" # stored taps, read as the rules read them now
  [ "$EMPTY" = yes ] || [ "$(psql_as_owner -d "$POLLICOR_DB_NAME" -tAc 'select count(*) from clinic_clinic')" != 0 ] ||
    POLLICOR_DEMO_PASSWORD=$(secret demo-password) manage load_demo
  db_let_in
  echo "$migrations" >"$VAR/postgres.migrated"
}
