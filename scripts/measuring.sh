# Tests and measurements. Read by ./zapateo.

for_tests() {
  make_home
  need_tools "${1:-test}"
  build_turn
  export PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD=1 ZAPATEO_SCRIPT=$ROOT/zapateo
}

run_tests() {
  for_tests
  (cd "$ROOT" && mvn -B -ntp -pl core,server,e2e verify -Dmaven.test.failure.ignore=false -Dspotless.check.skip=false)
  local status=$?
  if [ $status = 0 ]; then say "Zapateo: every test passed."; else say "Zapateo: tests failed or did not run (status $status)."; fi
  return $status
}

# Java by Spotless, the page by Biome; the lines are as long as both are told (pom.xml, web/biome.json).
run_format() {
  for_tests
  (cd "$ROOT" && mvn -q -B spotless:apply) || return 1
  (cd "$ROOT/web" && { [ -d node_modules ] || npm ci --no-progress; } && npx biome check --write src)
}

# What the tests do a few times, done in full.
run_endure() {
  for_tests
  (cd "$ROOT" && mvn -B -ntp -pl core,server,e2e verify -Dskip.web.tests=true -Dzapateo.endure=true -Dsurefire.failIfNoSpecifiedTests=false \
    -Dtest='EveryFigureTest,LinearTest,MusicXmlWriterTest,ImportTest,RoundTripTest,JudgeTest,KillTest,BadInputTest,DeepFuzzTest,OperationsTest,EnvelopeTest,KeptRowsTest,PackageApiTest,OneSongTest,StartTest,CopiesTest,PlayedThroughTest')
  local status=$?
  if [ $status = 0 ]; then endure_load; status=$?; fi
  if [ $status = 0 ]; then say "Zapateo: it endured."; else say "Zapateo: it did not endure, or did not run (status $status)."; fi
  return $status
}

# Twenty minutes of reading, saving and computing by 128 clients; what the server holds at the start and at the end is told.
endure_load() {
  local data=$HOME_DIR/endure-database port=18098 server tries status
  (cd "$ROOT" && mvn -q -B -pl core,server,bench -DskipTests package) >"$HOME_DIR/bench.log" 2>&1 || { complain "the build failed: see $HOME_DIR/bench.log"; return 1; }
  db_start "$data" || return 1
  (db_env "$data"; exec java "${JAVA_FLAGS[@]}" -jar "$ROOT"/server/target/server-*-exec.jar --server.port=$port --zapateo.demo=false) >"$HOME_DIR/endure-server.log" 2>&1 &
  server=$!
  for ((tries = 0; tries < 3000; tries++)); do app_up "$port" && break; kill -0 "$server" 2>/dev/null || break; sleep 0.1; done
  java -cp "$ROOT/bench/target/classes:$(cat "$ROOT/bench/target/class-path")" zapateo.bench.Crowd "http://127.0.0.1:$port" "$server" "${ZAPATEO_ENDURE_SECONDS:-1200}"
  status=$?
  kill "$server" 2>/dev/null
  wait "$server" 2>/dev/null
  db_discard "$data"
  return $status
}

run_bench() {
  case ${1:-} in ''|faults) ;; *) fail "bench does not know \"$1\"; it takes nothing, or faults" ;; esac
  for_tests bench
  (cd "$ROOT" && mvn -q -B -pl core,server,bench -DskipTests package) >"$HOME_DIR/bench.log" 2>&1 || fail "the build failed: see $HOME_DIR/bench.log"
  if [ "${1:-}" = faults ]; then java -cp "$ROOT/bench/target/classes:$(cat "$ROOT/bench/target/class-path")" zapateo.bench.Faults; return; fi
  bash "$ROOT/bench/run" "$HOME_DIR"
}

MUTATED="song lefthand hand righthand search"
# They hold for every figure and every hand at once: a minute and more for each change, and others notice the same.
NOT_MUTATED_BY=zapateo.lefthand.EveryFigureTest,zapateo.lefthand.EveryHandTest

