# Keeping the place: backup, restore, and its people.

# The database that is there, started when nobody else runs it. Sets DATABASE_URL and STARTED_PG.
need_running_database() {
  STARTED_PG=0
  [ -n "${DATABASE_URL:-}" ] && { need_postgres; return; }
  start_postgres
  need_database lodrin
  export DATABASE_URL="$DATABASE_BASE/lodrin"
}

let_database_go() { [ "$STARTED_PG" = 1 ] && stop_postgres; return 0; }

backup() {
  local file=${1:-} code=0
  [ -n "$file" ] || fail "Say where to: ./lodrin backup FILE"
  case $file in /*) ;; *) file="$HERE/$file" ;; esac
  need_running_database
  (umask 077; "$(pg_bin)/pg_dump" --format=custom --no-owner --dbname="$DATABASE_URL" >"$file.part") && mv "$file.part" "$file" || code=1
  let_database_go
  [ $code = 0 ] || { rm -f "$file.part"; fail "The backup could not be written to $file."; }
  say "Everything is in $file ($(du -h "$file" | cut -f1)). It holds measurements of people: keep it where only you can read it."
}

# Into an empty place; over a full one only when that is said.
restore() {
  local file=${1:-} over=${2:-} accounts code=0
  [ -n "$file" ] || fail "Say which: ./lodrin restore FILE [--over]"
  case $file in /*) ;; *) file="$HERE/$file" ;; esac
  [ -r "$file" ] || fail "There is no file $file that can be read."
  "$(pg_bin)/pg_restore" --list "$file" >/dev/null 2>&1 || fail "$file is no backup that Lodrin wrote."
  still_runs "$DATA/server.pid" && fail "Lodrin runs. Stop it first: ./lodrin stop"
  need_running_database
  accounts=$("$(pg_bin)/psql" "$DATABASE_URL" -qAtc "select count(*) from accounts" 2>/dev/null || echo 0)
  if [ "$accounts" != 0 ] && [ "$over" != --over ]; then
    let_database_go
    fail "There are $accounts accounts here already. To put the backup in their place, and lose what is here: ./lodrin restore FILE --over"
  fi
  "$(pg_bin)/psql" "$DATABASE_URL" -qc "drop schema public cascade; create schema public" >/dev/null 2>&1 &&
    "$(pg_bin)/pg_restore" --no-owner --exit-on-error --single-transaction --dbname="$DATABASE_URL" "$file" >&2 || code=1
  let_database_go
  [ $code = 0 ] || fail "The backup could not be brought back; its messages stand above."
  say "Everything is as it was in $file. Start with ./lodrin start"
}

user() {
  local code=0
  need_node
  need_modules
  need_node_build
  need_running_database
  node "$ROOT/packages/server/build/users.mjs" "$@" || code=$?
  let_database_go
  exit $code
}
