<?php

declare(strict_types=1);

namespace Tests\Fuzz;

use App\Accounts\ArchiveWriter;
use App\Accounts\Demonstration;
use App\Bench\RigStore;
use App\Kit\KitDocument;
use App\Models\Joint;
use App\Models\Kit;
use App\Models\User;
use Illuminate\Http\UploadedFile;
use Illuminate\Log\Events\MessageLogged;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Route as Routes;
use Illuminate\Testing\TestResponse;
use Tests\TestCase;

/**
 * Every route and every kind of file, asked for by somebody signed in with things nobody should send: no 500, no answer over two seconds,
 * no warning in the log, and the account opens afterwards. The seed is printed; ZINC_SEED repeats it, ZINC_INPUTS says how many.
 */
final class FuzzTest extends TestCase
{
    private const SLOWEST_S = 2.0;

    private Inputs $inputs;

    private User $user;

    /** @var list<string> */
    private array $warnings = [];

    /** @var array<int, int> */
    private array $statuses = [];

    private float $slowest = 0.0;

    private string $slowestWas = '';

    public function test_nothing_breaks(): void
    {
        $given = getenv('ZINC_SEED');
        $seed = $given === false || $given === '' ? random_int(1, 2_000_000_000) : (int) $given;
        $many = (int) (getenv('ZINC_INPUTS') ?: 2000);
        fwrite(STDERR, "\nfuzz: seed {$seed}, {$many} inputs\n");
        $this->inputs = new Inputs($seed);
        Event::listen(MessageLogged::class, function (MessageLogged $message): void {
            if (! in_array($message->level, ['debug', 'info', 'notice'], true)) {
                $this->warnings[] = $message->level.': '.mb_substr($message->message, 0, 300);
            }
        });
        set_error_handler(function (int $level, string $text, string $file, int $line): bool {
            $this->warnings[] = "php: {$text} at {$file}:{$line}";

            return true;
        }, E_ALL & ~E_DEPRECATED & ~E_USER_DEPRECATED);
        // The page is looked at, not what is built into it.
        $this->withoutVite();
        try {
            $this->begin();
            $routes = $this->routes();
            for ($n = 0; $n < $many; $n++) {
                // A fresh account now and then: what an input leaves behind is there for those after it until then.
                if ($n % 250 === 249) {
                    $this->opens("after {$n} inputs of seed {$seed}");
                    $this->user->delete();
                    $this->begin();
                }
                match ($this->inputs->below(5)) {
                    0 => $this->file($n, $seed),
                    1 => $this->step($n, $seed),
                    2 => $this->part($n, $seed),
                    default => $this->route($this->inputs->pick($routes), $n, $seed),
                };
            }
            $this->opens("after all inputs of seed {$seed}");
        } finally {
            restore_error_handler();
        }
        ksort($this->statuses);
        fwrite(STDERR, sprintf("fuzz: %d inputs, answers %s, slowest %.2f s (%s)\n", $many, json_encode($this->statuses), $this->slowest, $this->slowestWas));
        $this->assertArrayNotHasKey(500, $this->statuses);
        $this->assertSame([], $this->warnings);
    }

    private function begin(): void
    {
        $this->user = $this->app->make(Demonstration::class)->openFor(24);
        $this->user->joints()->save(new Joint(['name' => 'plover']));
        $this->user->kits()->firstOrFail()->wishes()->create(['name' => 'Kept', 'wish' => (object) ['magnification' => 1]]);
    }

