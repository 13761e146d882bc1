#!/bin/sh
# The browser that the browser tests drive: Debian's Chromium, installed if it is missing.
set -eu
[ -x "${CHROMIUM:-/usr/bin/chromium}" ] && exit 0
as_root=""
[ "$(id -u)" -eq 0 ] || as_root="sudo"
export DEBIAN_FRONTEND=noninteractive
$as_root apt-get update -qq
$as_root apt-get install -y -qq chromium >/dev/null
