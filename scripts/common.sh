# Shared by ./lodrin's parts. Everything a person should read goes to stderr; results go to stdout.

say() { printf '%s\n' "$*" >&2; }
fail() { say "$*"; exit 1; }
am_root() { [ "$(id -u)" = 0 ]; }

# Where data lies: beside the program, or where `place_data` found that it can (see postgres.sh), remembered in data/elsewhere.
use_data() {
  DATA=$1
  LOGS="$DATA/log"
  CLUSTER="$DATA/postgres"
}
use_data "$(cat "$ROOT/data/elsewhere" 2>/dev/null || echo "$ROOT/data")"

# Node: new enough, or one sentence. A Node that was looked at once is not asked again: starting it takes longer than a draft.
need_node() {
  local node seen
  node=$(command -v node 2>/dev/null) || fail "Node.js is not installed. Install Node 20.19 or newer (Debian: apt-get install nodejs npm, or from your own source), then run this again."
  seen=$(stat -Lc '%n %s %Y' "$node")
  [ "$(cat "$ROOT/build/.node-seen" 2>/dev/null)" = "$seen" ] && return
  node -e 'const [a,b]=process.versions.node.split(".").map(Number); process.exit(a>22||(a===22&&b>=12)||(a===20&&b>=19)?0:1)' ||
    fail "This is Node $(node -v); Lodrin needs Node 20.19 or newer of the 20 line, or 22.12 and later. Install one of these and run this again."
  command -v npm >/dev/null 2>&1 || fail "npm is not installed. Install it (Debian: apt-get install npm) and run this again."
  mkdir -p "$ROOT/build" && printf '%s\n' "$seen" >"$ROOT/build/.node-seen"
}

# At least 600 MB of free disk, or one sentence: a half-written install is worse than none.
need_disk() {
  local free
  free=$(df -Pm "$ROOT" | awk 'NR==2 {print $4}')
  [ "${free:-1000}" -ge 600 ] || fail "Only ${free} MB are free on this disk; Lodrin needs about 600 MB. Make room and run this again."
}

# The packages of package-lock.json, installed once and again when the lock changes.
need_modules() {
  local stamp="$ROOT/node_modules/.lodrin-lock"
  [ -f "$stamp" ] && cmp -s "$stamp" "$ROOT/package-lock.json" && return
  need_disk
  say "Installing packages (npm ci) …"
  mkdir -p "$LOGS"
  (cd "$ROOT" && npm ci --no-audit --no-fund >"$LOGS/npm.log" 2>&1) ||
    fail "npm ci failed: $(grep -m1 -iE 'npm error' "$LOGS/npm.log" || tail -n1 "$LOGS/npm.log"). The whole story is in $LOGS/npm.log."
  cp "$ROOT/package-lock.json" "$stamp"
}

# True when anything under the given places is newer than the stamp.
older_than() {
  local stamp=$1; shift
  [ ! -f "$stamp" ] || [ -n "$(find "$@" \( -name node_modules -o -name generated -o -name dist -o -name build \) -prune -o -newer "$stamp" -type f -print -quit 2>/dev/null)" ]
}

# The server and the headless command, bundled.
need_node_build() {
  cd "$ROOT" || exit 1
  older_than build/.node packages/core packages/formats packages/contract packages/server packages/cli scripts package-lock.json || return 0
  mkdir -p build && node scripts/build-grammar.mjs && node scripts/build-node.mjs >&2 || fail "The build failed; its messages stand above."
  touch build/.node
}

# The web application, bundled.
need_web_build() {
  cd "$ROOT" || exit 1
  older_than build/.web packages/core packages/formats packages/contract packages/web package-lock.json || return 0
  say "Building the application …"
  mkdir -p "$LOGS" build
  npm run build >"$LOGS/build.log" 2>&1 || fail "Building the application failed: $(grep -m1 -iE 'error' "$LOGS/build.log"). The whole story is in $LOGS/build.log."
  touch build/.web
}

# Debian packages: installed when root, asked for otherwise. $1: what for; the rest: package names.
need_debian() {
  local what=$1; shift
  if ! am_root; then fail "$what is missing. Ask whoever looks after this machine to run: apt-get install $*"; fi
  command -v apt-get >/dev/null 2>&1 || fail "$what is missing and this machine has no apt-get. Install it by your own means: $*"
  say "Installing $* (apt-get) …"
  mkdir -p "$LOGS"
  { apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "$@"; } >"$LOGS/apt.log" 2>&1 ||
    fail "apt-get could not install $*: $(grep -m1 -E '^E:' "$LOGS/apt.log"). The whole story is in $LOGS/apt.log."
}

# A process by more than its number, which another may have later: its number and the moment it began (ticks since boot).
process_id() { printf '%s %s\n' "$1" "$(awk '{ sub(/^.*\) /, ""); print $20 }' "/proc/$1/stat" 2>/dev/null)"; }

# True when the process that was noted in a file still runs.
still_runs() {
  local noted
  noted=$(cat "$1" 2>/dev/null) || return 1
  [ -n "$noted" ] && [ "$noted" = "$(process_id "${noted%% *}")" ] && kill -0 "${noted%% *}" 2>/dev/null
}
