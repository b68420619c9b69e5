<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Operations\Troubles;
use Illuminate\Database\QueryException;
use Illuminate\Log\Events\MessageLogged;
use Illuminate\Support\Facades\Event;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpKernel\Exception\HttpException;
use Tests\TestCase;

/** What whoever runs it relies on: what is logged and what isn't, logs that don't grow, words for what went wrong. */
final class OperationsTest extends TestCase
{
    public function test_a_persons_faulty_file_is_no_error_of_ours_and_a_mishap_is_with_the_word_that_its_visitor_was_told(): void
    {
        config(['logging.default' => 'stderr', 'logging.channels.stderr' => ['driver' => 'monolog', 'handler' => \Monolog\Handler\TestHandler::class]]);
        $logged = [];
        Event::listen(MessageLogged::class, function (MessageLogged $message) use (&$logged): void {
            $logged[] = [$message->level, $message->context['reference'] ?? null];
        });
        $user = $this->guest();
        $this->actingAs($user)->postJson('/api/rigs/import', ['text' => '{"format":"nonsense"}'])->assertStatus(422);
        $this->getJson('/api/rigs/999999')->assertNotFound();
        $this->assertSame([], $logged);

        $this->app['router']->get('/api/mishap', fn () => throw new \LogicException('inner words at /srv/secret/path'));
        $answer = $this->getJson('/api/mishap')->assertStatus(500);
        $told = (string) $answer->json('message');
        $this->assertStringNotContainsString('secret', (string) $answer->getContent());
        $this->assertStringContainsString('everything is as it was before', $told);
        $this->assertSame('error', $logged[0][0]);
        $this->assertNotNull($logged[0][1]);
        $this->assertStringContainsString((string) $logged[0][1], $told);
    }

    /** @return iterable<string, array{int, string}> */
    public static function statuses(): iterable
    {
        yield 'not there' => [404, 'There is nothing of yours there.'];
        yield 'forbidden sounds like not there' => [403, 'There is nothing of yours there.'];
        yield 'not done there' => [405, 'That is not done at this address.'];
        yield 'too much' => [413, 'That is more than 12 MB'];
        yield 'looked after' => [503, 'It is being looked after'];
    }

    #[DataProvider('statuses')]
    public function test_each_refusal_says_what_happened_in_our_words(int $status, string $begins): void
    {
        $this->app['router']->get('/api/refused', fn () => throw new HttpException($status, 'Symfony’s own words'));
        $answer = $this->getJson('/api/refused');
        $this->assertSame($status === 403 ? 404 : $status, $answer->getStatusCode());
        $this->assertStringStartsWith($begins, (string) $answer->json('message'));
    }

    /** @return iterable<string, array{string|int, string, bool}> */
    public static function faults(): iterable
    {
        yield 'no connection' => [7, 'SQLSTATE[08006] [7] connection to server at "127.0.0.1", port 5432 failed: Connection refused', true];
        yield 'ended by whoever runs it' => ['57P01', 'SQLSTATE[57P01]: Admin shutdown: 7 FATAL: terminating connection due to administrator command', true];
        yield 'starting up' => ['57P03', 'FATAL: the database system is starting up', true];
        yield 'gone in the middle' => ['HY000', 'SQLSTATE[HY000]: General error: 7 server closed the connection unexpectedly', true];
        yield 'a full disk' => ['53100', 'SQLSTATE[53100]: Disk full: 7 ERROR: could not extend file', true];
        yield 'a constraint' => ['23514', 'SQLSTATE[23514]: Check violation: 7 ERROR: new row violates check constraint', false];
        yield 'a fault in a statement' => ['42601', 'SQLSTATE[42601]: Syntax error', false];
        yield 'something general' => ['HY000', 'SQLSTATE[HY000]: General error: 7 no such thing', false];
    }

    #[DataProvider('faults')]
    public function test_a_database_that_is_away_is_told_from_one_that_refuses(string|int $code, string $message, bool $away): void
    {
        $fault = new class($message, $code) extends \PDOException
        {
            public function __construct(string $message, string|int $code)
            {
                parent::__construct($message);
                $this->code = $code;
            }
        };
        $this->assertSame($away, Troubles::isAway($fault));
        $this->app['router']->get('/api/away', fn () => throw new QueryException('pgsql', 'select 1', [], $fault));
        $answer = $this->getJson('/api/away')->assertStatus($away ? 503 : 500);
        $this->assertSame($away ? '2' : null, $answer->headers->get('Retry-After'));
        $this->assertStringNotContainsString('SQLSTATE', (string) $answer->getContent());
    }

    public function test_logs_that_have_grown_are_turned_over_and_few_are_kept(): void
    {
        $run = sys_get_temp_dir().'/logs-'.bin2hex(random_bytes(4));
        mkdir($run.'/logs', 0700, true);
        config(['logging.channels.daily.path' => $run.'/logs/application.log']);
        file_put_contents($run.'/logs/application-2026-11-27.log', str_repeat('a', 300));
        file_put_contents($run.'/logs/small.log', 'small');
        for ($n = 1; $n <= 6; $n++) {
            file_put_contents($run.'/logs/fpm.log', str_repeat((string) $n, 200));
            $this->artisan('logs:turn --bytes=100 --keep=3')->assertSuccessful();
            $this->assertSame('', file_get_contents($run.'/logs/fpm.log'));
        }
        $this->assertSame(['6', '5', '4'], array_map(static fn (int $n): string => substr((string) file_get_contents($run.'/logs/fpm.log.'.$n), 0, 1), [1, 2, 3]));
        $this->assertFileDoesNotExist($run.'/logs/fpm.log.4');
        $this->assertSame('small', file_get_contents($run.'/logs/small.log'));
        $this->assertSame(300, filesize($run.'/logs/application-2026-11-27.log'), 'the application’s own are a file a day already');
        array_map(unlink(...), glob($run.'/logs/*') ?: []);
        rmdir($run.'/logs');
        rmdir($run);
    }

    public function test_health_says_which_instance_it_is(): void
    {
        config(['app.instance' => 'one']);
        $one = $this->getJson('/up')->assertOk()->assertJsonPath('product', 'zinc-thimble')->assertJsonPath('database', true)->json('instance');
        config(['app.instance' => 'two']);
        $this->assertNotSame($one, $this->getJson('/up')->json('instance'));
        $this->assertSame(substr(hash('sha256', 'one'), 0, 16), $one);
    }
}
