#!/usr/bin/env bash
# Builds the application into a folder when the sources changed since: build.sh FOLDER
set -euo pipefail
here=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
out=$1
cd "$here"
print=$( (find src public types -type f -not -name '*.test.ts' | LC_ALL=C sort | xargs sha256sum; sha256sum astro.config.mjs tsconfig.json package-lock.json scripts/build.sh) | sha256sum | cut -d' ' -f1)
if [ "$(cat "$out/.built" 2>/dev/null || true)" != "$print" ]; then
  echo "Building (about half a minute) …" >&2
  DENDROTAX_OUT="$out" ASTRO_TELEMETRY_DISABLED=1 node_modules/.bin/astro build >"$out.log" 2>&1 || { tail -40 "$out.log" >&2; exit 1; }
  scripts/build-worker.sh "$out/server/work.mjs"
  echo "$print" >"$out/.built"
fi
