# Whose turn it is in a folder: start until it is up, stop, restore and reset one after the other; and what builds, one at a time. Read by ./zapateo.
#
# The lock of a turn is let go when its process ends, however it ends: nothing that outlives it has the file open. What builds keeps the lock
# of building open in its children on purpose: a build whose script was killed still runs.

TURN_WAIT=${ZAPATEO_TURN_WAIT:-900}

turn_holder() { # "PID COMMAND PORT" of the one whose turn it is, and nothing where that cannot be said
  local pid command port
  read -r pid command port 2>/dev/null <"$HOME_DIR/turn" || [ -n "${pid:-}" ] || return 1
  [[ "$pid" =~ ^[0-9]+$ && "${command:-}" =~ ^[a-z]+$ && "${port:-0}" =~ ^[0-9]+$ ]] && { tr '\0' ' ' <"/proc/$pid/cmdline"; } 2>/dev/null | grep -q "zapateo $command" \
    && printf '%s %s %s' "$pid" "$command" "${port:-0}"
}

turn_free() { # takes the turn if it is nobody's
  flock -n 8 || return 1
  printf '%s %s %s\n' "$$" "$1" "${2:-0}" >"$HOME_DIR/turn" 2>/dev/null
  return 0
}

turn_open() { { exec 8>>"$HOME_DIR/turn.lock"; } 2>/dev/null || fail "nothing can be written in $HOME_DIR: the disk is full or read-only. Nothing was changed."; }

turn_take() { # turn_take COMMAND [PORT]: waits for another one's turn to end
  local tries
  turn_open
  for ((tries = 0; tries < TURN_WAIT * 5; tries++)); do
    turn_free "$@" && return 0
    [ $tries = 10 ] && say "waiting for another ./zapateo in this folder ($(turn_holder || echo 'one that does not say what it does')) …"
    sleep 0.2
  done
  fail "another ./zapateo ($(turn_holder || echo 'one that does not say what it does')) has been at work in $HOME_DIR too long. Nothing was changed."
}

turn_end() { : >"$HOME_DIR/turn"; exec 8>&-; } 2>/dev/null

build_turn() { # what builds in this folder does so one at a time
  { exec 7>>"$HOME_DIR/build.lock"; } 2>/dev/null || fail "nothing can be written in $HOME_DIR: the disk is full or read-only. Nothing was changed."
  flock -n 7 && return 0
  say "something else builds or tests in this folder: waiting for it …"
  flock -w 5400 7 || fail "something else has been building in $ROOT for an hour and a half."
}

build_turn_end() { exec 7>&-; }
