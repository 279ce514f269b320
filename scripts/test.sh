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

# Adds the passed and failed tests of a JSON report.
count() {
  local figures
  figures="$(node scripts/count-tests.mjs "$1" 2>>"$results/failed")" || { fail "$1 could not be read"; return; }
  passed=$((passed + ${figures% *}))
  failed=$((failed + ${figures#* }))
}

check "format and lint" npx biome check .
check "walls" npm run -s walls
check "nothing unused" npm run -s unused
check "types" npm run -s typecheck
echo "== unit tests"
npx vitest run --reporter=default --reporter=json --outputFile.json="$results/unit.json"
count "$results/unit.json"
echo "== build"
if npm run -s build >"$results/build.log" 2>&1; then
  passed=$((passed + 1))
  check "what is fetched" npm run -s budget
  echo "== browser tests"
  PLAYWRIGHT_JSON_OUTPUT_NAME="$results/e2e.json" npx playwright test --reporter=list,json
  count "$results/e2e.json"
  check "crashes: the browser killed ten times while it draws, pours, shades and undoes" env KILLS=10 npm run -s bench -- kills
else
  cat "$results/build.log"
  fail build
fi

cat "$results/failed" 2>/dev/null
echo "$passed passed, $failed failed"
[ "$failed" -eq 0 ]
