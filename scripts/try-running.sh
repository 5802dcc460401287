#!/usr/bin/env bash
# Every block of docs/running.md, in order, on a PostgreSQL of its own and an nginx of its own; what answers is checked.
# It needs nginx (nginx-light from Debian, installed if it may be) and runs beside whatever else is there.
set -euo pipefail
cd "$(dirname "$0")/.."
here="$PWD" doc="$PWD/docs/running.md"
as_root() { if [ "$(id -u)" = 0 ]; then "$@"; else sudo -n "$@"; fi; }
command -v nginx >/dev/null || as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y --no-install-recommends nginx-light >/dev/null
pg="$(ls -d /usr/lib/postgresql/*/bin | tail -1)"
room="$(mktemp -d)"
chmod 755 "$room"
say() { printf '» %s\n' "$*"; }
block() { awk -v want="$1" '/^```/ { if (on) exit; if ($0 == "```" want) { on = 1; next } } on' "$doc"; }
free_port() { "$here/.venv/bin/python" -c 'import socket; s = socket.socket(); s.bind(("127.0.0.1", 0)); print(s.getsockname()[1])'; }
# As root PostgreSQL runs as its own user.
db() { if [ "$(id -u)" = 0 ]; then setpriv --reuid=postgres --regid=postgres --init-groups --inh-caps=-all env -C / HOME=/nonexistent "$@"; else "$@"; fi; }
clean() {
  jobs -p | xargs -r kill 2>/dev/null || true
  [ -s "$room/nginx.pid" ] && kill "$(cat "$room/nginx.pid")" 2>/dev/null || true
  db "$pg/pg_ctl" -D "$room/pg" -m immediate stop >/dev/null 2>&1 || true
  wait 2>/dev/null || true
  rm -rf "$room" kopje.env kopje-800?.log kopje.dump kopje.zip
}
trap clean EXIT

say "1 the application"
bash -euo pipefail -c "$(block "sh setup")"

say "2 a database"
mkdir "$room/pg" "$room/run"
[ "$(id -u)" = 0 ] && chown postgres "$room/pg" "$room/run"
port="$(free_port)"
db "$pg/initdb" -D "$room/pg" -U postgres --auth-local=trust --auth-host=scram-sha-256 >/dev/null
db "$pg/pg_ctl" -D "$room/pg" -w -o "-p $port -k $room/run -c listen_addresses=127.0.0.1" -l "$room/run/log" start >/dev/null
block sql | db "$pg/psql" -q -v ON_ERROR_STOP=1 -h "$room/run" -p "$port" -U postgres

say "3 what it is told"
block "sh env" | sed "s/:5432/:$port/" >kopje.env
chmod 600 kopje.env

say "4 several processes, started at once"
eval "$(block "sh processes")"
for each in 8001 8002 8003; do
  for _ in $(seq 120); do curl -fsS "http://127.0.0.1:$each/readyz" >/dev/null 2>&1 && break; sleep 1; done
done

say "5 the proxy"
openssl req -x509 -newkey rsa:2048 -nodes -days 2 -subj /CN=music.example.org -keyout "$room/key.pem" -out "$room/fullchain.pem" 2>/dev/null
tls="$(free_port)"
{
  echo "pid $room/nginx.pid; error_log $room/nginx-error.log; events {} http { access_log off;"
  for kind in client_body proxy fastcgi uwsgi scgi; do echo "${kind}_temp_path $room/$kind;"; done
  block nginx | sed "s#/etc/ssl/kopje#$room#; s#listen 443#listen 127.0.0.1:$tls#"
  echo "}"
} >"$room/nginx.conf"
nginx -c "$room/nginx.conf" -t -q
nginx -c "$room/nginx.conf"

say "6 is it there"
bash -euo pipefail -c "$(block "sh health")"
echo

say "a school through the proxy: first run, cookies, many requests over all processes"
at="https://music.example.org:$tls"
ask() { curl -fsS --cacert "$room/fullchain.pem" --resolve "music.example.org:$tls:127.0.0.1" -b "$room/jar" -c "$room/jar" "$@"; }
section='{"name":"2A","grade":2,"minutes":30,"names":"Ama\nJun","meetings":[{"weekday":1,"starts":"09:10"}]}'
body="{\"school\":\"Kestrel Ridge\",\"teacher\":\"Noor\",\"login\":\"noor\",\"password\":\"a long password\",\"code\":\"change-this-too\",\"section\":$section}"
ask -H 'content-type: application/json' -H 'x-kopje-request: 1' -H "origin: $at" -d "$body" "$at/api/first-run" >/dev/null
grep -q "TRUE.*kopje_sign_in" "$room/jar" || { echo "the cookie is not Secure"; exit 1; }
for _ in $(seq 30); do ask "$at/api/sections" | grep -q '"2A"'; done
id="$(ask -D - -o /dev/null "$at/api/day" | tr -d '\r' | awk 'tolower($1) == "x-request-id:" { print $2 }')"
if curl -fsS -o /dev/null --cacert "$room/fullchain.pem" --resolve "music.example.org:$tls:127.0.0.1" -b "$room/jar" -H 'x-kopje-request: 1' \
  -H 'origin: https://elsewhere.example' -X POST "$at/api/sign-out" 2>/dev/null; then echo "a foreign origin was let in"; exit 1; fi

say "7 what it writes"
grep -q "$id" kopje-800?.log || { echo "the proxy's request id is in no log"; exit 1; }
for each in 8001 8002 8003; do grep -q '"path": *"/api/sections"' "kopje-$each.log" || { echo "process $each got nothing"; exit 1; }; done
if grep -qE 'Ama|Jun|a long password' kopje-800?.log; then echo "a log holds what it must not"; exit 1; fi

say "8 keeping it"
bash -euo pipefail -c "$(block "sh save")"
PATH="$pg:$PATH" bash -euo pipefail -c "$(block "sh backup")"
jobs -p | xargs -r kill
wait
PATH="$pg:$PATH" bash -euo pipefail -c "$(block "sh restore")"
bash -euo pipefail -c "$(block "sh rebuild")"
say "every line of docs/running.md ran"
