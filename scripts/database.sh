# The database: a cluster of our own in a folder, on loopback. Read by ./zapateo.

# PostgreSQL refuses root, so root hands it to Debian's postgres user.
as_owner() {
  if [ "$(id -u)" = 0 ]; then setpriv --reuid=postgres --regid=postgres --init-groups -- "$@"; else "$@"; fi
}

# The programs of the version a cluster was made by; for a new one 15, else what there is.
pg_bin() { # pg_bin [DIR]
  local bin made
  made=$(cat "${1:-/nonexistent}/data/PG_VERSION" 2>/dev/null)
  for bin in /usr/lib/postgresql/"${made:-15}"/bin /usr/lib/postgresql/*/bin; do
    if [ -x "$bin/initdb" ] && [ -x "$bin/postgres" ]; then
      [ -z "$made" ] || [ "$bin" = "/usr/lib/postgresql/$made/bin" ] || return 1
      printf '%s' "$bin"
      return 0
    fi
  done
  return 1
}

# Processes by their name and the folder they work in, in one pass; a folder that was replaced meanwhile counts as itself.
at_work_in() { # at_work_in NAME FOLDER
  local found pid
  found=$(find /proc -maxdepth 2 -path '/proc/[0-9]*/cwd' -printf '%h %l\n' 2>/dev/null |
    FOLDER=$2 awk '{ at = $0; sub(/^[^ ]* /, "", at); sub(/ \(deleted\)$/, "", at); if (at == ENVIRON["FOLDER"]) { sub(/^\/proc\//, "", $1); print $1 } }')
  for pid in $found; do
    [ "$(cat "/proc/$pid/comm" 2>/dev/null)" = "$1" ] && printf '%s\n' "$pid"
  done
  return 0
}

db_folder() { readlink -f "$1/data"; }

pid_of_file() { # the number in the first line of a file, and nothing where there is none
  local first
  first=$(head -c 20 "$1" 2>/dev/null | tr -d '\0' | head -n 1)
  [[ "$first" =~ ^[0-9]+$ ]] && printf '%s' "$first"
}

# In this bash a trap breaks off where two values are asked for in one command, $(a) and $(b): here each has a command of its own.
db_pid() { # the live server of folder $1, by its own pid file; a number that belongs to somebody else does not count
  local pid at folder
  pid=$(pid_of_file "$1/data/postmaster.pid") || return 1
  at=$(readlink "/proc/$pid/cwd" 2>/dev/null)
  folder=$(db_folder "$1")
  [ "$at" = "$folder" ] && printf '%s' "$pid"
}

db_port() { # where the live server listens says its own pid file; else where the last one did
  local port
  if [ -n "$(db_pid "$1")" ]; then port=$(sed -n 4p "$1/data/postmaster.pid" 2>/dev/null); else port=$(cat "$1/db-port" 2>/dev/null); fi
  port=$(printf '%s' "$port" | tr -d ' \0')
  [[ "$port" =~ ^[0-9]+$ ]] && [ "$port" -ge 1 ] && [ "$port" -le 65535 ] && printf '%s' "$port"
}

db_connect() { # db_connect DIR PROGRAM [arguments]: a PostgreSQL program that talks to the cluster of DIR
  local dir=$1 program=$2 password bin port
  shift 2
  password=$(cat "$dir/password" 2>/dev/null)
  bin=$(pg_bin "$dir")
  port=$(db_port "$dir")
  PGPASSWORD=$password PGCONNECT_TIMEOUT=10 "$bin/$program" -h 127.0.0.1 -p "$port" -U "$DB_USER" "$@" 2>>"$dir/postgres.log"
}

db_sql() { # db_sql DIR DATABASE SQL
  db_connect "$1" psql -d "$2" -Atqc "$3"
}

db_answers() {
  local said folder
  said=$(db_sql "$1" postgres 'show data_directory')
  folder=$(db_folder "$1")
  [ "$said" = "$folder" ]
}