# Changes of what is kept, brought in and let in. The server's tests talk HTTP to an application in their own process, so that a change reaches them as it reaches others; one process at a time, since they share a database.
MUTATED_OF_SERVER='zapateo.server.practice.Practising*,zapateo.server.sets.Set*,zapateo.server.players.PeoplesHands*,zapateo.server.songs.Zips*,zapateo.server.songs.Packages*,zapateo.server.songs.BroughtSong*,zapateo.server.songs.Songs*,zapateo.server.arrangements.Sieve*,zapateo.server.keeping.Everything*,zapateo.server.work.*'
MUTANTS_SEEN_BY='zapateo.server.PracticeApiTest,zapateo.server.SetApiTest,zapateo.server.HandsApiTest,zapateo.server.songs.ZipsTest,zapateo.server.PackageApiTest,zapateo.server.KeepingApiTest,zapateo.server.SongApiTest,zapateo.server.work.GateTest,zapateo.server.WorkTest'

mutate_server() { # mutate_server [MOST]: of each class so many changes at most
  for_tests
  mkdir -p "$HOME_DIR/mutate" || fail "nothing can be written in $HOME_DIR"
  (cd "$ROOT" && mvn -B -ntp -q -pl core,server -Dskip.web=true -Dskip.web.tests=true test-compile org.pitest:pitest-maven:mutationCoverage -Dmutate.threads=1 -DtargetClasses="$MUTATED_OF_SERVER" -DtargetTests="$MUTANTS_SEEN_BY" \
    ${1:+"-Dfeatures=+CLASSLIMIT(limit[$1])"} -DtimeoutConst=60000 -DreportsDirectory="$HOME_DIR/mutate/server") >"$HOME_DIR/mutate/server.log" 2>&1 \
    || { tail -n 5 "$HOME_DIR/mutate/server.log" >&2; fail "the server could not be mutated: see $HOME_DIR/mutate/server.log"; }
  awk -F, '$6 == "KILLED" || $6 == "TIMED_OUT" || $6 == "MEMORY_ERROR" { killed++ } END { printf "server: %d of %d changes noticed (%d %%, wanted 80)\n", killed, NR, 100 * killed / NR }' "$HOME_DIR/mutate/server/mutations.csv"
}

# Small changes in the core's own classes, and which of them its tests notice; each package by its own tests, what did not change since the last time is not tried again. With a number only so many changes of a class.
run_mutate() {
  local package packages="" most="" history
  case ${1:-} in
    web) for_tests; (cd "$ROOT/web" && npm ci --no-audit --no-fund && npm run mutate); return ;;
    server) shift; mutate_server "$@"; return ;;
  esac
  for package in "$@"; do
    if [[ "$package" =~ ^[1-9][0-9]*$ ]]; then most=$package; continue; fi
    [[ "$package" =~ ^[a-z]+$ ]] && [ -d "$ROOT/core/src/main/java/zapateo/$package" ] || fail "mutate does not know \"$package\"; it takes packages of the core, or none for $MUTATED, server, or web, and how many changes of a class at most"
    packages="$packages $package"
  done
  for_tests
  mkdir -p "$HOME_DIR/mutate" || fail "nothing can be written in $HOME_DIR"
  for package in ${packages:-$MUTATED}; do
    history=$HOME_DIR/mutate/$package.history
    (cd "$ROOT" && mvn -B -ntp -q -pl core test-compile org.pitest:pitest-maven:mutationCoverage -DtargetClasses="zapateo.$package.*" -DtargetTests="zapateo.$package.*Test" -DexcludedTestClasses="$NOT_MUTATED_BY" \
      ${most:+"-Dfeatures=+CLASSLIMIT(limit[$most])"} -DhistoryInputFile="$history" -DhistoryOutputFile="$history" -DreportsDirectory="$HOME_DIR/mutate/$package") >"$HOME_DIR/mutate/$package.log" 2>&1 \
      || { tail -n 5 "$HOME_DIR/mutate/$package.log" >&2; fail "$package could not be mutated: see $HOME_DIR/mutate/$package.log"; }
    awk -F, -v package="$package" '$6 == "KILLED" || $6 == "TIMED_OUT" || $6 == "MEMORY_ERROR" { killed++ } END { printf "%s: %d of %d changes noticed (%d %%, wanted 80)\n", package, killed, NR, 100 * killed / NR }' "$HOME_DIR/mutate/$package/mutations.csv"
  done
  say "What was not noticed is in $HOME_DIR/mutate/PACKAGE/mutations.csv (SURVIVED, NO_COVERAGE); docs/MUTATION.md explains what is left."
}
