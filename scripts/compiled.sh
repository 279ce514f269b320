#!/usr/bin/env bash
# Compiles one TypeScript program and runs it: engine timings should be those of compiled code.
set -euo pipefail
program="$1"
shift
cd "$(dirname "$0")/.."
out="node_modules/.fern/$(basename "$program" .ts).mjs"
npx esbuild "$program" --bundle --platform=node --format=esm --packages=external --log-level=error --outfile="$out"
exec node "$out" "$@"
