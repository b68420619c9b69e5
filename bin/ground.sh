# Sourced by the commands in this folder: what the application stands on. Not a command.
# An instance is one running copy: `start` for people, `test` for bin/test. Everything of it lives in .run/NAME.

set -euo pipefail
root=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
pg_bin=/usr/lib/postgresql/15/bin

say() { printf '· %s\n' "$*"; }
fail() { printf '! %s\n' "$*" >&2; exit 1; }

# Debian packages, only what is missing.
need_packages() {
    local missing=() package
    for package in "$@"; do
        dpkg-query -W -f '${Status}' "$package" 2>/dev/null | grep -q 'ok installed' || missing+=("$package")
    done
    [ ${#missing[@]} -eq 0 ] && return
    say "Installing ${missing[*]}"
    [ "$(id -u)" -eq 0 ] || fail "Run as root once, to install: ${missing[*]}"
    apt-get update -qq >/dev/null
    # Keep Debian from starting servers of its own: this project starts its own copies.
    local policy=/usr/sbin/policy-rc.d made=
    if [ ! -e $policy ]; then printf '#!/bin/sh\nexit 101\n' > $policy && chmod +x $policy && made=1; fi
    DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "${missing[@]}" >/dev/null
    if [ -n "$made" ]; then rm -f $policy; fi
}

base_packages() {
    need_packages php8.2-cli php8.2-fpm php8.2-pgsql php8.2-mbstring php8.2-xml php8.2-intl php8.2-curl php8.2-bcmath php8.2-opcache php8.2-apcu php8.2-zip php8.2-gd \
        composer unzip nginx-light postgresql-15 procps curl util-linux
}

# Runs a command when a stamp is older than the files it depends on: unless_fresh STAMP FILE... -- COMMAND...
unless_fresh() {
    local stamp=$1 files=(); shift
    while [ "$1" != -- ]; do files+=("$1"); shift; done
    shift
    if [ -f "$stamp" ] && [ -z "$(find "${files[@]}" -newer "$stamp" -print -quit 2>/dev/null)" ]; then return; fi
    "$@"
    mkdir -p "$(dirname "$stamp")"
    touch "$stamp"
}

# Runs a command without a word; what it said is shown when it fails.
quietly() {
    local log
    log=$(mktemp)
    if "$@" >"$log" 2>&1; then rm -f "$log"; return; fi
    cat "$log" >&2
    rm -f "$log"
    fail "This failed: $*"
}

install_composer() {
    say "Installing PHP packages"
    (cd "$root" && COMPOSER_ALLOW_SUPERUSER=1 quietly composer install --no-interaction --no-progress --no-scripts)
    # Some archives unpack readable by their owner alone; the web workers are somebody else.
    chmod -R a+rX "$root/vendor"
}

install_npm() {
    say "Installing front-end packages"
    (cd "$root" && quietly npm install --no-audit --no-fund --no-save)
}

build_front() {
    say "Building the front end"
    (cd "$root" && npm run --silent build)
    chmod -R a+rX "$root/public"
}

node_ready() {
    command -v node >/dev/null && command -v npm >/dev/null || fail "Install Node 20.19 or newer, with npm"
    node -e 'const [a, b] = process.versions.node.split(".").map(Number); process.exit(a > 20 || (a === 20 && b >= 19) ? 0 : 1)' ||
        fail "Node $(node -v) is too old; 20.19 or newer is needed"
}

packages_ready() {
    node_ready
    [ -d "$root/vendor" ] || rm -f "$root/.run/composer.stamp"
    [ -d "$root/node_modules" ] || rm -f "$root/.run/npm.stamp"
    unless_fresh "$root/.run/composer.stamp" "$root/composer.json" "$root/compat" -- install_composer
    unless_fresh "$root/.run/npm.stamp" "$root/package.json" "$root/package-lock.json" -- install_npm
}

front_ready() {
    [ -d "$root/public/build" ] || rm -f "$root/.run/build.stamp"
    unless_fresh "$root/.run/build.stamp" "$root/resources" "$root/package.json" "$root/composer.json" "$root/vite.config.ts" "$root/tsconfig.json" \
        "$root/bin/notices.mjs" -- build_front
}

port_is_free() { ! (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

# Only a hint: the port is taken when it is bound, and another is tried when somebody was quicker.
free_port() {
    local port
    for port in $(seq "$1" $(($1 + 200))); do
        if port_is_free "$port"; then echo "$port"; return; fi
    done
    fail "No free port from $1 on"
}

secret() { head -c 32 /dev/urandom | base64 | tr -d '\n'; }

# Writes or replaces one line of the instance's environment; the file is read by this shell and by the web server's workers.
set_env() {
    local name=$1 value=$2 file=$run/env
    touch "$file" && chmod 600 "$file"
    { grep -v "^$name=" "$file" || true; printf "%s='%s'\n" "$name" "$value"; } > "$file.new"
    chmod 600 "$file.new" && mv "$file.new" "$file"
    export "$name=$value"
}

has_env() { grep -q "^$1=" "$run/env" 2>/dev/null; }

# Sets the folder and the environment of an instance; made once, kept after, added to by later versions.
use_instance() {
    instance=$1
    local web_from=$2 database_from=$3
    run=$root/.run/$instance
    mkdir -p "$run" && chmod 755 "$root/.run" "$run"
    # Older versions wrote values without quotes.
    [ ! -f "$run/env" ] || sed -i -E "s/^([A-Z_]+)=([^'].*)?\$/\\1='\\2'/" "$run/env"
    has_env APP_KEY || set_env APP_KEY "base64:$(secret)"
    has_env APP_ENV || set_env APP_ENV production
    has_env APP_DEBUG || set_env APP_DEBUG false
    has_env DB_HOST || set_env DB_HOST 127.0.0.1
    has_env DB_PORT || set_env DB_PORT "$(free_port "$database_from")"
    has_env DB_DATABASE || set_env DB_DATABASE "zinc_thimble${4:-}"
    has_env DB_USERNAME || set_env DB_USERNAME zinc_thimble
    has_env DB_PASSWORD || set_env DB_PASSWORD "$(secret | tr -dc 'a-zA-Z0-9')"
    has_env WEB_PORT || set_env WEB_PORT "$(free_port "$web_from")"
    has_env FPM_PORT || set_env FPM_PORT "$(free_port 9600)"
    has_env RAIL_PORT || set_env RAIL_PORT "$(free_port 9700)"
    has_env CAMERA_PORT || set_env CAMERA_PORT "$(free_port $((RAIL_PORT + 1)))"
    has_env INSTANCE_ID || set_env INSTANCE_ID "$(secret | tr -dc 'a-zA-Z0-9')"
    has_env CACHE_STORE || set_env CACHE_STORE file
    has_env SESSION_DRIVER || set_env SESSION_DRIVER database
    has_env QUEUE_CONNECTION || set_env QUEUE_CONNECTION database
    has_env MAIL_MAILER || set_env MAIL_MAILER letters
    # What depends on where the folder is now: it may have been moved.
    set_env LOG_CHANNEL daily
    set_env LOG_PATH "$run/logs/application.log"
    set_env LETTERS_PATH "$run/letters"
    set_env LARAVEL_STORAGE_PATH "$run/storage"
    local each
    for each in config routes events packages services; do set_env "APP_$(tr a-z A-Z <<< "$each")_CACHE" "$run/cache/$each.php"; done
    set -a; . "$run/env"; set +a
    # Requests are counted in the workers' own memory; several nodes count together, where they keep all else.
    set_env CACHE_LIMITER "$([ "$CACHE_STORE" = file ] && echo memory || echo "$CACHE_STORE")"
    # A port that was asked for is taken from now on.
    if [ "$instance" = start ] && [ -n "${ZINC_PORT:-}" ] && [ "$ZINC_PORT" != "$WEB_PORT" ]; then
        web_down
        set_env WEB_PORT "$ZINC_PORT"
    fi
    own_address
    mkdir -p "$run"/storage/{app,framework/{cache/data,sessions,views},logs} "$run"/{cache,letters,logs,nginx}
    touch "$run/logs/"{fpm,nginx,queue,schedule,devices,stacks,start}.log
    chmod 700 "$run/letters"
    # Whatever the workers and the commands beside them write has to be theirs.
    [ "$(id -u)" -ne 0 ] || chown -R "$(user_for www-data)" "$run/storage" "$run/cache" "$run/nginx" "$run/letters" "$run/logs"
}

# The one address under which the instance is known: letters and links name no other.
own_address() {
    APP_URL=${ZINC_URL:-http://127.0.0.1:$WEB_PORT}
    export APP_URL
}

# One start, stop, backup or restore of an instance at a time.
lock_instance() {
    exec 9> "$run/lock"
    flock -w "${1:-180}" 9 || fail "Another command has been at work on .run/$instance for minutes. Wait for it, or look what it hangs on."
}

# Who runs the database and the workers: nobody important, as long as they can reach this folder.
user_for() {
    if [ "$(id -u)" -ne 0 ]; then id -un; return; fi
    if runuser -u "$1" -- test -x "$root" -a -r "$root/composer.json" 2>/dev/null; then echo "$1"; else fail "The folder $root can't be read by the user $1; put the project where it can"; fi
}

as() {
    local user=$1; shift
    if [ "$(id -un)" = "$user" ]; then (cd / && "$@"); else (cd / && runuser -u "$user" -- env "$@"); fi
}

# A process that is ours: its number, what it is called, and that it works for this instance's folder.
is_ours() {
    local pid=$1 what=$2
    [ -n "$pid" ] && [ -r "/proc/$pid/cmdline" ] && [ -O "/proc/$pid" ] || [ "$(id -u)" -eq 0 ] || return 1
    {
        tr '\0' ' ' < "/proc/$pid/cmdline" | grep -F > /dev/null -- "$what" || return 1
        {
            tr '\0' ' ' < "/proc/$pid/cmdline"
            tr '\0' '\n' < "/proc/$pid/environ" | sed 's/^ZINC_RUN=.*/&\//'
            readlink "/proc/$pid/fd/"*
        } | grep -F > /dev/null -- "$run/"
    } 2>/dev/null
}

# One that has ended and waits to be taken note of is not alive.
is_alive() { local state; state=$(sed -n 's/^State:[[:space:]]*\(.\).*/\1/p' "/proc/$1/status" 2>/dev/null) && [ -n "$state" ] && [ "$state" != Z ]; }

sql() { PGPASSWORD=$DB_PASSWORD PGCONNECT_TIMEOUT=3 psql -qAt -h "$DB_HOST" -p "$DB_PORT" -U "$DB_USERNAME" "$@"; }

# Ours, not whoever else listens on that port: only ours lets this user in with this password.
database_is_up() { sql -d "$DB_DATABASE" -c 'select 1' >/dev/null 2>&1; }

database_is_elsewhere() { [ -n "${DB_ELSEWHERE:-}" ]; }

database_up() {
    database_is_up && return
    database_is_elsewhere && fail "The database at $DB_HOST:$DB_PORT doesn't answer (docs/operating.md, “A PostgreSQL elsewhere”)"
    local user pid; user=$(user_for postgres)
    if [ ! -f "$run/pg/PG_VERSION" ]; then
        say "Making a database in .run/$instance"
        rm -rf "$run/pg"
        install -d -o "$user" -m 700 "$run/pg"
        local word; word=$(mktemp) && chown "$user" "$word" && printf '%s' "$DB_PASSWORD" > "$word"
        as "$user" "$pg_bin/initdb" -D "$run/pg" -U "$DB_USERNAME" --pwfile="$word" -A scram-sha-256 -E UTF8 --locale=C.UTF-8 >/dev/null
        rm -f "$word"
    fi
    # What the database has said so far is kept short here: nothing else turns it over.
    [ ! -f "$run/pg/server.log" ] || [ "$(stat -c %s "$run/pg/server.log")" -lt 4000000 ] || as "$user" truncate -s 0 "$run/pg/server.log"
    # A pid file left by a crash may name somebody else's process by now.
    if [ -f "$run/pg/postmaster.pid" ]; then
        pid=$(head -n 1 "$run/pg/postmaster.pid")
        if is_ours "$pid" "postgres"; then database_down; else rm -f "$run/pg/postmaster.pid"; fi
    fi
    local try
    port_is_free "$DB_PORT" || set_env DB_PORT "$(free_port $((DB_PORT + 1)))"
    for try in $(seq 12); do
        # Loopback only, no socket file: the folder's path may be too long for one.
        as "$user" "$pg_bin/pg_ctl" -D "$run/pg" -w -s -l "$run/pg/server.log" \
            -o "-p $DB_PORT -c listen_addresses=127.0.0.1 -c unix_socket_directories='' -c fsync=${1:-on} -c max_connections=80" start 9>&- >/dev/null 2>&1 && break
        [ "$try" -lt 12 ] || { tail -n 5 "$run/pg/server.log" >&2; fail "The database doesn't start; what it said is above"; }
        if tail -n 5 "$run/pg/server.log" | grep > /dev/null "Address already in use"; then set_env DB_PORT "$(free_port $((DB_PORT + 1)))"; else sleep 0.5; fi
    done
    # It may have another port than the last time: what was cached then leads nowhere.
    rm -f "$run"/cache/config.php
    sql -d postgres -c "select 1 from pg_database where datname = '$DB_DATABASE'" | grep 1 > /dev/null || sql -d postgres -c "create database $DB_DATABASE"
}

database_down() {
    local file=$run/pg/postmaster.pid
    [ -f "$file" ] || return 0
    if is_ours "$(head -n 1 "$file")" postgres; then as "$(stat -c %U "$run/pg")" "$pg_bin/pg_ctl" -D "$run/pg" -s -m fast stop || true; else rm -f "$file"; fi
}

# As the workers do it: what it writes has to be theirs.
artisan() { as "$(user_for www-data)" php "$root/artisan" "$@"; }

# Whether the one that answers is this instance, with its database: it says who it is.
web_is_up() { curl -fsS --max-time 3 "http://127.0.0.1:$WEB_PORT/up" -H "Host: $(own_host)" 2>/dev/null | grep -F > /dev/null -- "\"instance\":\"$(printf %s "$INSTANCE_ID" | sha256sum | cut -c1-16)\""; }

own_host() { sed -E 's#^[a-z]+://([^/]+).*#\1#' <<< "$APP_URL"; }

# The masters of the web server and its workers, and the loops beside them.
workers_are_up() { local each; for each in nginx fpm $loops; do is_ours "$(cat "$run/$each.pid" 2>/dev/null || true)" "$each" || return 1; done; }

# With --keep the database is left as it is: somebody else has brought it up to this version.
web_up() {
    local user try port preload=(); user=$(user_for www-data)
    for try in $(seq 12); do
        own_address
        own_device_ports
        # What was cached under an older version, another port or another folder is worth nothing.
        rm -f "$run"/cache/*.php
        artisan ground:ready -q ${1:-}
        write_fpm "$user" > "$run/fpm.conf"
        write_nginx "$user" > "$run/nginx.conf"
        chmod 600 "$run/fpm.conf"
        # Classes that each request needs of the packages are loaded once, for all of them.
        as "$user" php "$root/bootstrap/needed.php" > "$run/needed.txt" 2>> "$run/logs/start.log" || : > "$run/needed.txt"
        [ "$(id -u)" -ne 0 ] || preload=(-d "opcache.preload_user=$user")
        # The search goes through a million rigs: JIT makes it two to three times as quick. The usual limits on traces are too low for it.
        if ! ZINC_NEEDED=$run/needed.txt php-fpm8.2 -d "opcache.preload=$root/bootstrap/preload.php" "${preload[@]}" \
            -d opcache.jit=tracing -d opcache.jit_buffer_size=64M -d opcache.jit_max_root_traces=50000 -d opcache.jit_max_side_traces=50000 \
            -d opcache.jit_max_exit_counters=100000 -d apc.enabled=1 --fpm-config "$run/fpm.conf" -c /etc/php/8.2/fpm >> "$run/logs/start.log" 2>&1 9>&-; then
            set_env FPM_PORT "$(free_port $((FPM_PORT + 2)))"
            continue
        fi
        # Somebody else's already: no need to wait until binding has failed five times.
        if port_is_free "$WEB_PORT" && nginx -c "$run/nginx.conf" -p "$run/nginx" -e "$run/logs/nginx.log" >> "$run/logs/start.log" 2>&1 9>&-; then
            port=$WEB_PORT
            cat "$run/nginx.pid" "$run/fpm.pid" > "$run/sessions"
            break
        fi
        web_down
        [ -z "${ZINC_PORT:-}" ] || fail "Port $WEB_PORT, that was asked for, is taken by somebody else"
        set_env WEB_PORT "$(free_port $((WEB_PORT + 1)))"
    done
    [ -n "${port:-}" ] || { tail -n 10 "$run/logs/start.log" >&2; fail "The web server doesn't start; what it said is above"; }
    keep_running queue "$user" queue:work --sleep=1 --tries=5 --backoff=10 --max-time=900 --max-jobs=500 --memory=160 --quiet
    keep_running schedule "$user" schedule:work --quiet
    # A stack takes as long as its frames take: its worker has nothing else to do, and letters don't wait for it.
    keep_running stacks "$user" queue:work stacks --sleep=0.3 --tries=1 --max-time=900 --memory=256 --quiet
    keep_running devices "$user" devices:drive
    for try in $(seq 100); do web_is_up && return; sleep 0.1; done
    tail -n 20 "$run/logs/fpm.log" "$run/logs/nginx.log" >&2
    fail "The application does not answer at $APP_URL"
}

# What is kept running beside the web server.
loops="queue schedule stacks devices"

# Ports of the made-up devices that somebody else has taken meanwhile are given up for others.
own_device_ports() {
    is_ours "$(cat "$run/devices.pid" 2>/dev/null || true)" keep-devices && return
    port_is_free "$RAIL_PORT" || set_env RAIL_PORT "$(free_port $((RAIL_PORT + 2)))"
    port_is_free "$CAMERA_PORT" && [ "$CAMERA_PORT" != "$RAIL_PORT" ] || set_env CAMERA_PORT "$(free_port $((RAIL_PORT + 1)))"
}

# A process that is begun again whenever it ends, until web_down ends the loop.
keep_running() {
    local name=$1 user=$2 options=(); shift 2
    # The made-up camera draws its frames pixel by pixel.
    [ "$name" != devices ] || options=(-d opcache.enable_cli=1 -d opcache.jit=tracing -d opcache.jit_buffer_size=64M -d memory_limit=512M)
    ZINC_RUN=$run setsid bash -c '
        name=$1 user=$2 log=$3; shift 3
        trap "trap '' TERM; kill 0; exit 0" TERM
        while :; do
            if [ "$(id -un)" = "$user" ]; then "$@" >> "$log" 2>&1 & else runuser -u "$user" -- "$@" >> "$log" 2>&1 & fi
            wait $! || true
            sleep 1
        done' "keep-$name" "$name" "$user" "$run/logs/$name.log" php "${options[@]}" "$root/artisan" "$@" < /dev/null > /dev/null 2>&1 9>&- &
    echo $! > "$run/$name.pid"
}

write_fpm() {
    local name port
    cat <<FPM
[global]
pid = $run/fpm.pid
error_log = $run/logs/fpm.log
daemonize = yes
FPM
    # Readings have workers of their own; searches, maps and archives can neither take theirs nor, being nicer, much of the processor.
    for name in readings heavy; do
        port=$FPM_PORT
        [ "$name" = readings ] || port=$((FPM_PORT + 1))
        cat <<FPM
[$name]
$([ "$(id -u)" -eq 0 ] && printf 'user = %s\ngroup = %s' "$1" "$1")
listen = 127.0.0.1:$port
listen.allowed_clients = 127.0.0.1
pm = static
pm.max_children = $([ "$name" = heavy ] && echo 3 || echo 4)
pm.max_requests = 20000
$([ "$name" = heavy ] && echo "process.priority = ${ZINC_HEAVY_NICE:-19}")
catch_workers_output = yes
decorate_workers_output = no
php_admin_value[expose_php] = 0
php_admin_value[memory_limit] = 256M
php_admin_value[max_execution_time] = $([ "$name" = heavy ] && echo 280 || echo 25)
php_admin_value[post_max_size] = $([ "$name" = heavy ] && echo 66M || echo 12M)
php_admin_value[upload_max_filesize] = $([ "$name" = heavy ] && echo 64M || echo 10M)
php_admin_value[opcache.memory_consumption] = 128
php_admin_value[opcache.max_accelerated_files] = 20000
$(sed -E "s/^([A-Z_]+)='(.*)'\$/env[\1] = \"\2\"/" "$run/env")
env[APP_URL] = "$APP_URL"
$(for each in ZINC_GUESTS_PER_MINUTE ZINC_GUESTS_PER_ADDRESS ZINC_PATIENCE ZINC_DEVICE_PACE TRUSTED_PROXIES; do has_env "$each" || [ -z "${!each:-}" ] || printf 'env[%s] = "%s"\n' "$each" "${!each}"; done)
FPM
    done
}

write_nginx() {
    local host; host=$(own_host); host=${host%:*}
    cat <<NGINX
$([ "$(id -u)" -eq 0 ] && echo "user $1;")
worker_processes 2;
pid "$run/nginx.pid";
error_log "$run/logs/nginx.log";
events { worker_connections 512; }
http {
    include /etc/nginx/mime.types;
    default_type application/octet-stream;
    access_log off;
    server_tokens off;
    sendfile on;
    client_max_body_size 12m;
    client_body_temp_path "$run/nginx/body"; fastcgi_temp_path "$run/nginx/fastcgi"; proxy_temp_path "$run/nginx/proxy";
    uwsgi_temp_path "$run/nginx/uwsgi"; scgi_temp_path "$run/nginx/scgi";
    # Level 1 packs a sweep 6 ms sooner than level 5; over the loopback or a house's network the bytes cost less than that. What is built lies packed.
    gzip on; gzip_comp_level 1; gzip_min_length 1000; gzip_vary on;
    gzip_types text/css application/javascript text/javascript application/json image/svg+xml;
    map \$request_uri \$workers {
        default 127.0.0.1:$FPM_PORT;
        "~^/api/kits/[0-9]+/(find|overview|map|import|cards|file)" 127.0.0.1:$((FPM_PORT + 1));
        "~^/api/outings/([0-9]+/(plan|sheets|file)|import)" 127.0.0.1:$((FPM_PORT + 1));
        "~^/api/rigs/[0-9]+/look/frames" 127.0.0.1:$((FPM_PORT + 1));
        "~^/api/me/archive" 127.0.0.1:$((FPM_PORT + 1));
    }
    # Whoever asks for another name asks for somebody else: links in letters name this one alone.
    server {
        listen ${ZINC_LISTEN:-127.0.0.1}:$WEB_PORT default_server;
        default_type text/plain;
        location / { return 421 "This is not the address of this application.\n"; }
    }
    server {
        listen ${ZINC_LISTEN:-127.0.0.1}:$WEB_PORT;
        server_name $host$([ "$host" = 127.0.0.1 ] || echo " 127.0.0.1");
        root "$root/public";
        error_page 502 503 504 @away;
        # Names of built files change with what is in them.
        location /build/ { gzip_static on; add_header Cache-Control "public, max-age=31536000, immutable"; add_header X-Content-Type-Options nosniff; try_files \$uri =404; }
        location / { try_files \$uri /index.php?\$query_string; }
        location ~ ^/api/(me/archive|outings/import)\$ { client_max_body_size 64m; try_files \$uri /index.php?\$query_string; }
        location = /index.php {
            include /etc/nginx/fastcgi_params;
            fastcgi_param HTTP_HOST \$http_host;
            fastcgi_param SCRIPT_FILENAME "$root/public/index.php";
            fastcgi_buffers 16 64k; fastcgi_buffer_size 64k;
            fastcgi_read_timeout 300s;
            fastcgi_pass \$workers;
        }
        location ~ \.php\$ { return 404; }
        location @away {
            internal;
            default_type application/json;
            add_header Retry-After 3 always;
            add_header X-Content-Type-Options nosniff always;
            if (\$request_uri ~ ^/api/) {
                add_header Retry-After 3 always;
                return 503 '$(cat "$root/resources/away.json")';
            }
            rewrite ^ /away.html last;
        }
        location = /away.html { internal; add_header Retry-After 3 always; add_header Content-Security-Policy "default-src 'none'; style-src 'unsafe-inline'" always; }
    }
$([ "$host" = 127.0.0.1 ] && cat <<LOCAL
    server {
        listen ${ZINC_LISTEN:-127.0.0.1}:$WEB_PORT;
        server_name localhost;
        location / { return 308 $APP_URL\$request_uri; }
    }
LOCAL
)
}
NGINX
}

web_down() {
    local pid file what
    for file in $loops; do
        pid=$(cat "$run/$file.pid" 2>/dev/null || true)
        # The loop and what it keeps are one group of processes.
        if is_ours "$pid" "keep-$file"; then
            kill -TERM -- "-$pid" 2>/dev/null || true
        elif [ -n "$pid" ]; then
            # A loop that was killed leaves what it kept, still in its group.
            for pid in $(pgrep -g "$pid" -f "/artisan " || true); do kill -TERM "$pid" 2>/dev/null || true; done
        fi
        rm -f "$run/$file.pid"
    done
    # The web server lets what is under way come to its end, then nothing is left for the workers to do.
    for file in nginx fpm; do
        [ -f "$run/$file.pid" ] || continue
        pid=$(cat "$run/$file.pid")
        # A number left over from a crash may be somebody else's by now.
        if is_ours "$pid" "$file"; then
            kill "$([ "$file" = nginx ] && echo -QUIT || echo -TERM)" "$pid" 2>/dev/null || true
            for _ in $(seq 100); do is_alive "$pid" || break; sleep 0.05; done
            kill -KILL "$pid" 2>/dev/null || true
        fi
        rm -f "$run/$file.pid"
    done
    # Workers whose master was killed go on listening, in the session that it began.
    for what in $(cat "$run/sessions" 2>/dev/null || true); do
        for pid in $(pgrep -s "$what" -f '^(php-fpm|nginx): ' || true); do kill -KILL "$pid" 2>/dev/null || true; done
    done
    rm -f "$run/sessions"
}
