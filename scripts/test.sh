#!/usr/bin/env bash
# Everything: style, types, imports, front end, then core, store, api, formats and browser.
set -euo pipefail
cd "$(dirname "$0")/.."
[ -x .kopje/node/bin/npm ] && export PATH="$PWD/.kopje/node/bin:$PATH"
python=.venv/bin/python
took="$(mktemp)"
trap 'printf "\n== seconds\n"; cat "$took"; rm -f "$took"' EXIT
step() {
  printf '\n== %s\n' "$1"
  local name="$1" start=$SECONDS code=0
  shift
  "$@" || code=$?
  printf '%4d  %s\n' $((SECONDS - start)) "$name" >>"$took"
  return $code
}
step "style" .venv/bin/ruff check src tests scripts
step "format" .venv/bin/ruff format --check -q src tests scripts
step "imports" .venv/bin/lint-imports --no-cache
step "types" .venv/bin/mypy
(
  cd web
  step "page: types" npm run --silent types
  step "page: style" npm run --silent lint
  step "page: format" npm run --silent format
  step "page: tests" npm run --silent test
)
step "tests" $python -m pytest -q -n 2 --dist loadfile "$@" tests --ignore=tests/bench
