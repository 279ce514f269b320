#!/usr/bin/env bash
# Everything that must hold: format and lint, walls between rooms, nothing unused, types, unit tests, build, browser tests, crashes. Ends with one line of figures.
set -uo pipefail
cd "$(dirname "$0")/.."
passed=0
failed=0
results="$(mktemp -d)"
trap 'rm -rf "$results"' EXIT

bash scripts/setup.sh --tests || exit 1

fail() {
  failed=$((failed + 1))
  echo "$1" >>"$results/failed"
}

check() {
  echo "== $1"
  local name="$1"
  shift
  if "$@"; then passed=$((passed + 1)); else fail "$name"; fi
}

# Runs tests and adds the passed and failed ones of their JSON report. An error outside any test is in none of them, but in how the run ends.
run_tests() {
  local name="$1" report="$2" ended=0 figures
  shift 2
  echo "== $name"
  "$@" || ended=$?
  figures="$(node scripts/count-tests.mjs "$report" 2>>"$results/failed")" || { fail "$name: no report"; return; }
  passed=$((passed + ${figures% *}))
  failed=$((failed + ${figures#* }))
  if [ "$ended" -ne 0 ] && [ "${figures#* }" -eq 0 ]; then fail "$name: an error outside any test"; fi
}

check "format and lint" npx biome check .
check "walls" npm run -s walls
check "nothing unused" npm run -s unused
check "types" npm run -s typecheck
run_tests "unit tests" "$results/unit.json" \
  npx vitest run --reporter=default --reporter=json --outputFile.json="$results/unit.json"
echo "== build"
if npm run -s build >"$results/build.log" 2>&1; then
  passed=$((passed + 1))
  check "what is fetched" npm run -s budget
  run_tests "browser tests" "$results/e2e.json" \
    env PLAYWRIGHT_JSON_OUTPUT_NAME="$results/e2e.json" npx playwright test --reporter=list,json
  check "crashes: the browser killed ten times while it draws, pours, shades and undoes" env KILLS=10 npm run -s bench -- kills
else
  cat "$results/build.log"
  fail build
fi

cat "$results/failed" 2>/dev/null
echo "$passed passed, $failed failed"
[ "$failed" -eq 0 ]
