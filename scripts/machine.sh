# What the machine must have. Read by ./zapateo.

version_at_least() { [ "$(printf '%s\n%s\n' "$2" "$1" | sort -V | head -n 1)" = "$2" ]; }
java_major() { javac -version 2>&1 | sed -nE 's/^javac ([0-9]+).*/\1/p'; }

# need_tools [test|bench]: Debian packages that are missing are installed by root, else named.
need_tools() {
  local missing=() major
  major=$(java_major)
  if [ -z "$major" ] || [ "$major" -lt 17 ]; then missing+=(openjdk-17-jdk-headless); fi
  command -v mvn >/dev/null || missing+=(maven)
  pg_bin >/dev/null || missing+=(postgresql-15)
  if [ -n "${1:-}" ]; then
    # Tests take the browser without a window where it can be had, which is quicker; measures are of the whole one, as people have it.
    if [ "$1" = bench ]; then [ -x /usr/bin/chromium ] || missing+=(chromium)
    else [ -x /usr/lib/chromium/chromium-headless-shell ] || [ -x /usr/bin/chromium ] || missing+=(chromium-headless-shell); fi
    command -v midicsv >/dev/null || missing+=(midicsv)
    command -v musicxml2ly >/dev/null || missing+=(lilypond)
    # A second reader of ABC, and its traditional tunes, which a slim system leaves out with all documentation.
    command -v abc2midi >/dev/null && [ -f /usr/share/doc/abcmidi/examples/demo.abc ] || missing+=(abcmidi)
    [ -f /usr/share/doc/abcm2ps/examples/accordion.abc ] || missing+=(abcm2ps)
    command -v curl >/dev/null || missing+=(curl)
    command -v pdftotext >/dev/null || missing+=(poppler-utils)
  fi
  if [ ${#missing[@]} -gt 0 ]; then
    if [ "$(id -u)" = 0 ] && command -v apt-get >/dev/null; then
      say "installing from Debian: ${missing[*]}"
      { apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends --reinstall \
        -o 'Dpkg::Options::=--path-include=/usr/share/doc/abc*' "${missing[@]}"; } >"$HOME_DIR/apt.log" 2>&1 \
        || { tail -n 5 "$HOME_DIR/apt.log" >&2; fail "Debian's packages could not be installed: see $HOME_DIR/apt.log"; }
    else
      fail "these are missing; run this as root, then start again:
  apt-get install ${missing[*]}"
    fi
  fi
  command -v node >/dev/null || fail "Node.js is missing: version $NODE_WANTED or newer is needed, with npm."
  command -v npm >/dev/null || fail "npm is missing: it comes with Node.js $NODE_WANTED or newer."
  version_at_least "$(node --version | tr -d v)" "$NODE_WANTED" || fail "Node.js $(node --version) is too old: $NODE_WANTED or newer is needed."
}

make_home() {
  mkdir -p "$HOME_DIR" 2>/dev/null || fail "the folder $HOME_DIR cannot be made: is the disk full, or the folder read-only?"
  if ! echo test 2>/dev/null >"$HOME_DIR/.write"; then fail "nothing can be written in $HOME_DIR: the disk is full or read-only. Nothing was changed."; fi
  rm -f "$HOME_DIR/.write"
}