db_why() { # the reason a start failed, as a sentence
  if grep -q 'No space left on device' "$1/postgres.log" 2>/dev/null; then
    echo "the disk is full, so the database cannot start. What was saved before is safe; make room and start again."
  elif grep -q 'could not bind' "$1/postgres.log" 2>/dev/null; then
    echo "the database found no free port."
  else
    echo "the database did not start: see $1/postgres.log"
  fi
}

# Where the files of a cluster lie: in the folder itself, or, where the database's user may not enter it (a clone in /root, say), under
# /var/lib/zapateo with a link to it.
db_place() {
  local place
  if [ "$(id -u)" != 0 ] || as_owner test -x "$1"; then printf '%s' "$1"; return; fi
  place=/var/lib/zapateo/$(readlink -f "$1" | sha256sum | cut -c1-16)
  mkdir -p "$place" && chmod 755 /var/lib/zapateo "$place" && printf '%s' "$place"
}

db_create() {
  local dir=$1 place status
  place=$(db_place "$dir")
  [ -n "$place" ] && rm -rf "$place/data.new" && mkdir -p "$place/data.new" 2>/dev/null \
    || { complain "no folder for the database can be made in $dir: is the disk full?"; return 1; }
  [ -s "$dir/password" ] || (umask 077; head -c 24 /dev/urandom | base64 | tr -dc 'A-Za-z0-9' >"$dir/password")
  # initdb reads the password as its owner, from a copy that is gone a moment later.
  (umask 077; cat "$dir/password" >"$place/password.once")
  [ "$(id -u)" = 0 ] && chown postgres:postgres "$place/data.new" "$place/password.once"
  as_owner "$(pg_bin)/initdb" -D "$place/data.new" -U "$DB_USER" -A scram-sha-256 --pwfile="$place/password.once" --data-checksums --encoding=UTF8 \
      --locale=C.UTF-8 >>"$dir/postgres.log" 2>&1 8>&- 9>&-
  status=$?
  rm -f "$place/password.once"
  if [ $status != 0 ]; then
    rm -rf "$place/data.new"
    complain "$(db_why "$dir")"
    return 1
  fi
  # Renamed only when whole, so that an interrupted one never looks finished.
  if [ "$place" != "$dir" ]; then
    [ ! -e "$place/data" ] || mv "$place/data" "$place/data.before-$(date +%Y%m%d%H%M%S)"
    ln -sfn "$place/data" "$dir/data"
  fi
  mv "$place/data.new" "$place/data"
}

db_discard() { # ends the cluster of folder $1 and deletes all it holds
  local place
  [ -d "$1" ] || return 0
  db_stop "$1"
  place=$(dirname "$(db_folder "$1")")
  rm -rf "$place/data" "$1/data" "$1/data.new" "$1/password" "$1/db-port"
  [ "$place" = "$(readlink -f "$1")" ] || rmdir "$place" 2>/dev/null
}

# Waits for a live server that does not answer yet: it is never given up while it lives, but told of.
db_await() { # db_await DIR PID
  local since=$SECONDS told=
  while [ $((SECONDS - since)) -lt 900 ]; do
    if db_answers "$1"; then return 0; fi
    [ -d "/proc/$2" ] || return 1
    if [ -z "$told" ] && [ $((SECONDS - since)) -ge 5 ]; then
      say "the database does not answer yet, it may be recovering: waiting for it …"
      told=yes
    fi
    sleep 0.1
  done
  complain "the database of $1 (process $2) runs, but has not answered for a quarter of an hour. Nothing was changed; see $1/postgres.log"
  return 2
}

# Server processes that outlived a killed parent end by themselves, or are ended.
db_end_orphans() {
  local tries left
  for ((tries = 0; tries < 300; tries++)); do
    left=$(at_work_in postgres "$(db_folder "$1")")
    [ -n "$left" ] || return 0
    [ $tries = 150 ] && kill -QUIT $left 2>/dev/null
    sleep 0.2
  done
  complain "processes of a database that was killed do not end: $(echo $left). End them, or start the machine anew."
  return 1
}

