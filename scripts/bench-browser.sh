#!/usr/bin/env bash
# npm run bench, with the Bench in Chromium measured too, on a throw-away cluster.
set -euo pipefail
here=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
cd "$here"
scripts/bench-ready.sh postgresql chromium
TEST_DATABASE_URL=$(scripts/cluster.sh start "$here/.test/postgres" throw-away)
export TEST_DATABASE_URL
trap 'scripts/cluster.sh stop "$here/.test/postgres"' EXIT
scripts/bench-core.sh browser
