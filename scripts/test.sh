# ./lodrin test: sets itself up, runs every check and test, and ends with "N passed, N failed".

need_test_tools() {
  [ -n "${LODRIN_CHROMIUM:-}" ] || command -v chromium >/dev/null 2>&1 || need_debian "Chromium" chromium
  command -v pdftocairo >/dev/null 2>&1 || need_debian "Poppler, which reads the printed PDFs," poppler-utils
}

run_tests() {
  need_node
  need_modules
  need_test_tools
  need_node_build
  need_web_build
  start_postgres
  export LODRIN_TEST_DATABASE="$DATABASE_BASE/postgres"
  local code=0
  cd "$ROOT" || exit 1
  node scripts/run-tests.mjs "$@" || code=$?
  [ "$STARTED_PG" = 1 ] && stop_postgres
  if [ -f test-results/summary.txt ]; then cat test-results/summary.txt; else echo "0 passed, 1 failed"; fi
  exit "$code"
}
