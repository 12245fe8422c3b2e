# Tests and measurements. Read by ./zapateo.

for_tests() {
  make_home
  need_tools test
  build_turn
  export PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD=1 ZAPATEO_SCRIPT=$ROOT/zapateo
}

run_tests() {
  for_tests
  (cd "$ROOT" && mvn -B -ntp -pl core,server,e2e verify -Dmaven.test.failure.ignore=false)
  local status=$?
  if [ $status = 0 ]; then say "Zapateo: every test passed."; else say "Zapateo: tests failed or did not run (status $status)."; fi
  return $status
}

# What the tests do a few times, done in full.
run_endure() {
  for_tests
  (cd "$ROOT" && mvn -B -ntp -pl core,server,e2e verify -Dskip.web.tests=true -Dzapateo.endure=true -Dsurefire.failIfNoSpecifiedTests=false \
    -Dtest='EveryFigureTest,KillTest,StartTest,BadInputTest,EnvelopeTest,KeptRowsTest,PlayedThroughTest')
  local status=$?
  if [ $status = 0 ]; then say "Zapateo: it endured."; else say "Zapateo: it did not endure, or did not run (status $status)."; fi
  return $status
}

run_bench() {
  case ${1:-} in ''|faults) ;; *) fail "bench does not know \"$1\"; it takes nothing, or faults" ;; esac
  for_tests
  (cd "$ROOT" && mvn -q -B -pl core,server,bench -DskipTests package) >"$HOME_DIR/bench.log" 2>&1 || fail "the build failed: see $HOME_DIR/bench.log"
  if [ "${1:-}" = faults ]; then java -cp "$ROOT/bench/target/classes:$(cat "$ROOT/bench/target/class-path")" zapateo.bench.Faults; return; fi
  bash "$ROOT/bench/run" "$HOME_DIR"
}
