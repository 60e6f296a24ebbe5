#!/usr/bin/env bash
# What every bench of the built application needs: bench-ready.sh PACKAGE … (of Debian)
set -euo pipefail
here=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
"$here/scripts/install.sh" debian "$@"
"$here/scripts/install.sh" packages
mkdir -p "$here/.test"
"$here/scripts/build.sh" "$here/.test/dist"
