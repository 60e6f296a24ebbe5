#!/usr/bin/env bash
# Sets up what a machine lacks. install.sh packages: npm packages and font tables; install.sh debian NAME …: Debian packages.
set -euo pipefail
here=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
case "$1" in
packages)
  major=$(node -p 'process.versions.node.split(".")[0]' 2>/dev/null || echo 0)
  if [ "$major" -lt 20 ]; then
    echo "Dendrotax needs Node.js 20 or newer; found: $(node --version 2>/dev/null || echo none)." >&2
    exit 1
  fi
  stamp="$here/node_modules/.installed"
  wanted=$(sha256sum "$here/package-lock.json" | cut -d' ' -f1)
  if [ "$(cat "$stamp" 2>/dev/null || true)" != "$wanted" ]; then
    echo "Installing the npm packages (a minute or two, once) …"
    # Not npm ci: the lock leaves out builds for other platforms, which npm ci takes for a fault. The lock is kept as it is.
    (cd "$here" && npm install --no-save --no-audit --no-fund --loglevel=error --ignore-scripts)
    echo "$wanted" >"$stamp"
  fi
  tables="$here/src/core/measure/tables.generated.json"
  if [ ! -s "$tables" ] || [ "$here/scripts/make-font-tables.ts" -nt "$tables" ] || [ "$here/src/export/font-files.ts" -nt "$tables" ]; then
    echo "Making the tables of the fonts' widths …"
    (cd "$here" && node_modules/.bin/tsx scripts/make-font-tables.ts)
  fi
  ;;
debian)
  shift
  missing=()
  for name in "$@"; do
    dpkg-query -W -f '${Status}' "$name" 2>/dev/null | grep -q 'install ok installed' || missing+=("$name")
  done
  if [ ${#missing[@]} -gt 0 ]; then
    sudo=""
    if [ "$(id -u)" -ne 0 ]; then
      command -v sudo >/dev/null || {
        echo "These Debian packages are missing: ${missing[*]}. Run this once as root, or have them installed: apt-get install ${missing[*]}" >&2
        exit 1
      }
      sudo="sudo"
    fi
    echo "Installing from Debian: ${missing[*]} …"
    $sudo apt-get update -qq
    $sudo env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "${missing[@]}" >/dev/null
  fi
  ;;
*)
  echo "install.sh packages | debian NAME …" >&2
  exit 2
  ;;
esac