    /** Each route with every method, its holes filled with what is there or with nonsense, its body likewise. */
    private function route(array $route, int $n, int $seed): void
    {
        [$method, $uri] = $route;
        $rig = $this->user->rigs()->inRandomOrder($this->inputs->below(1000))->first();
        $kit = $this->kit();
        $holes = ['{rig}' => (string) $rig?->id, '{kit}' => (string) $kit->id, '{part}' => (string) $kit->parts()->value('id'), '{deleted}' => (string) $kit->parts()->value('id'), '{joint}' => '1', '{number}' => '0', '{wish}' => (string) $kit->wishes()->value('id'), '{card}' => $this->inputs->pick(['ladder', 'close-ups', 'draws', 'x']), '{token}' => str_repeat('a', 40), '{session}' => str_repeat('a', 16), '{place?}' => 'bench', '{path}' => 'x'];
        $address = '/'.preg_replace_callback('/\{[^}]+\}/', fn (array $hole): string => $this->inputs->chance(0.12) ? rawurlencode($this->inputs->text()) : $holes[$hole[0]] ?? 'x', $uri);
        $query = [];
        foreach (['travel' => '2.focus', 'index' => '0', 'front' => 'larch', 'rear' => 'tern', 'magnification' => '0.5', 'page' => '1', 'search' => 'moss', 'as' => 'json', 'camera' => (string) $kit->parts()->where('kind', 'camera')->value('id'), 'lens' => (string) $kit->parts()->where('kind', 'lens')->value('id'), 'spacer' => '1', 'closeUp' => '1', 'anyway' => '1', 'fieldWidthMm' => '20', 'leastRoomMm' => '30', 'ranking' => 'mass'] as $name => $right) {
            if ($this->inputs->chance(0.3)) {
                $query[$name] = $this->inputs->chance(0.4) ? $this->inputs->text() : $right;
                if ($this->inputs->chance(0.05)) {
                    $query[$name] = [$query[$name]];
                }
            }
        }
        $fields = [];
        foreach (['revision' => 1, 'version' => 1, 'name' => 'Name', 'step' => ['action' => 'remove', 'index' => 0], 'text' => '{}', 'as' => 'json', 'part' => ['kind' => 'tube', 'lengthMm' => 9], 'parts' => [1], 'wish' => ['magnification' => 1], 'tags' => ['a'], 'email' => 'a@example.org', 'password' => 'heron under a gate', 'current' => 'x', 'token' => 'x', 'camera' => 1, 'by' => 'ruler', 'keep' => false, 'reversed' => false, 'shots' => [['spacersMm' => 10, 'rulerMm' => 5, 'pixels' => 900]], 'user' => 1, 'until' => 1, 'signature' => str_repeat('a', 64), 'registerMm' => 40, 'currency' => 'EUR', 'id' => 'x', 'support' => 'table'] as $name => $right) {
            if ($this->inputs->chance(0.5)) {
                $fields[] = json_encode($name).':'.($this->inputs->chance(0.35) ? $this->inputs->value() : json_encode($right));
            }
        }
        // Nobody is to sign the account out or delete it half way.
        if (in_array($uri, ['api/sign-out', 'api/sign-in', 'api/reset'], true)) {
            return;
        }
        $body = $method === 'GET' ? '' : ($this->inputs->chance(0.1) ? $this->inputs->pick(['', '{', '[', "\xFF", '1', 'null', str_repeat('{"a":', 300)]) : '{'.implode(',', $fields).'}');
        $this->ask($method, $address.($query === [] ? '' : '?'.http_build_query($query)), $body, "input {$n} of seed {$seed}");
    }

