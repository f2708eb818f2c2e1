#!/usr/bin/env bash
# Installs the Debian packages that are missing, asking nothing; names them where it may not.
set -eu

packages=(
    python3-venv python3-dev g++
    libcairo2
    libgl1 libegl1 libglib2.0-0 libdbus-1-3 libfontconfig1 libxkbcommon0
    xvfb xauth libxcb-cursor0 libxcb-icccm4 libxcb-keysyms1 libxcb-shape0 libxkbcommon-x11-0
)

if ! command -v dpkg-query >/dev/null; then
    echo "This is no Debian system: if the window does not open, install what Qt 6 needs (X11, GL, fonts)." >&2
    exit 0
fi

has_headers() {
    python3 -c 'import os, sysconfig; raise SystemExit(not os.path.exists(os.path.join(sysconfig.get_path("include"), "Python.h")))'
}

missing=()
for package in "${packages[@]}"; do
    # A Python that brings its own venv module needs no package for it.
    if [ "$package" = python3-venv ] && python3 -c 'import ensurepip' 2>/dev/null; then
        continue
    fi
    # So does one that has its headers beside it.
    if [ "$package" = python3-dev ] && has_headers; then
        continue
    fi
    dpkg-query -W -f '${Status}' "$package" 2>/dev/null | grep -q 'ok installed' || missing+=("$package")
done
[ ${#missing[@]} -eq 0 ] && exit 0

as_root=()
if [ "$(id -u)" -ne 0 ]; then
    if sudo -n true 2>/dev/null; then
        as_root=(sudo -n)
    else
        echo "These Debian packages are missing and may not be installed from here: ${missing[*]}" >&2
        echo "Ask an administrator to run: apt-get install ${missing[*]}" >&2
        exit 1
    fi
fi
echo "Installing ${missing[*]}"
"${as_root[@]}" env DEBIAN_FRONTEND=noninteractive apt-get update -qq
"${as_root[@]}" env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "${missing[@]}" >/dev/null
