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
    need_packages php8.2-cli php8.2-fpm php8.2-pgsql php8.2-mbstring php8.2-xml php8.2-intl php8.2-curl php8.2-bcmath php8.2-opcache php8.2-zip \
        composer unzip nginx-light postgresql-15 procps curl
}

# Runs a command when a stamp is older than the files it depends on.
unless_fresh() {
    local stamp=$1 files=$2; shift 2
    if [ -f "$stamp" ] && [ -z "$(find $files -newer "$stamp" -print -quit 2>/dev/null)" ]; then return; fi
    "$@"
    mkdir -p "$(dirname "$stamp")"
    touch "$stamp"
}

install_composer() {
    say "Installing PHP packages"
    (cd "$root" && COMPOSER_ALLOW_SUPERUSER=1 composer install --no-interaction --no-progress --quiet --no-scripts)
    # Some archives unpack readable by their owner alone; the web workers are somebody else.
    chmod -R a+rX "$root/vendor"
}

install_npm() {
    say "Installing front-end packages"
    (cd "$root" && npm install --no-audit --no-fund --no-save --silent >/dev/null)
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
    unless_fresh "$root/.run/composer.stamp" "$root/composer.json $root/compat" install_composer
    unless_fresh "$root/.run/npm.stamp" "$root/package.json $root/package-lock.json" install_npm
}

front_ready() {
    [ -d "$root/public/build" ] || rm -f "$root/.run/build.stamp"
    unless_fresh "$root/.run/build.stamp" "$root/resources $root/package.json $root/vite.config.ts $root/tsconfig.json" build_front
}

