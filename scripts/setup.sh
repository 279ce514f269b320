#!/usr/bin/env bash
# Brings in what the project needs: its packages, and Debian's Chromium where asked for and missing.
set -euo pipefail
cd "$(dirname "$0")/.."

if [ ! -f node_modules/.fern-installed ] || ! cmp -s package-lock.json node_modules/.fern-installed; then
  echo "Installing packages..."
  npm ci --no-audit --no-fund --loglevel=error
  cp package-lock.json node_modules/.fern-installed
fi

find_chromium() {
  for name in "${CHROMIUM:-}" chromium chromium-browser google-chrome; do
    if [ -n "$name" ] && command -v "$name" >/dev/null 2>&1; then
      command -v "$name"
      return 0
    fi
  done
  return 1
}

if [ "${1:-}" = "--browser" ] && ! find_chromium >/dev/null; then
  if [ "$(id -u)" = "0" ] && command -v apt-get >/dev/null 2>&1; then
    echo "Installing Chromium..."
    apt-get update -qq >/dev/null && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq chromium >/dev/null
  else
    echo "Browser tests need Chromium. Install it (Debian: sudo apt-get install chromium) and run this again." >&2
    exit 1
  fi
fi
