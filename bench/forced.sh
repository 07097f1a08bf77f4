#!/usr/bin/env bash
# How often the server forces what it has kept to the disk while people answer, finish and sign: one answer is written, and
# with the next second forced; a finished document is on the disk before anybody is told that it is.
#   ./loesscape demo --port 8099 --data /tmp/bench     (in another terminal)
#   bench/forced.sh http://localhost:8099 /tmp/bench
# Needs strace, and the right to look at the server's process.
set -euo pipefail
base=${1:-http://localhost:8080}
data=${2:-data/demo}
here=$(cd "$(dirname "${BASH_SOURCE[0]}")" && pwd)
process=$(pgrep -f "loesscape.jar demo.*$data" | tail -1)
trace=$(mktemp)
for kind in idle answers finishes; do
  strace -f -qq -e trace=fsync,fdatasync -p "$process" -o "$trace" &
  tracer=$!
  sleep 1
  node "$here/forced.mjs" "$base" "$kind"
  kill -INT $tracer
  wait $tracer || true
  echo "$kind: $(grep -c -E 'fsync|fdatasync' "$trace" || true) forced"
done
rm -f "$trace"
