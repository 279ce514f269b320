#!/usr/bin/env bash
# Brings in what the project needs: its packages, and with --tests what tests need of Debian's packages.
set -euo pipefail
cd "$(dirname "$0")/.."

if [ ! -f node_modules/.fern-installed ] || ! cmp -s package-lock.json node_modules/.fern-installed; then
  echo "Installing packages..."
  npm ci --no-audit --no-fund --loglevel=error
  cp package-lock.json node_modules/.fern-installed
fi

has_chromium() {
  for name in "${CHROMIUM:-}" chromium chromium-browser google-chrome; do
    if [ -n "$name" ] && command -v "$name" >/dev/null 2>&1; then return 0; fi
  done
  return 1
}

# Debian's packages that tests need and that are missing: a browser, programs that read PDF, and one that lays pictures on one another.
missing=()
has_chromium || missing+=(chromium)
command -v pdftoppm >/dev/null 2>&1 || missing+=(poppler-utils)
command -v mutool >/dev/null 2>&1 || missing+=(mupdf-tools)
command -v qpdf >/dev/null 2>&1 || missing+=(qpdf)
/usr/bin/python3 -c "import cairo" 2>/dev/null || missing+=(python3-cairo)

if [ "${1:-}" = "--tests" ] && [ "${#missing[@]}" -gt 0 ]; then
  if [ "$(id -u)" = "0" ] && command -v apt-get >/dev/null 2>&1; then
    echo "Installing ${missing[*]}..."
    apt-get update -qq >/dev/null && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq "${missing[@]}" >/dev/null
  else
    echo "Tests need ${missing[*]}. Install them (Debian: sudo apt-get install ${missing[*]}) and run this again." >&2
    exit 1
  fi
fi
