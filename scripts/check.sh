#!/usr/bin/env bash
# What is quick to know while working: format and lint, walls, types, and the unit tests of what has changed since a commit
# (the last one, unless another is named).
set -uo pipefail
cd "$(dirname "$0")/.."
since="${1:-HEAD}"
failed=0
npx biome check . || failed=1
npm run -s walls || failed=1
npm run -s typecheck || failed=1
npx vitest run --changed "$since" --passWithNoTests || failed=1
exit "$failed"