port_is_free() { ! (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

free_port() {
    local port
    for port in $(seq "$1" $(($1 + 200))); do
        if port_is_free "$port"; then echo "$port"; return; fi
    done
    fail "No free port from $1 on"
}

secret() { head -c 32 /dev/urandom | base64 | tr -d '\n'; }

# Sets the folder and the environment of an instance; made once, kept after.
use_instance() {
    instance=$1
    local web_from=$2 database_from=$3
    run=$root/.run/$instance
    mkdir -p "$run" && chmod 755 "$root/.run" "$run"
    if [ ! -f "$run/env" ]; then
        (umask 077 && cat > "$run/env" <<ENV
APP_ENV=production
APP_KEY=base64:$(secret)
APP_DEBUG=false
DB_HOST=127.0.0.1
DB_PORT=$(free_port "$database_from")
DB_DATABASE=zinc_thimble${4:-}
DB_USERNAME=zinc_thimble
DB_PASSWORD=$(secret | tr -dc 'a-zA-Z0-9')
WEB_PORT=$(free_port "$web_from")
LOG_CHANNEL=stderr
CACHE_STORE=file
SESSION_DRIVER=database
LARAVEL_STORAGE_PATH=$run/storage
APP_CONFIG_CACHE=$run/cache/config.php
APP_ROUTES_CACHE=$run/cache/routes.php
APP_EVENTS_CACHE=$run/cache/events.php
APP_PACKAGES_CACHE=$run/cache/packages.php
APP_SERVICES_CACHE=$run/cache/services.php
ENV
        )
    fi
    set -a; . "$run/env"; set +a
    APP_URL=http://127.0.0.1:$WEB_PORT; export APP_URL
    mkdir -p "$run"/storage/{app,framework/{cache/data,sessions,views},logs} "$run/cache"
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

database_is_up() { [ -f "$run/pg/postmaster.pid" ] && "$pg_bin/pg_isready" -q -h 127.0.0.1 -p "$DB_PORT"; }

database_up() {
    database_is_up && return
    local user; user=$(user_for postgres)
    if [ ! -f "$run/pg/PG_VERSION" ]; then
        say "Making a database in .run/$instance"
        install -d -o "$user" -m 700 "$run/pg"
        local word; word=$(mktemp) && chown "$user" "$word" && printf '%s' "$DB_PASSWORD" > "$word"
        as "$user" "$pg_bin/initdb" -D "$run/pg" -U "$DB_USERNAME" --pwfile="$word" -A scram-sha-256 -E UTF8 --locale=C.UTF-8 >/dev/null
        rm -f "$word"
    fi
    # Loopback only, no socket file: the folder's path may be too long for one.
    as "$user" "$pg_bin/pg_ctl" -D "$run/pg" -w -s -l "$run/pg/server.log" \
        -o "-p $DB_PORT -c listen_addresses=127.0.0.1 -c unix_socket_directories='' -c fsync=${1:-on} -c max_connections=60" start
    PGPASSWORD=$DB_PASSWORD psql -qAt -h 127.0.0.1 -p "$DB_PORT" -U "$DB_USERNAME" -d postgres \
        -c "select 1 from pg_database where datname = '$DB_DATABASE'" | grep -q 1 ||
        PGPASSWORD=$DB_PASSWORD psql -q -h 127.0.0.1 -p "$DB_PORT" -U "$DB_USERNAME" -d postgres -c "create database $DB_DATABASE"
}

database_down() {
    [ -f "$run/pg/postmaster.pid" ] || return 0
    as "$(stat -c %U "$run/pg")" "$pg_bin/pg_ctl" -D "$run/pg" -s -m fast stop || true
}

artisan() { (cd "$root" && php artisan "$@"); }

web_is_up() { curl -fsS -o /dev/null --max-time 3 "$APP_URL/up" 2>/dev/null; }

web_up() {
    local user; user=$(user_for www-data)
    rm -f "$run"/cache/*.php
    artisan config:cache -q && artisan route:cache -q
    mkdir -p "$run/nginx"
    chown -R "$user" "$run/storage" "$run/cache" "$run/nginx"
    write_fpm "$user" > "$run/fpm.conf"
    write_nginx "$user" > "$run/nginx.conf"
    chmod 600 "$run/fpm.conf"
    # The search goes through a million rigs: JIT makes it two to three times as quick. The usual limits on traces are too low for it.
    php-fpm8.2 -d opcache.jit=tracing -d opcache.jit_buffer_size=64M -d opcache.jit_max_root_traces=50000 -d opcache.jit_max_side_traces=50000 \
        -d opcache.jit_max_exit_counters=100000 --fpm-config "$run/fpm.conf" -c /etc/php/8.2/fpm
    nginx -c "$run/nginx.conf" -p "$run/nginx" -e "$run/nginx/error.log"
    local tries
    for tries in $(seq 100); do web_is_up && return; sleep 0.1; done
    tail -n 20 "$run/fpm.log" "$run/nginx/error.log" >&2
    fail "The application does not answer at $APP_URL"
}

write_fpm() {
    cat <<FPM
[global]
pid = $run/fpm.pid
error_log = $run/fpm.log
daemonize = yes
[www]
$([ "$(id -u)" -eq 0 ] && printf 'user = %s\ngroup = %s\nlisten.owner = %s' "$1" "$1" "$1")
listen = 127.0.0.1:$(free_port 9600)
pm = static
pm.max_children = 4
catch_workers_output = yes
decorate_workers_output = no
php_admin_value[expose_php] = 0
php_admin_value[memory_limit] = 256M
php_admin_value[post_max_size] = 12M
php_admin_value[upload_max_filesize] = 10M
php_admin_value[opcache.memory_consumption] = 128
php_admin_value[opcache.max_accelerated_files] = 20000
$(sed -E 's/^([A-Z_]+)=(.*)$/env[\1] = "\2"/' "$run/env")
env[APP_URL] = "$APP_URL"
${ZINC_GUESTS_PER_MINUTE:+env[ZINC_GUESTS_PER_MINUTE] = "$ZINC_GUESTS_PER_MINUTE"}
FPM
}

write_nginx() {
    local fpm; fpm=$(sed -n 's/^listen = //p' "$run/fpm.conf")
    cat <<NGINX
$([ "$(id -u)" -eq 0 ] && echo "user $1;")
worker_processes 2;
pid $run/nginx.pid;
error_log $run/nginx/error.log;
events { worker_connections 256; }
http {
    include /etc/nginx/mime.types;
    default_type application/octet-stream;
    access_log off;
    server_tokens off;
    sendfile on;
    client_max_body_size 12m;
    client_body_temp_path $run/nginx/body; fastcgi_temp_path $run/nginx/fastcgi; proxy_temp_path $run/nginx/proxy;
    uwsgi_temp_path $run/nginx/uwsgi; scgi_temp_path $run/nginx/scgi;
    # Level 1 packs a sweep 6 ms sooner than level 5; over the loopback or a house's network the bytes cost less than that.
    gzip on; gzip_comp_level 1; gzip_min_length 1000; gzip_vary on;
    gzip_types text/css application/javascript text/javascript application/json image/svg+xml;
    server {
        listen 127.0.0.1:$WEB_PORT;
        root $root/public;
        location /build/ { add_header Cache-Control "public, max-age=31536000, immutable"; add_header X-Content-Type-Options nosniff; try_files \$uri =404; }
        location / { try_files \$uri /index.php?\$query_string; }
        location = /index.php {
            include /etc/nginx/fastcgi_params;
            fastcgi_param HTTP_HOST \$host:\$server_port;
            fastcgi_param SCRIPT_FILENAME $root/public/index.php;
            fastcgi_buffers 16 64k; fastcgi_buffer_size 64k;
            fastcgi_pass $fpm;
        }
        location ~ \.php$ { return 404; }
    }
}
NGINX
}

web_down() {
    local pid file
    for file in nginx.pid fpm.pid; do
        [ -f "$run/$file" ] || continue
        pid=$(cat "$run/$file")
        kill -QUIT "$pid" 2>/dev/null || true
        for _ in $(seq 50); do kill -0 "$pid" 2>/dev/null || break; sleep 0.1; done
        kill -KILL "$pid" 2>/dev/null || true
        rm -f "$run/$file"
    done
}
