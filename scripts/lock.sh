#!/usr/bin/env bash
# Refresh the lock files. They carry hashes and name no registry.
set -euo pipefail
cd "$(dirname "$0")/.."
for name in app test; do
  .venv/bin/uv pip compile --universal --python-version 3.11 --generate-hashes \
    --no-emit-index-url --no-emit-find-links --no-header --no-annotate -q \
    "requirements/$name.in" -o "requirements/$name.txt"
done
