#!/usr/bin/env bash
# The long run of what npm test runs short: property tests, 10,000 spoiled files, 10,000 spoiled drawings beside the browser's
# picture of them, hostile line work, 200 crashes. Seeds are printed.
set -uo pipefail
cd "$(dirname "$0")/.."
bash scripts/setup.sh --tests || exit 1
failed=0
SOAK=1 npx vitest run || failed=1
npm run -s build >/dev/null || failed=1
SOAK=1 npx playwright test e2e/spoiled-art.spec.ts e2e/parts-thrice.spec.ts e2e/deliver.spec.ts || failed=1
KILLS=200 npm run -s bench -- kills || failed=1
exit "$failed"
