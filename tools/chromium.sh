#!/bin/sh
# The browser that the browser tests drive: Debian's Chromium without a window, installed if it is missing.
set -eu
shell=/usr/bin/chromium-headless-shell
whole=/usr/bin/chromium
[ -x "${CHROMIUM:-$shell}" ] && exit 0
as_root=""
[ "$(id -u)" -eq 0 ] || as_root="sudo"
export DEBIAN_FRONTEND=noninteractive
# A machine that has the whole browser and cannot fetch the shell does with what it has.
if $as_root apt-get update -qq && $as_root apt-get install -y -qq chromium-headless-shell >/dev/null; then exit 0; fi
[ -x "$whole" ] || $as_root apt-get install -y -qq chromium >/dev/null
