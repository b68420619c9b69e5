<?php

declare(strict_types=1);

use App\Models\User;
use Illuminate\Auth\Access\Gate;
use Illuminate\Auth\Access\Response;
use Illuminate\Auth\Events\Authenticated;
use Illuminate\Cache\ApcStore;
use Illuminate\Cache\ApcWrapper;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Cookie\CookieJar;
use Illuminate\Database\Connectors\PostgresConnector;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Database\Events\StatementPrepared;
use Illuminate\Database\PostgresConnection;
use Illuminate\Encryption\Encrypter;
use Illuminate\Foundation\Application;
use Illuminate\Http\Request;
use Illuminate\Routing\Middleware\ThrottleRequests;
use Illuminate\Session\DatabaseSessionHandler;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Validation\Factory;
use Illuminate\Validation\ValidationRuleParser;
use Illuminate\Validation\Validator;

/*
 * Prints the files of classes that nearly every request needs of the packages, a line each, for preload.php. It is found out by answering
 * a page and a question to nobody; nothing is asked of the database and nothing is written. Called by bin/start, as the workers' user.
 */

require __DIR__.'/../vendor/autoload.php';

/** @var Application $app */
$app = require __DIR__.'/app.php';
$kernel = $app->make(Kernel::class);
$app->instance('request', Request::create('/'));
$kernel->bootstrap();
config(['session.driver' => 'array', 'cache.default' => 'array', 'cache.limiter' => 'array', 'logging.default' => 'null']);
$address = (string) config('app.url');
foreach (['/', '/api/me'] as $path) {
    $kernel->handle(Request::create($address.$path, server: ['HTTP_ACCEPT' => $path === '/' ? 'text/html' : 'application/json', 'HTTP_REFERER' => $address.'/']));
}
DB::connection()->query()->from('sessions')->where('id', 'nobody')->toSql();
(new User)->kits()->getQuery()->with('parts')->toSql();
RateLimiter::hit('nobody');
// What a request of somebody goes through beyond that.
array_map(class_exists(...), [
    Collection::class, HasOne::class, PostgresConnector::class, PostgresConnection::class, QueryExecuted::class, StatementPrepared::class, DatabaseSessionHandler::class, ThrottleRequests::class, ApcStore::class, ApcWrapper::class,
    Limit::class, Gate::class, Response::class, Authenticated::class, Encrypter::class, CookieJar::class, Validator::class, Factory::class, ValidationRuleParser::class,
]);

// Functions are declared by their packages themselves, each time; what declares a class and nothing else is on this list.
/** @var array<class-string, string> $classes */
$classes = require __DIR__.'/../vendor/composer/autoload_classmap.php';
$vendor = dirname(__DIR__).'/vendor/';
$declares = array_flip(array_map(realpath(...), $classes));
foreach (get_included_files() as $file) {
    if (isset($declares[$file]) && str_starts_with($file, $vendor) && ! str_starts_with($file, $vendor.'composer/')) {
        echo $file, "\n";
    }
}
