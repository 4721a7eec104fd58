# The private PostgreSQL: one cluster in data/postgres, on loopback, on a port of its own.

pg_bin() { ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n1; }

need_postgres() {
  [ -n "$(pg_bin)" ] && return
  # Debian's package would start a cluster of its own; Lodrin brings one.
  if am_root && [ ! -e /etc/postgresql-common/createcluster.conf ]; then
    mkdir -p /etc/postgresql-common
    echo "create_main_cluster = false" >/etc/postgresql-common/createcluster.conf
  fi
  need_debian "PostgreSQL" postgresql
  [ -n "$(pg_bin)" ] || fail "PostgreSQL was installed, but its programs are not under /usr/lib/postgresql. Set DATABASE_URL to a server you have."
}

# PostgreSQL refuses to run as root: then its programs run as the user postgres.
as_pg() {
  if am_root; then runuser -u postgres -- "$@"; else "$@"; fi
}

# True when the user postgres may go into a folder; anyone may who runs it as himself.
pg_may_enter() { ! am_root || runuser -u postgres -- test -x "$1"; }

# The data goes beside the program. Where the user postgres may not enter (a clone in root's own home), it goes to /var/lib.
place_data() {
  [ -f "$CLUSTER/PG_VERSION" ] && return
  mkdir -p "$ROOT/data"
  am_root && chmod 711 "$ROOT/data"
  if [ "$DATA" = "$ROOT/data" ] && ! pg_may_enter "$ROOT/data"; then
    use_data "/var/lib/lodrin/$(basename "$ROOT")-$(printf '%s' "$ROOT" | cksum | cut -d' ' -f1)"
    printf '%s\n' "$DATA" >"$ROOT/data/elsewhere"
    say "The database's user may not enter $ROOT, so the data is kept in $DATA."
  fi
  mkdir -p "$DATA" "$LOGS"
  am_root && chmod 711 "$DATA"
  pg_may_enter "$DATA" || fail "The user postgres may not enter $DATA, so the database cannot live there. Set DATABASE_URL to a server you have."
}

free_port() {
  node -e 'const s=require("net").createServer();s.listen(0,"127.0.0.1",()=>{console.log(s.address().port);s.close()})'
}

make_cluster() {
  [ -f "$CLUSTER/PG_VERSION" ] && [ -f "$DATA/port" ] && return
  need_disk
  say "Making the database …"
  local secret
  rm -rf "$CLUSTER"
  mkdir -p "$CLUSTER" "$LOGS"
  secret=$(node -e 'console.log(require("crypto").randomBytes(24).toString("hex"))')
  (umask 077; printf '%s\n' "$secret" >"$DATA/password")
  am_root && chown postgres "$CLUSTER" "$DATA/password"
  chmod 700 "$CLUSTER"
  (cd / && as_pg "$(pg_bin)/initdb" -D "$CLUSTER" -U lodrin --pwfile="$DATA/password" --auth-host=scram-sha-256 --auth-local=scram-sha-256 -E UTF8 --locale=C.UTF-8) >"$LOGS/initdb.log" 2>&1 ||
    { tail -n2 "$LOGS/initdb.log" >&2; fail "The database could not be made; the whole story is in $LOGS/initdb.log."; }
  free_port >"$DATA/port"
}

pg_running() {
  [ -f "$DATA/port" ] &&
    "$(pg_bin)/pg_isready" -q -h 127.0.0.1 -p "$(cat "$DATA/port")" &&
    (cd / && as_pg "$(pg_bin)/pg_ctl" -D "$CLUSTER" status >/dev/null 2>&1)
}

# Starts the cluster if it does not run. Sets STARTED_PG=1 when this call started it, and DATABASE_URL.
start_postgres() {
  need_postgres
  place_data
  mkdir -p "$LOGS"
  exec 9>"$DATA/lock"
  flock -w 120 9 || fail "Another ./lodrin holds the database's lock. Wait for it, or run ./lodrin stop."
  make_cluster
  STARTED_PG=0
  if ! pg_running; then
    local try
    am_root && touch "$LOGS/postgres.log" && chown postgres "$LOGS/postgres.log"
    chmod 755 "$LOGS"
    for try in 1 2 3; do
      (cd / && as_pg "$(pg_bin)/pg_ctl" -D "$CLUSTER" -l "$LOGS/postgres.log" -w -t 60 -o "-c listen_addresses=127.0.0.1 -c port=$(cat "$DATA/port") -c unix_socket_directories=''" start) >"$LOGS/pg_ctl.log" 2>&1 8>&- 9>&- && break
      if grep -q 'could not bind' "$LOGS/postgres.log" 2>/dev/null; then free_port >"$DATA/port"; fi
      sleep 1
    done
    pg_running || fail "The database did not start: $(grep -E 'FATAL|PANIC' "$LOGS/postgres.log" | tail -n1). The whole story is in $LOGS/postgres.log."
    STARTED_PG=1
  fi
  exec 9>&-
  PGPORT_PRIVATE=$(cat "$DATA/port")
  DATABASE_BASE="postgres://lodrin:$(cat "$DATA/password")@127.0.0.1:$PGPORT_PRIVATE"
}

stop_postgres() {
  [ -f "$CLUSTER/PG_VERSION" ] || return 0
  (cd / && as_pg "$(pg_bin)/pg_ctl" -D "$CLUSTER" -m fast -w stop) >/dev/null 2>&1
}

# A database by name in the private cluster, made when it is not there.
need_database() {
  PGPASSWORD=$(cat "$DATA/password") "$(pg_bin)/psql" -h 127.0.0.1 -p "$PGPORT_PRIVATE" -U lodrin -d postgres -qAtc "select 1 from pg_database where datname='$1'" | grep -q 1 ||
    PGPASSWORD=$(cat "$DATA/password") "$(pg_bin)/createdb" -h 127.0.0.1 -p "$PGPORT_PRIVATE" -U lodrin "$1"
}
