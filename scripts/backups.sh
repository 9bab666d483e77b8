# Opening backups again, with nothing of Pollicor installed. Sourced.

# opened_backup FILE: where it lies decrypted: itself where it never was encrypted, else a file in $OPENED, which the
# caller deletes. Decrypted whole before anything is done with it: only at its end is it sure that nobody changed it.
opened_backup() {
  local homedir
  [ "$(head -c 5 "$1")" = PGDMP ] && { echo "$1"; return; }
  [ -n "${POLLICOR_BACKUP_PASSPHRASE:-}" ] || die "$1 is encrypted: set POLLICOR_BACKUP_PASSPHRASE to what it was made with"
  homedir=$OPENED/gpg
  mkdir -m 700 "$homedir"
  gpg --batch --quiet --homedir "$homedir" --pinentry-mode loopback --passphrase-fd 3 --output "$OPENED/backup.dump" \
    --decrypt "$1" 3<<<"$POLLICOR_BACKUP_PASSPHRASE" 2>"$OPENED/why" ||
    die "$1 could not be decrypted ($(grep -v '^gpg: encrypted' "$OPENED/why" | tail -1)): is the passphrase right, and the file whole?"
  gpgconf --homedir "$homedir" --kill all 2>/dev/null || true
  echo "$OPENED/backup.dump"
}

# read_backup FILE: all of it into the empty database that db_start reached, or nothing
read_backup() {
  PGPASSWORD=$POLLICOR_DB_PASSWORD "$PG_BIN/pg_restore" -h "$POLLICOR_DB_HOST" -p "$POLLICOR_DB_PORT" -U "$POLLICOR_DB_USER" -d "$POLLICOR_DB_NAME" --no-owner --no-privileges \
    --single-transaction --exit-on-error "$1"
}

# keep_erased LIST: note the list beside a backup: the next start erases again whoever it names, before anybody comes in
keep_erased() {
  [ -f "$1" ] || return 0
  mkdir -p "$VAR/lists"
  cat "$1" >>"$VAR/lists/erased.jsonl"
  chmod 600 "$VAR/lists/erased.jsonl"
}
