#!/bin/sh
# Fails when a generated file does not match what it is generated from, or a lock file names a registry.
set -eu
fresh=$(mktemp -d)
trap 'rm -rf "$fresh"' EXIT
.venv/bin/yellow-larder openapi > "$fresh/openapi.json"
(cd web && npx --no-install openapi-typescript "$fresh/openapi.json" --default-non-nullable=false -o "$fresh/schema.d.ts" >/dev/null)
for file in openapi.json schema.d.ts; do
  cmp -s "$fresh/$file" "web/src/lib/api/$file" || { echo "web/src/lib/api/$file is stale: run make client" >&2; exit 1; }
done
if grep -nE '"resolved"|^--.*(index-url|find-links)' requirements.lock web/package-lock.json; then
  echo "a lock file names where packages come from" >&2
  exit 1
fi