    private function file(int $n, int $seed): void
    {
        $kit = $this->kit();
        $what = "input {$n} of seed {$seed}";
        switch ($this->inputs->below(4)) {
            case 0:
                $files = glob(Demonstration::folder().'/*.rig.json') ?: [];
                $text = $this->inputs->spoilt(json_decode((string) file_get_contents($this->inputs->pick($files))));
                $this->ask('POST', '/api/rigs/import', (string) json_encode(['text' => $text], JSON_INVALID_UTF8_SUBSTITUTE), $what);
                break;
            case 1:
                $text = $this->inputs->spoilt(json_decode((string) file_get_contents(Demonstration::folder().'/herbarium.kit.json')));
                $this->ask($this->inputs->pick(['POST', 'PUT']), "/api/kits/{$kit->id}/import", (string) json_encode(['text' => $text, 'as' => 'json', 'revision' => $kit->revision], JSON_INVALID_UTF8_SUBSTITUTE), $what);
                break;
            case 2:
                $text = $this->inputs->bytes(KitDocument::csv($kit, $kit->parts()->limit(12)->get()));
                $this->ask($this->inputs->pick(['POST', 'PUT']), "/api/kits/{$kit->id}/import", (string) json_encode(['text' => $text, 'as' => 'csv', 'revision' => $kit->revision], JSON_INVALID_UTF8_SUBSTITUTE), $what);
                break;
            default:
                static $zip = null;
                if ($zip === null) {
                    $path = $this->app->make(ArchiveWriter::class)->write($this->user);
                    $zip = (string) file_get_contents($path);
                    unlink($path);
                }
                $empty = User::query()->create(['name' => 'Empty', 'guest_until' => now()->addDay()])->refresh();
                $from = hrtime(true);
                $answer = $this->actingAs($empty)->post('/api/me/archive', ['archive' => UploadedFile::fake()->createWithContent('a.zip', $this->inputs->bytes($zip))], ['Accept' => 'application/json']);
                $this->noted($answer, 'POST /api/me/archive', $from, $what);
                $empty->delete();
        }
    }

    private function step(int $n, int $seed): void
    {
        $rig = $this->user->rigs()->with('parts')->inRandomOrder($this->inputs->below(1000))->first();
        if ($rig === null) {
            return;
        }
        $kit = $this->kit();
        $step = $this->inputs->pick([
            ['action' => 'set', 'travel' => $this->inputs->pick(['0.length', '1.focus', '2.focus', '2.aperture', '1.length', '3.zoom']), 'value' => $this->inputs->below(4000) / 37],
            ['action' => 'insert', 'index' => $this->inputs->below(4), 'parts' => [$kit->parts()->inRandomOrder($this->inputs->below(1000))->value('id')]],
            ['action' => 'remove', 'index' => $this->inputs->below(4)], ['action' => 'turn', 'index' => $this->inputs->below(4)], ['action' => 'move', 'index' => $this->inputs->below(4), 'to' => $this->inputs->below(4)],
            ['action' => 'swap', 'index' => $this->inputs->below(4), 'part' => $kit->parts()->inRandomOrder($this->inputs->below(1000))->value('id')],
            ['action' => 'solve', 'reading' => $this->inputs->pick(['magnification', 'fieldWidthMm', 'workingDistanceMm', 'subjectDistanceMm']), 'value' => $this->inputs->below(10000) / 13, 'near' => $this->inputs->pick([true, false])],
            ['action' => 'describe', 'document' => ['subject' => ['widthMm' => 5, 'depthMm' => 2, 'traits' => ['wet']], 'conditions' => ['ev' => 10, 'iso' => 100, 'blurLimitMm' => 0.02]]],
            ['action' => 'mend', 'code' => 'touching', 'index' => 1, 'choice' => 0],
        ]);
        $body = ['revision' => $rig->revision, 'step' => $step];
        $this->ask('POST', "/api/rigs/{$rig->id}/steps", $this->inputs->chance(0.5) ? (string) json_encode($body) : $this->inputs->spoilt($body), "input {$n} of seed {$seed}");
        // And what is asked of whatever came of it.
        $this->ask('GET', "/api/rigs/{$rig->id}".$this->inputs->pick(['', '/mends', '/tray?index=0', '/sweep?travel=1.focus', '/sweep?travel=0.length', '/states', '/file']), '', "after input {$n} of seed {$seed}");
    }

    private function part(int $n, int $seed): void
    {
        $kit = $this->kit();
        $part = $kit->parts()->inRandomOrder($this->inputs->below(1000))->first();
        if ($part === null) {
            return;
        }
        $document = ['kind' => $part->kind] + get_object_vars($part->document);
        $this->ask('PUT', "/api/kits/{$kit->id}/parts/{$part->id}", '{"version":'.$part->version.',"part":'.$this->inputs->spoilt($document).'}', "input {$n} of seed {$seed}");
        if ($this->inputs->chance(0.3)) {
            $this->ask('POST', "/api/kits/{$kit->id}/parts", '{"parts":['.$this->inputs->spoilt(array_diff_key($document, ['id' => 0])).']}', "input {$n} of seed {$seed}");
        }
    }

