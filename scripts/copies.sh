# Copies of everything: one file each, made by hand, once a day, before an upgrade and before a restore. Read by ./zapateo.
#
# A copy is a tar of two files: about (text, "name: value" a line) and songs.dump (pg_dump's custom format). docs/COPIES.md tells what is in it.

COPY_FORMAT=1
DAILY_KEPT=7
WEEKLY_KEPT=4

newest_schema() { # the number of the last migration this Zapateo knows
  local file newest=0 number
  for file in "$ROOT"/server/src/main/resources/db/migration/V*__*.sql; do
    number=${file##*/V}
    number=${number%%__*}
    [[ "$number" =~ ^[0-9]+$ ]] && [ "$number" -gt "$newest" ] && newest=$number
  done
  printf '%s' "$newest"
}

schema_of() { # of database $1 in the cluster of this folder; 0 where it is empty
  local number
  [ "$(db_sql "$HOME_DIR" "$1" "select to_regclass('public.flyway_schema_history') is not null")" = t ] || { printf 0; return; }
  number=$(db_sql "$HOME_DIR" "$1" "select coalesce(max(version::int), 0) from flyway_schema_history where success")
  printf '%s' "${number:-0}"
}

songs_in() { # how many songs database $1 holds, removed ones too
  local number
  number=$(db_sql "$HOME_DIR" "$1" "select count(*) from song" 2>/dev/null)
  printf '%s' "${number:-0}"
}

copy_to() { # copy_to FILE: writes a whole one or none
  local file=$1 work schema songs
  # For nobody else's eyes.
  umask 077
  work=$(mktemp -d "$HOME_DIR/copy.XXXXXX") || { complain "no copy could be made: is the disk full?"; return 1; }
  schema=$(schema_of zapateo)
  if [ "$schema" = 0 ]; then rm -rf "$work"; return 3; fi
  # What is counted and what is dumped is one state: that of the dump.
  db_connect "$HOME_DIR" pg_dump -d zapateo -Fc -f "$work/songs.dump" || {
    rm -rf "$work"; complain "no copy could be made: see $HOME_DIR/postgres.log. What is kept is safe."; return 1; }
  songs=$("$(pg_bin "$HOME_DIR")/pg_restore" -a -t song -f - "$work/songs.dump" 2>/dev/null | awk '/^COPY public.song /{inside=1; next} /^\\\.$/{inside=0} inside{n++} END{print n+0}')
  { printf 'zapateo-copy: %s\nschema: %s\nsongs: %s\nmade: %s\nsha256: %s\n' "$COPY_FORMAT" "$schema" "$songs" "$(date -u +%Y-%m-%dT%H:%M:%SZ)" \
      "$(sha256sum "$work/songs.dump" | cut -d' ' -f1)" >"$work/about" &&
    tar -C "$work" --owner=0 --group=0 -cf "$file.part$$" about songs.dump && sync "$file.part$$" && mv -f "$file.part$$" "$file"; } 2>>"$HOME_DIR/postgres.log" || {
    rm -rf "$work" "$file.part$$"; complain "the copy $file could not be written: is the disk full, or the folder read-only? What is kept is safe."; return 1; }
  rm -rf "$work"
  copied_songs=$songs
}

copies_folder() { mkdir -p "$HOME_DIR/copies" 2>/dev/null || { complain "the folder $HOME_DIR/copies cannot be made: is the disk full?"; return 1; }; }

# Once a day while it runs; the first of a week stays for four weeks. A copy that fails is told and stops nothing.
daily_copy() {
  local today week
  today=$(date +%Y-%m-%d)
  week=$(date +%G-W%V)
  copies_folder || return 0
  # What was begun and killed; what is an hour old is nobody's work of the moment.
  find "$HOME_DIR" "$HOME_DIR/copies" -maxdepth 1 \( -name 'copy.??????' -o -name '*.tar.part*' \) -mmin +60 -exec rm -rf {} + 2>/dev/null
  [ -e "$HOME_DIR/copies/daily-$today.tar" ] && return 0
  copy_to "$HOME_DIR/copies/daily-$today.tar" || return 0
  [ -e "$HOME_DIR/copies/weekly-$week.tar" ] || ln "$HOME_DIR/copies/daily-$today.tar" "$HOME_DIR/copies/weekly-$week.tar" 2>/dev/null ||
    cp "$HOME_DIR/copies/daily-$today.tar" "$HOME_DIR/copies/weekly-$week.tar"
  keep_newest "$DAILY_KEPT" "$HOME_DIR"/copies/daily-*.tar
  keep_newest "$WEEKLY_KEPT" "$HOME_DIR"/copies/weekly-*.tar
  return 0
}

keep_newest() { # keep_newest N FILES…: their names sort by date
  local number=$1
  shift
  while [ $# -gt "$number" ]; do rm -f "$1"; shift; done
}

# Nothing is migrated that there is no copy of.
copy_before_upgrade() {
  local have known
  have=$(schema_of zapateo)
  known=$(newest_schema)
  if [ "$have" -gt "$known" ]; then
    complain "what is kept in $HOME_DIR is of a newer Zapateo (schema $have, this one knows $known). Start it with that one."
    return 1
  fi
  [ "$have" -gt 0 ] && [ "$have" -lt "$known" ] || return 0
  copies_folder && copy_to "$HOME_DIR/copies/before-upgrade-$have-to-$known.tar" || { complain "without a copy nothing is upgraded: make room and start again."; return 1; }
  say "What was kept before this upgrade is in $HOME_DIR/copies/before-upgrade-$have-to-$known.tar."
}

backup() {
  local file=${1:-} was status
  [ $# -le 1 ] || fail "backup takes one file name"
  [ -d "$HOME_DIR/data" ] || fail "nothing is kept in $HOME_DIR yet."
  make_home
  [ -n "$file" ] || file=zapateo-$(date +%Y-%m-%d-%H%M%S).tar
  [ ! -d "$file" ] || file=${file%/}/zapateo-$(date +%Y-%m-%d-%H%M%S).tar
  [ -d "$(dirname "$file")" ] || fail "there is no folder $(dirname "$file")."
  was=$(db_pid "$HOME_DIR")
  # A running database is only read; one that has to be started for it is this process's turn.
  [ -n "$was" ] || turn_take backup
  db_start "$HOME_DIR" || exit 1
  [ -n "$was" ] || trap 'db_stop "$HOME_DIR"' EXIT
  trap 'rm -rf "$file.part$$"; exit 130' INT TERM HUP
  copy_to "$file"
  status=$?
  [ $status = 3 ] && fail "nothing is kept in $HOME_DIR yet."
  [ $status = 0 ] || exit 1
  say "Everything is in $file ($copied_songs songs). ./zapateo restore $file puts it back."
}

about() { sed -n "s/^$1: //p" "$2" | head -n 1; } # about FIELD FILE

# Looks at a copy before anything is done: sets copy_work, copy_schema, copy_songs.
copy_check() {
  local file=$1 format made found expected
  [ -f "$file" ] || fail "there is no file $file."
  [ -r "$file" ] || fail "the file $file cannot be read by you."
  copy_work=$(mktemp -d "$HOME_DIR/copy.XXXXXX") || fail "nothing can be written in $HOME_DIR: the disk is full or read-only. Nothing was changed."
  trap 'rm -rf "$copy_work"' EXIT
  trap 'exit 130' INT TERM HUP
  [ "$(tar -tf "$file" 2>/dev/null | LC_ALL=C sort | tr '\n' ' ')" = "about songs.dump " ] \
    || fail "$file is no whole copy made by ./zapateo backup: expected a tar of about and songs.dump. Nothing was changed."
  tar -C "$copy_work" --no-same-owner --no-same-permissions -xf "$file" about songs.dump 2>/dev/null || fail "$file is damaged, or the disk is full: it cannot be unpacked. Nothing was changed."
  [ -f "$copy_work/about" ] && [ ! -L "$copy_work/about" ] && [ -f "$copy_work/songs.dump" ] && [ ! -L "$copy_work/songs.dump" ] || fail "$file is no copy made by ./zapateo backup. Nothing was changed."
  format=$(about zapateo-copy "$copy_work/about")
  copy_schema=$(about schema "$copy_work/about")
  copy_songs=$(about songs "$copy_work/about")
  made=$(about made "$copy_work/about")
  [[ "$format" =~ ^[0-9]{1,6}$ && "$copy_schema" =~ ^[0-9]{1,6}$ && "$copy_songs" =~ ^[0-9]{1,9}$ ]] || fail "$file is no copy made by ./zapateo backup: what it says about itself cannot be read. Nothing was changed."
  [ "$format" -le "$COPY_FORMAT" ] && [ "$copy_schema" -le "$(newest_schema)" ] || fail "$file was made by a newer Zapateo (copy $format, schema $copy_schema; this one knows $COPY_FORMAT and $(newest_schema)). Nothing was changed."
  found=$(sha256sum "$copy_work/songs.dump" | cut -d' ' -f1)
  expected=$(about sha256 "$copy_work/about")
  [ "$found" = "$expected" ] || fail "$file is damaged: its checksum is not the one it was made with. Nothing was changed."
  say "A copy of $copy_songs songs, made $made."
}

# The old data stays until the new is whole, and one statement puts the one in the place of the other. From before the old is set aside until then nothing is
# written: every save that was acknowledged is in the one or the other.
restore() {
  local aside count
  [ $# = 1 ] || fail "restore wants one file, such as ./zapateo restore zapateo-2027-01-09.tar"
  make_home
  copy_check "$1"
  turn_take restore
  restore_found=$(db_pid "$HOME_DIR")
  db_start "$HOME_DIR" || exit 1
  trap restore_ended EXIT
  db_sql "$HOME_DIR" postgres 'drop database if exists zapateo_new with (force)' && db_sql "$HOME_DIR" postgres 'create database zapateo_new' \
    && db_connect "$HOME_DIR" pg_restore --no-owner --exit-on-error -d zapateo_new "$copy_work/songs.dump" >>"$HOME_DIR/postgres.log" \
    || fail "the copy could not be put back: see $HOME_DIR/postgres.log. What was kept here is as it was."
  count=$(songs_in zapateo_new)
  [ "$count" = "$copy_songs" ] || fail "the copy holds $count songs and says it has $copy_songs: it was not put back. What was kept here is as it was."
  if [ -n "$(app_pids)" ] && [ "$copy_schema" -lt "$(newest_schema)" ]; then
    # The application goes on over what is put under it, so that has to be of its own form.
    (db_env "$HOME_DIR"; export ZAPATEO_DB_URL="${ZAPATEO_DB_URL%zapateo}zapateo_new"; cd "$HOME_DIR/app" && ZAPATEO_PORT=0 ZAPATEO_DEMO=false exec java "${JAVA_FLAGS[@]}" \
      -Dspring.context.exit=onRefresh -jar zapateo.jar >>"$HOME_DIR/build.log" 2>&1 8>&-) || fail "the copy could not be brought up to date: see $HOME_DIR/build.log. What was kept here is as it was."
  fi
  writes stop || fail "what is kept here could not be held still: see $HOME_DIR/postgres.log. It is as it was."
  if [ "$(songs_in zapateo)" != 0 ]; then
    copies_folder || exit 1
    aside=$HOME_DIR/copies/before-restore-$(date +%Y-%m-%d-%H%M%S).tar
    copy_to "$aside" || fail "what is kept here could not be put aside. Nothing was changed."
    say "What was kept here is in $aside."
  fi
  swap_databases || fail "the copy could not be put in its place: see $HOME_DIR/postgres.log. What was kept here is as it was."
  # The one in its place was never held still.
  rm -f "$HOME_DIR/read-only"
  say "$copy_songs songs are back."
}

restore_found= # the database that ran before

restore_ended() {
  rm -rf "$copy_work"
  writes_go_on
  [ -n "$restore_found" ] || db_stop "$HOME_DIR"
}

# Nothing is written from now on, and nothing that began before goes on: who saves is told to come again in a moment. A file says so too, for whoever
# finds it where this process was killed meanwhile.
writes() { # writes stop|go
  local since tries
  if [ "$1" = go ]; then
    db_sql "$HOME_DIR" postgres 'alter database zapateo reset default_transaction_read_only' && rm -f "$HOME_DIR/read-only"
    return
  fi
  : >"$HOME_DIR/read-only" && db_sql "$HOME_DIR" postgres 'alter database zapateo set default_transaction_read_only = on' || return 1
  since=$(db_sql "$HOME_DIR" postgres 'select clock_timestamp()')
  # One that was just beginning shows itself a moment later.
  for ((tries = 0; tries < 100; tries++)); do
    [ "$(db_sql "$HOME_DIR" postgres "select count(pg_terminate_backend(pid)) from pg_stat_activity where datname = 'zapateo' and backend_start < '$since'")" = 0 ] && [ $tries -ge 4 ] && return 0
    sleep 0.1
  done
  return 1
}

# To be called by whoever has the turn: a restore that was killed may have left it so.
writes_go_on() { [ ! -e "$HOME_DIR/read-only" ] || writes go; }

# A rename waits for those who are connected; who comes meanwhile waits for it, and finds the new one.
swap_databases() {
  local rename tries
  db_sql "$HOME_DIR" postgres 'drop database if exists zapateo_old with (force)'
  db_sql "$HOME_DIR" postgres 'alter database zapateo rename to zapateo_old; alter database zapateo_new rename to zapateo' &
  rename=$!
  for ((tries = 0; tries < 100; tries++)); do
    kill -0 "$rename" 2>/dev/null || break
    db_sql "$HOME_DIR" postgres "select pg_terminate_backend(pid) from pg_stat_activity where datname = 'zapateo'" >/dev/null
    sleep 0.1
  done
  wait "$rename" || return 1
  db_sql "$HOME_DIR" postgres 'drop database if exists zapateo_old with (force)'
  return 0
}
