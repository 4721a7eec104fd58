# Running the server: one for a folder of data, started again when it ends by itself.

# One Lodrin serves one folder of data: the lock is let go when this process ends, however it ends.
hold_data() {
  exec 8>"$DATA/server.lock"
  flock -n 8 || fail "A Lodrin runs on this data already. Stop it with ./lodrin stop, or use a clone of its own for another."
  process_id $$ >"$DATA/server.pid"
}

# Runs the server, and starts it again when it ends by itself: at once at first, later after longer pauses. Gives its last exit code.
serve() {
  local code began pause=1 came_up=0 stopping=0
  trap 'stopping=1; kill "$SERVER" 2>/dev/null' INT TERM HUP
  while :; do
    began=$SECONDS
    node --enable-source-maps "$ROOT/packages/server/build/server.mjs" 2> >(tee -a "$LOGS/server-errors.log" >&2) 8>&- &
    SERVER=$!
    wait "$SERVER"; code=$?
    while kill -0 "$SERVER" 2>/dev/null; do wait "$SERVER"; code=$?; done
    [ "$stopping" = 1 ] && return 0
    case $code in
      0 | 3 | 130 | 143) return $code ;;
      4) [ "$came_up" = 1 ] || return $code ;;
      *) came_up=1 ;;
    esac
    [ $((SECONDS - began)) -ge 60 ] && pause=1
    say "Lodrin stopped by itself (code $code). It is started again in $pause s; the story is in $LOGS/server-errors.log."
    sleep "$pause" 8>&- &
    wait $!
    [ "$stopping" = 1 ] && return 0
    pause=$((pause < 16 ? pause * 2 : 30))
  done
}
