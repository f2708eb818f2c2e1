#!/usr/bin/env bash
# Builds the wheel, the sdist and a Debian package with all that the program needs besides Python; writes to build/dist.
# With --thin the package holds our own code alone, built in haste, for tests: the libraries are those of the environment.
set -eu
cd "$(dirname "$0")/.."

python=.venv/bin/python
thin=${1:-}
out=build/dist
root=build/package
version=$($python -c 'import syntaxa; print(syntaxa.__version__)')
abi=$($python -c 'import sys; print("%d.%d" % sys.version_info[:2])')

if [ "$thin" = --thin ]; then
    export SYNTAXA_BUILD_LEVEL=0
fi
rm -rf "$root" build/lib build/bdist.*
rm -rf "$out"
mkdir -p "$out" "$root/DEBIAN" "$root/usr/bin" "$root/usr/lib/syntaxa"
$python tools/manual.py --check
(cd tools && ../$python -m build --no-isolation --outdir "../$out" ..) >build/build.log 2>&1 || { cat build/build.log >&2; exit 1; }

wheel=$(ls "$out/syntaxa-$version-"*.whl)
$python -m pip install --quiet --no-deps --no-index --target "$root/usr/lib/syntaxa" "$wheel"
if [ "$thin" != --thin ]; then
    $python tools/libraries.py "$root/usr/lib/syntaxa"
fi
# What setuptools lays beside the code belongs where the system looks for it.
mv "$root/usr/lib/syntaxa/share" "$root/usr/share"
rm -rf "$root/usr/lib/syntaxa/bin"
# How it was installed here is nobody else's business.
rm -f "$root"/usr/lib/syntaxa/syntaxa-*.dist-info/{direct_url.json,INSTALLER,REQUESTED,RECORD}
mv "$root/usr/share/bash-completion/completions/syntaxa.bash" "$root/usr/share/bash-completion/completions/syntaxa"
gzip -9n "$root/usr/share/man/man1/syntaxa.1"
QT_QPA_PLATFORM=offscreen $python tools/app_icons.py desktop/icons/syntaxa.svg "$root/usr/share/icons/hicolor"
mkdir -p "$root/usr/share/doc/syntaxa"
cp LICENSE "$root/usr/share/doc/syntaxa/copyright"

cat >"$root/usr/bin/syntaxa" <<'LAUNCH'
#!/bin/sh
# The program lies beside this file, wherever the package was put.
here=$(dirname "$(readlink -f "$0")")
exec "${SYNTAXA_PYTHON:-python@ABI@}" -c 'import sys; sys.path.insert(0, sys.argv.pop(1)); from syntaxa.program import main; sys.exit(main())' "$here/../lib/syntaxa" "$@"
LAUNCH
sed -i "s/@ABI@/$abi/" "$root/usr/bin/syntaxa"
chmod 755 "$root/usr/bin/syntaxa"

size=$(du -sk "$root/usr" | cut -f1)
architecture=$(dpkg --print-architecture)
cat >"$root/DEBIAN/control" <<CONTROL
Package: syntaxa
Version: $version
Architecture: $architecture
Maintainer: The founders of Syntaxa <founders@syntaxa.invalid>
Installed-Size: $size
Depends: python$abi | python3 (>= $abi), libgl1, libegl1, libfontconfig1, libdbus-1-3, libxkbcommon0, libglib2.0-0, libstdc++6
Section: graphics
Priority: optional
Description: Received drawings become geometry that can be trusted
 Takes profiles as DXF, DWG, SVG or PDF, settles units and origin, maps layers
 to sketches, heals gaps, overlaps and strays, and produces clean parametric or
 machinable geometry, with every change accounted for.
CONTROL
find "$root/usr" -name __pycache__ -prune -exec rm -rf {} +
compress=$([ "$thin" = --thin ] && echo gzip || echo xz)
dpkg-deb --root-owner-group -Z"$compress" --build "$root" "$out/syntaxa_${version}_${architecture}.deb" >/dev/null
echo "$out/syntaxa_${version}_${architecture}.deb"
