# Everything the larder needs is set up by the first target that needs it.

# Debian's own Python is compiled with the profile of its runs, and is a quarter faster than one compiled without.
PYTHON ?= $(shell /usr/bin/python3.11 -c 'import ensurepip, venv; print("/usr/bin/python3.11")' 2>/dev/null || echo python3)
BIN := .venv/bin
WEB_SOURCES := $(shell find web/src web/static -type f) web/package.json web/svelte.config.js web/vite.config.ts
PORT ?= 8790

# Compiled once, and not again by each process that a test starts, whatever the machine says.
export PYTHONDONTWRITEBYTECODE :=

# Two things at a time: what Python needs and what the web needs do not wait for one another.
MAKEFLAGS += --jobs=2

.PHONY: help setup demo serve dev test test-web test-python test-slow test-thorough check check-python check-web lint-web bench soak screenshots client lock clean chromium
.DELETE_ON_ERROR:

help:                                         ## this list
	@grep -hE '^[a-z-]+:.*##' $(MAKEFILE_LIST) | sed -E 's/:.*## /\t/' | expand -t 20

setup: .venv/ready web/build/index.html chromium  ## all that the other targets need, fetched and built

demo: .venv/ready web/build/index.html        ## serve the demo household's larder
	$(BIN)/yellow-larder demo --port $(PORT)

serve: .venv/ready web/build/index.html       ## serve your own larder
	$(BIN)/yellow-larder serve --port $(PORT)

dev: .venv/ready web/node_modules/ready       ## the demo, and pages that reload at http://127.0.0.1:5173
	$(BIN)/uvicorn --factory yellow_larder.demo.reloading:app --reload --reload-dir yellow_larder --port $(PORT) & \
	  trap "kill $$!" EXIT; cd web && npm run --silent dev

test: test-web test-python                     ## all tests, browser included

test-web: web/node_modules/ready
	cd web && npm run --silent test

test-python: .venv/ready web/build/index.html chromium
	$(BIN)/pytest -n logical --maxprocesses 4 --dist worksteal --durations 20

test-slow: .venv/ready web/build/index.html chromium  ## the browser's tests with every answer late, and with every tenth lost
	YELLOW_LARDER_NETWORK=slow $(BIN)/pytest -n logical --maxprocesses 4 --dist worksteal tests/browser
	YELLOW_LARDER_NETWORK=lossy $(BIN)/pytest -n logical --maxprocesses 4 --dist worksteal tests/browser

test-thorough: .venv/ready                    ## the laws over every food, container, closing and place, and thousands of orders: an hour
	YELLOW_LARDER_TESTS=thorough $(BIN)/pytest -n logical tests/core/keeping/test_course.py tests/features/using/test_laws.py

chromium:
	sh tools/chromium.sh

check: check-python check-web lint-web        ## style, types, layers, stale files

check-python: .venv/ready
	$(BIN)/ruff check .
	$(BIN)/ruff format --check .
	$(BIN)/mypy
	$(BIN)/lint-imports

check-web: .venv/ready web/node_modules/ready
	sh tools/stale.sh
	cd web && npm run --silent check

lint-web: web/node_modules/ready
	cd web && npm run --silent lint

bench: .venv/ready web/build/index.html chromium  ## speed and memory, printed
	$(BIN)/python -m tools.bench

soak: .venv/ready web/build/index.html        ## killed and asked what nobody asks, for a quarter of an hour
	$(BIN)/python -m tools.soak

screenshots: .venv/ready web/build/index.html chromium  ## the pictures of docs/screenshots
	$(BIN)/python -m tools.screenshots

client: .venv/ready web/node_modules/ready    ## the TypeScript client, from the OpenAPI document
	$(BIN)/yellow-larder openapi > web/src/lib/api/openapi.json
	cd web && npm run --silent client

lock: .venv/ready                             ## pin the newest of everything
	$(BIN)/pip-compile --quiet --upgrade --generate-hashes --no-emit-index-url --no-emit-find-links --allow-unsafe --strip-extras \
	  --output-file requirements.lock requirements-dev.in

clean:
	rm -rf .venv web/node_modules web/build web/.svelte-kit

# What is imported is compiled when it is; to compile all that is fetched takes as long as to fetch it.
.venv/ready: requirements.lock pyproject.toml
	$(PYTHON) -m venv .venv
	$(BIN)/pip install --quiet --quiet --disable-pip-version-check --no-compile --require-hashes -r requirements.lock
	$(BIN)/pip install --quiet --quiet --disable-pip-version-check --no-deps --no-build-isolation --editable .
	touch $@

web/node_modules/ready: web/package-lock.json
	cd web && npm ci --silent --no-audit --no-fund
	touch $@

web/build/index.html: web/node_modules/ready $(WEB_SOURCES)
	cd web && npm run --silent build
	touch $@
