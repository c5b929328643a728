#!/usr/bin/env bash
# Builds the interface into dist/; does nothing when no source has changed since. Called by Maven.
set -euo pipefail
cd "$(dirname "$0")"
sum=$(find . ../core/src/main/resources/messages ../core/src/main/resources/org \( -path ./node_modules -o -path ./dist -o -path ./target -o -path ./src/api/schema.ts \) -prune -o -type f -print | LC_ALL=C sort | xargs sha256sum | sha256sum | cut -d' ' -f1)
if [ -f dist/.sum ] && [ "$(cat dist/.sum)" = "$sum" ]; then echo "The interface is unchanged."; exit 0; fi
command -v npm >/dev/null || { echo "Node.js with npm is needed to build the interface. ./jalousie demo installs it." >&2; exit 1; }
lock=$(sha256sum package-lock.json | cut -d' ' -f1)
if [ "$(cat node_modules/.lock-sum 2>/dev/null)" != "$lock" ]; then npm ci --no-audit --no-fund; echo "$lock" > node_modules/.lock-sum; fi
npm run build
test -f dist/index.html || { echo "The interface was not built." >&2; exit 1; }
echo "$sum" > dist/.sum
