#!/bin/sh
# Installs the locked packages when they changed, and builds the site when a source is newer than the last build.
set -eu
cd "$(dirname "$0")/.."
if [ ! -f node_modules/.locked ] || [ package-lock.json -nt node_modules/.locked ]; then
	npm ci --no-audit --no-fund
	touch node_modules/.locked
fi
newer=$(find src static tools package-lock.json svelte.config.js vite.config.ts -newer build/index.html 2>/dev/null | head -1 || true)
if [ ! -f build/index.html ] || [ -n "$newer" ]; then
	npm run build
	touch build/index.html
fi
