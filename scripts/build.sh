#!/usr/bin/env bash
# Builds the application and the server that hosts it.
set -euo pipefail
cd "$(dirname "$0")/.."
npx react-router build
npx esbuild server/main.ts server/draw-proof.ts --bundle --platform=node --format=esm --packages=external --log-level=error --outdir=build/host
npx tsx --tsconfig tsconfig.base.json scripts/service-worker.ts
npx tsx --tsconfig tsconfig.base.json scripts/pack-files.ts
