# Shared by the scripts: where we are, and plain words for what is missing.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
export DOTNET_CLI_TELEMETRY_OPTOUT=1 DOTNET_NOLOGO=1 DOTNET_SKIP_FIRST_TIME_EXPERIENCE=1
need() { command -v "$1" >/dev/null 2>&1 || { echo "Missing: $1. $2" >&2; exit 1; }; }
need dotnet "Install the .NET 10 SDK."
publish() {
  dotnet publish src/Dorsk.Web -c Release -o artifacts/app -v q --nologo
}
# The program for the browser tests, with a host of many farms in it. It is published without machine code made beforehand, which takes minutes and changes nothing they look at.
testhost() {
  APP=artifacts/test/app
  dotnet build tests/Dorsk.TestHost -c Release -v q --nologo
  dotnet publish src/Dorsk.Web -c Release --no-build -p:PublishReadyToRun=false -o $APP -v q --nologo
  cp tests/Dorsk.TestHost/bin/Release/net10.0/dorsk-test-host.dll $APP/
}
# What would be outside the farm: buoys, panels, a weather mast, a mailbox.
standins() {
  dotnet publish src/Dorsk.Standins -c Release -o artifacts/standins -v q --nologo
}
# The demo's history is built once for each state of the story, the rules and the tables of the data file.
seed() {
  local sum
  sum=$(find src/Dorsk.Practice src/Dorsk.Core src/Dorsk.Farm src/Dorsk.Web/Demo -not -path '*/obj/*' -not -path '*/bin/*' \( -name '*.cs' -o -name '*.csv' -o -name '*.sql' \) | sort | xargs cat | sha256sum | cut -c1-16)
  SEED=artifacts/demo/seed-$sum.db
  if [ ! -f "$SEED" ]; then
    mkdir -p artifacts/demo
    rm -f artifacts/demo/seed-*
    echo "Writing the demo farm's history (once):"
    "${APP:-artifacts/app}/dorsk" demo-seed "$SEED.part"
    mv "$SEED.part" "$SEED"
    rm -f "$SEED".part-*
  fi
}
