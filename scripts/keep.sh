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

# The address of another database of the same server.
url_of() {
  local base=${DATABASE_URL%%\?*} query=
  case $DATABASE_URL in *\?*) query="?${DATABASE_URL#*\?}" ;; esac
  printf '%s/%s%s' "${base%/*}" "$1" "$query"
}

sql() { "$(pg_bin)/psql" "$1" -v ON_ERROR_STOP=1 -qAtc "$2"; }

# One file: the dump, and a manifest with its checksum, so that a damaged file is known before anything is touched.
backup() {
  local file=${1:-} work code=0
  [ -n "$file" ] || fail "Say where to: ./lodrin backup FILE"
  case $file in /*) ;; *) file="$HERE/$file" ;; esac
  work=$(umask 077; mktemp -d "$file.XXXXXX") || fail "Nothing can be written beside $file."
  need_running_database
  (
    umask 077
    cd "$work" &&
      "$(pg_bin)/pg_dump" --format=custom --no-owner --dbname="$DATABASE_URL" >data.dump &&
      printf '{"lodrin": 1, "made": "%s", "sha256": "%s"}\n' "$(date -u +%FT%TZ)" "$(sha256sum <data.dump | cut -d' ' -f1)" >manifest.json &&
      tar -cf all.tar manifest.json data.dump && mv all.tar "$file"
  ) || code=1
  rm -rf "$work"
  let_database_go
  [ $code = 0 ] || fail "The backup could not be written to $file."
  say "Everything is in $file ($(du -h "$file" | cut -f1)). It holds measurements of people: keep it where only you can read it."
}

# Unpacks a backup into a folder as data.dump, or says why not. $3 is --unchecked for a file of before there were checksums.
unpack_backup() {
  local file=$1 work=$2 unchecked=$3
  if tar -xf "$file" -C "$work" manifest.json data.dump 2>/dev/null; then
    grep -q '"lodrin": 1,' "$work/manifest.json" || { say "$file is no backup that Lodrin wrote."; return 1; }
    [ "$(sed -n 's/.*"sha256": "\([0-9a-f]*\)".*/\1/p' "$work/manifest.json")" = "$(sha256sum <"$work/data.dump" | cut -d' ' -f1)" ] && return 0
    say "$file is damaged: its checksum does not match."
    return 1
  fi
  "$(pg_bin)/pg_restore" --list "$file" >/dev/null 2>&1 || { say "$file is no backup that Lodrin wrote, or it is damaged."; return 1; }
  [ -n "$unchecked" ] || { say "$file has no checksum: it was written by an older Lodrin, or is no backup of Lodrin. If you trust it: ./lodrin restore FILE --unchecked"; return 1; }
  cp "$file" "$work/data.dump"
}

# Into a new database beside; it takes the place of the one that is there only when it is whole. Nothing is changed before.
restore() {
  local file= over= unchecked= word
  for word in "$@"; do
    case $word in
      --over) over=1 ;;
      --unchecked) unchecked=1 ;;
      *) file=$word ;;
    esac
  done
  [ -n "$file" ] || fail "Say which: ./lodrin restore FILE [--over]"
  case $file in /*) ;; *) file="$HERE/$file" ;; esac
  [ -r "$file" ] || fail "There is no file $file that can be read."
  still_runs "$DATA/server.pid" && fail "Lodrin runs. Stop it first: ./lodrin stop"
  need_node
  need_modules
  need_node_build
  need_postgres
  mkdir -p "$DATA"
  local work name accounts stamp new before
  work=$(umask 077; mktemp -d "$DATA/restore.XXXXXX")
  trap 'rm -rf "$work"' EXIT
  unpack_backup "$file" "$work" "$unchecked" || fail "Nothing was changed."
  need_running_database
  name=$(sql "$DATABASE_URL" "select current_database()") || { let_database_go; fail "The database cannot be reached. Nothing was changed."; }
  accounts=$(sql "$DATABASE_URL" "select count(*) from accounts" 2>/dev/null || echo 0)
  if [ "$accounts" != 0 ] && [ -z "$over" ]; then
    let_database_go
    fail "There are $accounts accounts here already. To put the backup in their place: ./lodrin restore FILE --over"
  fi
  stamp=$(date -u +%Y%m%d%H%M%S)
  new="${name}_restored_$stamp"
  before="${name}_before_$stamp"
  if ! { sql "$DATABASE_URL" "create database \"$new\" template template0" &&
    "$(pg_bin)/pg_restore" --no-owner --exit-on-error --single-transaction --dbname="$(url_of "$new")" "$work/data.dump" &&
    DATABASE_URL=$(url_of "$new") node "$ROOT/packages/server/build/verify.mjs"; } >&2; then
    sql "$(url_of postgres)" "drop database if exists \"$new\" with (force)" >/dev/null 2>&1
    let_database_go
    fail "The backup could not be restored; the reason is above. Nothing was changed."
  fi
  # Both names change at once, or neither.
  if ! "$(pg_bin)/psql" "$(url_of postgres)" -v ON_ERROR_STOP=1 -qAt >/dev/null <<SQL
select pg_terminate_backend(pid) from pg_stat_activity where datname in ('$name', '$new');
begin;
alter database "$name" rename to "$before";
alter database "$new" rename to "$name";
commit;
SQL
  then
    sql "$(url_of postgres)" "drop database if exists \"$new\" with (force)" >/dev/null 2>&1
    let_database_go
    fail "The restored data could not take the place of what is here: something uses the database. Nothing was changed."
  fi
  [ "$accounts" = 0 ] && sql "$DATABASE_URL" "drop database if exists \"$before\" with (force)" >/dev/null
  let_database_go
  say "Everything is as it was in $file. Start with ./lodrin start"
  [ "$accounts" = 0 ] || say "What was here before is kept as the database $before. It is deleted when Lodrin has run on the restored data for a day."
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
