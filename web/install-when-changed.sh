#!/usr/bin/env bash
# npm ci takes half a minute and deletes everything first; only a changed lock file needs it.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")"
stamp=node_modules/.installed-from
if ! cmp -s package-lock.json "$stamp"; then
    npm ci --no-audit --no-fund
    cp package-lock.json "$stamp"
fi
