# Every target sets up what it needs on a fresh Debian machine; see scripts/setup.sh.
.PHONY: setup demo demo-reset serve test bench proof lock
export PYTHONDONTWRITEBYTECODE =
SHELL := /bin/bash
KOPJE := .venv/bin/kopje

setup:
	@scripts/setup.sh app web

demo: setup
	@exec $(KOPJE) serve --demo

demo-reset: setup
	@exec $(KOPJE) serve --demo --reset

serve: setup
	@exec $(KOPJE) serve

test:
	@scripts/setup.sh app test web
	@scripts/test.sh

bench:
	@scripts/setup.sh app test
	@.venv/bin/python -m pytest tests/bench -q -s -p no:cacheprovider --override-ini testpaths=tests/bench

proof:
	@scripts/setup.sh app test
	@.venv/bin/python scripts/proof.py

lock:
	@scripts/lock.sh
