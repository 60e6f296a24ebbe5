#!/usr/bin/env bash
# Kills server and database in turn while edits go on, on a cluster of its own: bench-kill.sh [--rounds N] [--windows N] [--pause MS]
set -euo pipefail
here=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
cd "$here"
scripts/bench-ready.sh postgresql
node_modules/.bin/esbuild bench/kill.ts --bundle --platform=node --format=esm --packages=external --outfile=.test/kill.mjs --log-level=warning
trap 'scripts/cluster.sh stop "$here/.test/kill/postgres"' EXIT
node .test/kill.mjs "$@"
