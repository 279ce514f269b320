#!/usr/bin/env bash
# Runs one TypeScript program as compiled code: engine timings should be those of compiled code. It is compiled anew
# when a source is newer, beside the old one, and put in its place whole: runs at the same time never see half of it.
set -euo pipefail
program="$1"
shift
cd "$(dirname "$0")/.."
out="node_modules/.fern/$(basename "$program" .ts).mjs"
if [ ! -f "$out" ] || [ -n "$(find core bin bench demo package-lock.json -newer "$out" -print -quit)" ]; then
  mkdir -p node_modules/.fern
  fresh="$(mktemp "$out.XXXXXX")"
  trap 'rm -f "$fresh"' EXIT
  npx esbuild "$program" --bundle --platform=node --format=esm --packages=external --log-level=error --outfile="$fresh" --allow-overwrite
  mv "$fresh" "$out"
fi
exec node "$out" "$@"
