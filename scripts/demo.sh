#!/usr/bin/env bash
# Builds Fern Pocket and serves it with the demo drawings.
set -euo pipefail
cd "$(dirname "$0")/.."
bash scripts/setup.sh
echo "Building..."
npm run -s build >/dev/null 2>&1 || { echo "The build failed; 'npm run build' shows why." >&2; exit 1; }
export HOST=127.0.0.1 PORT="${PORT:-4180}" NODE_ENV=production
echo "Fern Pocket is at http://127.0.0.1:$PORT  (Ctrl+C stops it)"
exec node build/host/main.js >/dev/null
