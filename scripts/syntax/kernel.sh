#!/bin/sh
# Assembles the kernel of the parser into the file that the core imports. For development only.
set -e
cd "$(dirname "$0")/../.."
out=$(mktemp)
npx --yes --package wabt@1.0.39 wat2wasm scripts/syntax/kernel.wat -o "$out"
{
  echo '/** The assembled `scripts/syntax/kernel.wat`, in base 64. Made by `scripts/syntax/kernel.sh`; do not edit. */'
  echo 'export const KERNEL ='
  echo "  '$(base64 -w0 "$out")'"
} > src/core/syntax/kernel.ts
rm "$out"
