#!/usr/bin/env bash
# Measures the finished server over HTTP, on a throw-away cluster.
set -euo pipefail
here=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
cd "$here"
scripts/bench-ready.sh postgresql
TEST_DATABASE_URL=$(scripts/cluster.sh start "$here/.test/postgres" throw-away)
export TEST_DATABASE_URL
trap 'scripts/cluster.sh stop "$here/.test/postgres"' EXIT
node_modules/.bin/esbuild bench/server.ts --bundle --platform=node --format=esm --packages=external --outfile=.test/bench-server.mjs --log-level=warning
node .test/bench-server.mjs