    private function kit(): Kit
    {
        return $this->user->kits()->firstOrFail();
    }

    private function ask(string $method, string $address, string $body, string $what): void
    {
        $from = hrtime(true);
        $answer = $this->actingAs($this->user)->call($method, $address, [], [], [], ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json', 'REMOTE_ADDR' => '10.'.$this->inputs->below(250).'.'.$this->inputs->below(250).'.'.$this->inputs->below(250)], $body);
        // Once more where the machine may have been busy with something else: what is slow by itself is slow again.
        if ($method === 'GET' && (hrtime(true) - $from) / 1e9 > self::SLOWEST_S) {
            $from = hrtime(true);
            $answer = $this->actingAs($this->user)->getJson($address);
        }
        $this->noted($answer, $method.' '.$address.' '.mb_strcut($body, 0, 1500), $from, $what);
    }

    private function noted(TestResponse $answer, string $asked, int $from, string $what): void
    {
        $seconds = (hrtime(true) - $from) / 1e9;
        $status = $answer->getStatusCode();
        $this->statuses[$status] = ($this->statuses[$status] ?? 0) + 1;
        if ($seconds > $this->slowest) {
            [$this->slowest, $this->slowestWas] = [$seconds, mb_substr($asked, 0, 80)];
        }
        $fault = property_exists($answer->baseResponse, 'exception') ? $answer->exception : null;
        $this->assertLessThan(500, $status, "{$what}: {$asked} answered {$status}: ".($fault === null ? mb_substr((string) $answer->getContent(), 0, 600) : $fault::class.' '.$fault->getMessage().' at '.$fault->getFile().':'.$fault->getLine()));
        $this->assertSame([], $this->warnings, "{$what}: {$asked}");
        $this->assertLessThan(self::SLOWEST_S, $seconds, "{$what}: {$asked} took so long");
        // Nothing of how it is made is told.
        if ($status >= 400) {
            $this->assertDoesNotMatchRegularExpression('/App\\\\|ZincThimble\\\\|SQLSTATE|vendor\/|Stack trace/', (string) $answer->getContent(), "{$what}: {$asked}");
        }
    }

    /** Everything that the screens ask for when somebody comes back. */
    private function opens(string $when): void
    {
        $this->actingAs($this->user)->getJson('/api/me')->assertOk();
        $kit = $this->kit();
        foreach (['/api/kits', "/api/kits/{$kit->id}", "/api/kits/{$kit->id}/deleted", "/api/kits/{$kit->id}/file", "/api/kits/{$kit->id}/file?as=csv", "/api/kits/{$kit->id}/map", "/api/kits/{$kit->id}/find/first?magnification=0.5", "/api/kits/{$kit->id}/overview", '/api/rigs/proposals', '/api/joints', '/api/guide'] as $address) {
            $this->assertSame(200, $this->getJson($address)->getStatusCode(), "{$when}: {$address}");
        }
        foreach ($this->getJson('/api/rigs')->assertOk()->json() as $row) {
            $this->assertNull($row['trouble'], $when);
            foreach (['', '/states', '/tray?index=0', '/file'] as $more) {
                $this->assertSame(200, $this->getJson("/api/rigs/{$row['id']}{$more}")->getStatusCode(), "{$when}: rig {$row['id']}{$more}");
            }
        }
        foreach ($this->user->rigs()->with('parts')->get() as $rig) {
            $this->assertNull($this->app->make(RigStore::class)->trouble($rig), $when);
        }
        unlink($this->app->make(ArchiveWriter::class)->write($this->user));
    }

    /** @return non-empty-list<array{string, string}> */
    private function routes(): array
    {
        $routes = [];
        foreach (Routes::getRoutes() as $route) {
            /** @var Route $route */
            foreach (array_diff($route->methods(), ['HEAD']) as $method) {
                $routes[] = [$method, $route->uri()];
            }
        }
        assert($routes !== []);

        return $routes;
    }
}