db_start() { # db_start DIR [extra server options…]; db_started says whether this process started it
  local status
  exec 9>"$1/lock" || { complain "nothing can be written in $1: is the disk full or read-only?"; return 1; }
  flock -w 900 9 || { complain "another process has been starting the database of $1 for a quarter of an hour."; exec 9>&-; return 1; }
  db_started=
  db_start_alone "$@"
  status=$?
  exec 9>&-
  [ $status = 0 ] || return 1
}

db_start_alone() {
  local dir=$1 port pid made
  shift
  if [ ! -d "$dir/data" ]; then : >"$dir/postgres.log"; db_create "$dir" || return 1; fi
  if [ -z "$(pg_bin "$dir")" ]; then
    made=$(cat "$dir/data/PG_VERSION")
    complain "what is kept in $dir was made by PostgreSQL $made, which is not on this machine. Install it (apt-get install postgresql-$made), or bring a copy back into another folder: ./zapateo restore FILE"
    return 1
  fi
  pid=$(db_pid "$dir")
  if [ -n "$pid" ]; then
    db_await "$dir" "$pid"
    case $? in
      0) db_make_whole "$dir"; return ;;
      2) return 1 ;;
    esac
  fi
  db_end_orphans "$dir" || return 1
  # Only now is it certain that nobody works in the folder.
  rm -f "$dir/data/postmaster.pid"
  port=$(db_port "$dir")
  while [ -z "$port" ] || port_taken "$port"; do port=$((20000 + RANDOM % 12000)); done
  echo "$port" >"$dir/db-port" || { complain "nothing can be written in $dir: is the disk full or read-only?"; return 1; }
  : >"$dir/postgres.log" 2>/dev/null
  as_owner setsid "$(pg_bin "$dir")/postgres" -D "$(db_folder "$dir")" -p "$port" -c listen_addresses=127.0.0.1 -c unix_socket_directories='' \
    -c max_connections=60 -c shared_buffers=64MB "$@" >>"$dir/postgres.log" 2>&1 </dev/null 8>&- 9>&- &
  pid=$!
  db_started=yes
  disown "$pid"
  db_await "$dir" "$pid" || { complain "$(db_why "$dir")"; return 1; }
  db_make_whole "$dir"
}

# The songs' own database in the cluster.
db_make_whole() {
  [ "$(db_sql "$1" postgres "select 1 from pg_database where datname = 'zapateo'")" = 1 ] || db_sql "$1" postgres 'create database zapateo' || {
    complain "$(db_why "$1")"; return 1; }
}

db_stop() { # db_stop DIR [PID]: ends the server of a folder, or only where it is that process
  local server tries
  server=$(db_pid "$1")
  if [ -n "${2:-}" ] && [ "$server" != "$2" ]; then return 0; fi
  [ -n "$server" ] || server=$(at_work_in postgres "$(db_folder "$1")")
  [ -n "$server" ] || return 0
  kill -INT $server 2>/dev/null
  for ((tries = 0; tries < 300; tries++)); do [ -n "$(at_work_in postgres "$(db_folder "$1")")" ] || return 0; sleep 0.1; done
  say "the database does not end by itself; it is ended, and will recover at the next start."
  kill -QUIT $server 2>/dev/null
  for ((tries = 0; tries < 100; tries++)); do [ -n "$(at_work_in postgres "$(db_folder "$1")")" ] || return 0; sleep 0.1; done
  kill -KILL $(at_work_in postgres "$(db_folder "$1")") 2>/dev/null
}

db_env() {
  export ZAPATEO_DB_URL="jdbc:postgresql://127.0.0.1:$(db_port "$1")/zapateo" ZAPATEO_DB_USER=$DB_USER
  ZAPATEO_DB_PASSWORD=$(cat "$1/password")
  export ZAPATEO_DB_PASSWORD
}
