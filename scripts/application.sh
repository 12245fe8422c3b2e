# The application: built, started, stopped. Read by ./zapateo.

port_taken() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

# What was killed a moment ago lets go of its port when it is gone.
port_stays_taken() {
  local tries
  for ((tries = 0; tries < 15; tries++)); do
    port_taken "$1" || return 1
    sleep 0.2
  done
}

app_pids() { at_work_in java "$(readlink -f "$HOME_DIR")/app"; }

app_port() { # of process $1: as it was started, else as it was written down
  local port
  port=$({ tr '\0' '\n' <"/proc/$1/environ"; } 2>/dev/null | sed -n 's/^ZAPATEO_PORT=//p')
  [ -n "$port" ] || port=$({ tr -d '\0' <"$HOME_DIR/app.port"; } 2>/dev/null)
  [[ "$port" =~ ^[0-9]+$ ]] && printf '%s' "$port"
}

app_up() { # whether the application answers on port $1
  local line up=1
  { exec 3<>"/dev/tcp/127.0.0.1/$1"; } 2>/dev/null || return 1
  printf 'GET /actuator/health HTTP/1.0\r\nHost: 127.0.0.1\r\n\r\n' >&3 2>/dev/null
  while IFS= read -r -t 5 -u 3 line || [ -n "$line" ]; do
    case $line in *'"UP"'*) up=0; break ;; esac
    line=
  done 2>/dev/null
  exec 3>&-
  return $up
}

says_where() { # an application that runs from this folder: its address; nothing where none does
  local pid port since=$SECONDS
  while [ $((SECONDS - since)) -lt 60 ]; do
    pid=$(app_pids | head -n 1)
    [ -n "$pid" ] || return 1
    # Its database may have been killed under it.
    [ -n "$(db_pid "$HOME_DIR")" ] || db_start "$HOME_DIR" || exit 1
    port=$(app_port "$pid")
    if [ -n "$port" ] && [ "$port" != 0 ] && app_up "$port"; then
      say "Zapateo is running already (process $pid): http://127.0.0.1:$port"
      return 0
    fi
    sleep 0.1
  done
  fail "process $pid runs from this folder and does not answer: ./zapateo stop ends it."
}

source_stamp() {
  (cd "$ROOT" && find pom.xml core/pom.xml core/src/main server/pom.xml server/src/main web -path web/node_modules -prune -o -path web/dist -prune \
    -o -path web/public/sounds -prune -o -type f -printf '%p %s %T@\n' 2>/dev/null | LC_ALL=C sort | sha256sum | cut -d' ' -f1)
}

# The heap: the core's searches of a song of 2,000 bars beside the copies of answers that are kept (docs/LIMITS.md).
JAVA_FLAGS=(-Xmx512m -XX:+UseParallelGC -Dfile.encoding=UTF-8 ${ZAPATEO_JAVA_FLAGS:-})

is_built() {
  local built wanted
  built=$(cat "$HOME_DIR/app/stamp" 2>/dev/null)
  wanted=$(source_stamp)
  [ "$built" = "$wanted" ]
}

child= # what this process waits for, so that a signal ends it too

attend() { # runs a command so that a signal is heard at once
  "$@" &
  child=$!
  wait "$child"
  local status=$?
  child=
  return $status
}

make_app() { cd "$ROOT" && exec mvn -q -B -pl core,server -DskipTests package >"$HOME_DIR/build.log" 2>&1 8>&-; }

# In its own folder by a name without a path: so the archive holds wherever that folder lies.
archive_classes() {
  cd "$HOME_DIR/app" && ZAPATEO_PORT=0 ZAPATEO_DEMO=false exec java "${JAVA_FLAGS[@]}" -XX:ArchiveClassesAtExit=classes.jsa -Dspring.context.exit=onRefresh \
    -jar zapateo.jar >>"$HOME_DIR/build.log" 2>&1 8>&-
}

unpack_app() {
  java -Djarmode=tools -jar "$ROOT"/server/target/server-*-exec.jar extract --destination "$HOME_DIR/app.new" >>"$HOME_DIR/build.log" 2>&1 \
    && mv "$HOME_DIR/app.new" "$HOME_DIR/app" && mv "$HOME_DIR"/app/server-*-exec.jar "$HOME_DIR/app/zapateo.jar" && return 0
  grep -q 'No space left' "$HOME_DIR/build.log" && fail "the disk is full, so Zapateo could not be unpacked. Make room and start again."
  fail "the built application could not be unpacked: see $HOME_DIR/build.log"
}

