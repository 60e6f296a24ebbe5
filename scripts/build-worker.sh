#!/usr/bin/env bash
# Bundles what runs in worker threads of the server: build-worker.sh FILE
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
node_modules/.bin/esbuild src/server/work/worker.ts --bundle --platform=node --format=esm --packages=external --outfile="$1" --log-level=warning
