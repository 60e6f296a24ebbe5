#!/usr/bin/env bash
# Measures the core, bundled as it ships; with `browser` as argument the Bench in Chromium too (see bench-browser.sh).
set -euo pipefail
here=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
cd "$here"
mkdir -p .test
node_modules/.bin/esbuild bench/run.ts --bundle --platform=node --format=esm --packages=external --outfile=.test/bench.mjs --log-level=warning
node .test/bench.mjs "$@"