build() { # after the database answers: the class archive is made by a first, short run
  local stamp
  is_built && return 0
  build_turn
  stamp=$(source_stamp)
  # For the tests of this script: what they built already is taken as it is, and what one of them has unpacked as it lies in that folder.
  if [ -z "${ZAPATEO_BUILT:-}" ]; then
    say "building (the first time takes some minutes) …"
    attend make_app || {
      if grep -qE 'No space left on device|ENOSPC' "$HOME_DIR/build.log"; then fail "the disk is full, so Zapateo could not be built. Make room and start again."; fi
      grep -E 'ERROR|npm error' "$HOME_DIR/build.log" | head -n 12 >&2; fail "the build failed: see $HOME_DIR/build.log"; }
  fi
  rm -rf "$HOME_DIR/app.new" "$HOME_DIR/app"
  if [ -d "${ZAPATEO_BUILT:-}" ]; then
    cp -a "$ZAPATEO_BUILT" "$HOME_DIR/app"
  else
    unpack_app
    # A class archive makes later starts faster; without it they are only slower.
    attend archive_classes
  fi
  echo "$stamp" >"$HOME_DIR/app/stamp"
  build_turn_end
}

app= own_database=

# Whatever ends this process: only what it started ends with it.
ended() {
  [ -z "$child" ] || kill "$child" 2>/dev/null
  if [ -n "$app" ]; then
    kill "$app" 2>/dev/null
    wait "$app" 2>/dev/null
  fi
  [ -z "$own_database" ] || db_stop "$HOME_DIR" "$own_database"
}

start() {
  local port=8080 demo=true tries starter said=
  while [ $# -gt 0 ]; do
    case $1 in
      --port) port=${2:-}; [[ "$port" =~ ^[0-9]+$ ]] && [ "${#port}" -le 5 ] && [ "$port" -ge 1 ] && [ "$port" -le 65535 ] || fail "--port wants a number from 1 to 65535"; shift ;;
      --empty) demo=false ;;
      *) fail "start does not know \"$1\"; it takes --port N and --empty" ;;
    esac
    shift
  done
  make_home
  turn_open
  for ((tries = 0; ; tries++)); do
    if turn_free start "$port"; then break; fi
    starter=$(turn_holder)
    if [ -z "$said" ] && [ $tries -ge 5 ] && [ -n "$starter" ]; then
      set -- $starter
      case $2 in
        start) say "Zapateo is being started already by process $1 in $HOME_DIR: http://127.0.0.1:$3 – waiting for it …" ;;
        *) say "process $1 is at work here (./zapateo $2): waiting for it …" ;;
      esac
      said=yes
    fi
    [ $tries -lt $((TURN_WAIT * 5)) ] || fail "another ./zapateo (${starter:-one that does not say what it does}) has been at work in $HOME_DIR too long."
    sleep 0.2
  done
  says_where && exit 0
  port_stays_taken "$port" && fail "port $port is taken by another program. Try another one: ./zapateo start --port $((port + 1))"
  # What is built already needs only Java and the database.
  is_built && command -v java >/dev/null && pg_bin >/dev/null || [ -n "${ZAPATEO_BUILT:-}" ] || need_tools
  trap ended EXIT
  trap 'exit 130' INT TERM HUP
  # Nobody else is at work here: a database that outlived its start is this one's now.
  own_database=$(db_pid "$HOME_DIR")
  db_start "$HOME_DIR" || exit 1
  own_database=$(db_pid "$HOME_DIR")
  writes_go_on
  db_env "$HOME_DIR"
  build
  copy_before_upgrade || exit 1
  local archive=()
  [ -f "$HOME_DIR/app/classes.jsa" ] && archive=(-XX:SharedArchiveFile=classes.jsa -Xshare:auto)
  [ -f "$HOME_DIR/app/zapateo.jar" ] || fail "the built application is gone: start again"
  echo "$port" >"$HOME_DIR/app.port"
  (cd "$HOME_DIR/app" && ZAPATEO_PORT=$port ZAPATEO_DEMO=$demo ZAPATEO_COPIES=$HOME_DIR/copies ZAPATEO_LOG=$HOME_DIR/app.log LOGGING_THRESHOLD_CONSOLE=OFF \
    exec setsid java "${JAVA_FLAGS[@]}" "${archive[@]}" -jar zapateo.jar >"$HOME_DIR/app.out" 2>&1 </dev/null 7>&- 8>&-) &
  app=$!
  for ((tries = 0; tries < 3000; tries++)); do
    app_up "$port" && break
    kill -0 "$app" 2>/dev/null || { grep -iqsE 'No space left' "$HOME_DIR/app.log" "$HOME_DIR/app.out" && fail "the disk is full, so Zapateo could not start. What was saved before is safe."
      tail -qn 5 "$HOME_DIR/app.log" "$HOME_DIR/app.out" 2>/dev/null >&2; fail "the application did not start: see $HOME_DIR/app.log"; }
    sleep 0.1
  done
  app_up "$port" || fail "the application has not come up in five minutes: see $HOME_DIR/app.log"
  turn_end
  say "Zapateo is ready: http://127.0.0.1:$port   (Ctrl-C stops it)"
  say "Copies of everything are kept once a day in $HOME_DIR/copies; ./zapateo backup makes one now."
  look_after
  wait "$app"
}

# The application turns its own log over; the database writes on to the end of its file, whatever is taken out of it.
LONGEST_LOG=10485760
LOGS_KEPT=9

keep_short() { # keep_short FILE
  local number
  [ "$(stat -c %s "$1" 2>/dev/null || echo 0)" -gt "$LONGEST_LOG" ] || return 0
  for ((number = LOGS_KEPT; number > 1; number--)); do
    [ ! -e "$1.$((number - 1))" ] || mv -f "$1.$((number - 1))" "$1.$number"
  done
  cp "$1" "$1.1" 2>/dev/null && : >"$1"
}

# While it runs: a copy a day, and a database that was killed is started again.
look_after() {
  local turn=0 database
  # Waits on what nobody writes to, so that nothing is left asleep where this process is killed.
  exec 6<> <(:)
  while kill -0 "$app" 2>/dev/null; do
    [ $((turn++ % 120)) = 0 ] && { daily_copy; keep_short "$HOME_DIR/postgres.log"; }
    read -rt 5 -u 6
    if [ -z "$(db_pid "$HOME_DIR")" ]; then
      turn_open
      # Not where a stop or a restore is at it.
      if flock -n 8 && kill -0 "$app" 2>/dev/null; then db_start "$HOME_DIR"; fi
      exec 8>&-
    fi
    if [ -e "$HOME_DIR/read-only" ]; then
      turn_open
      if flock -n 8; then writes_go_on; fi
      exec 8>&-
    fi
    # Nobody but this application works with it, whoever started it; once it has ended the next one may have begun.
    database=$(db_pid "$HOME_DIR")
    kill -0 "$app" 2>/dev/null && own_database=$database
  done
}

stop() {
  local pid pids tries found= starter
  [ -d "$HOME_DIR" ] || { say "Zapateo was not running."; return 0; }
  starter=$(turn_holder)
  # A start that is under way is ended first, and ends what it started.
  if [ -n "$starter" ]; then
    set -- $starter
    if [ "$2" = start ]; then found=1; kill "$1" 2>/dev/null; fi
  fi
  if { exec 8>>"$HOME_DIR/turn.lock"; } 2>/dev/null; then flock -w 60 8 || say "another ./zapateo is at work here (${starter:-one that does not say what it does}); what runs is stopped all the same."; fi
  for pid in $(app_pids); do
    found=1
    kill "$pid" 2>/dev/null
    for ((tries = 0; tries < 100; tries++)); do [ -d "/proc/$pid" ] || break; sleep 0.1; done
    [ -d "/proc/$pid" ] && kill -KILL "$pid" 2>/dev/null
  done
  if [ -n "$(at_work_in postgres "$(db_folder "$HOME_DIR")")" ]; then found=1; db_stop "$HOME_DIR"; fi
  rm -f "$HOME_DIR/turn" 2>/dev/null
  if [ -n "$found" ]; then say "Zapateo is stopped."; else say "Zapateo was not running."; fi
}

reset() {
  [ -d "$HOME_DIR/data" ] || { say "There are no songs kept here."; return 0; }
  turn_take reset
  [ -z "$(app_pids)" ] || fail "Zapateo is running: stop it first."
  printf 'This deletes every song kept in %s for good. Type yes to go on: ' "$HOME_DIR/data"
  local answer=
  read -r answer
  [ "$answer" = yes ] || { say; say "Nothing was deleted."; return 0; }
  db_discard "$HOME_DIR"
  say "All songs are deleted. The next start begins anew. Copies that were made are still in $HOME_DIR/copies."
}
