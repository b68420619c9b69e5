<?php

declare(strict_types=1);

/*
 * So many people at work at once, each with a session and rigs of their own, at a person's pace: reads a rig, moves a control (a step),
 * asks for a sweep and a tray. Prints p50, p95 and p99 of what each waited. Then twenty of them read while one guest asks Find over six
 * connections, and without: the ratio of their p95. Called by bin/bench load; fails nothing.
 */

final class Person
{
    /** @var array<string, string> */
    public array $cookies = [];

    /** @var list<int> */
    public array $rigs = [];

    public int $kit = 0;

    /** @var array<int, array{revision: int, travel: ?string, positions: list<float>}> */
    public array $known = [];

    public float $next = 0.0;

    public int $at = 0;

    public string $doing = '';

    public int $rig = 0;
}

final class Load
{
    /** @var array<string, list<float>> milliseconds by what was asked */
    public array $times = [];

    /** @var array<int, int> */
    public array $statuses = [];

    public function __construct(private readonly string $base)
    {
    }

    /** @param  array<string, mixed>|null  $body */
    public function handle(Person $person, string $method, string $path, ?array $body = null): CurlHandle
    {
        $curl = curl_init($this->base.$path);
        curl_setopt_array($curl, [
            CURLOPT_CUSTOMREQUEST => $method, CURLOPT_RETURNTRANSFER => true, CURLOPT_ENCODING => '', CURLOPT_TIMEOUT => 60,
            CURLOPT_COOKIE => implode('; ', array_map(static fn (string $name, string $value): string => $name.'='.$value, array_keys($person->cookies), $person->cookies)),
            CURLOPT_HTTPHEADER => ['Accept: application/json', 'Content-Type: application/json', 'Referer: '.$this->base.'/', 'X-XSRF-TOKEN: '.urldecode($person->cookies['XSRF-TOKEN'] ?? '')],
            CURLOPT_HEADERFUNCTION => static function ($curl, string $line) use ($person): int {
                if (preg_match('/^set-cookie: ([^=]+)=([^;]*)/i', $line, $found) === 1) {
                    $person->cookies[$found[1]] = $found[2];
                }

                return strlen($line);
            },
        ]);
        if ($body !== null) {
            curl_setopt($curl, CURLOPT_POSTFIELDS, json_encode((object) $body, JSON_THROW_ON_ERROR));
        }

        return $curl;
    }

    /** @param  array<string, mixed>|null  $body */
    public function ask(Person $person, string $method, string $path, ?array $body = null): mixed
    {
        return json_decode((string) curl_exec($this->handle($person, $method, $path, $body)), true);
    }

    public function person(): Person
    {
        $person = new Person;
        $this->ask($person, 'GET', '/api/me');
        $this->ask($person, 'POST', '/api/guest', []);
        $rigs = $this->ask($person, 'GET', '/api/rigs');
        $person->rigs = is_array($rigs) ? array_column($rigs, 'id') : [];
        $kits = $this->ask($person, 'GET', '/api/kits');
        $person->kit = is_array($kits) ? (int) ($kits[0]['id'] ?? 0) : 0;
        if ($person->rigs === []) {
            fwrite(STDERR, "! No guest could be opened; start with ZINC_GUESTS_PER_MINUTE=1000 ZINC_GUESTS_PER_ADDRESS=1000 bin/start\n");
            exit(1);
        }
        $person->rig = $person->rigs[array_rand($person->rigs)];

        return $person;
    }

    /** @return array{string, string, string, ?array<string, mixed>} what a person does next: name, method, path, body */
    public function turn(Person $person, bool $onlyReads): array
    {
        $known = $person->known[$person->rig] ?? null;
        $person->at++;
        if ($onlyReads || $known === null || $known['travel'] === null || $person->at % 5 === 0) {
            return ['reading', 'GET', "/api/rigs/{$person->rig}", null];
        }

        return match ($person->at % 5) {
            1, 3 => ['step', 'POST', "/api/rigs/{$person->rig}/steps", ['revision' => $known['revision'], 'step' => ['action' => 'set', 'travel' => $known['travel'], 'value' => $known['positions'][array_rand($known['positions'])]]]],
            2 => ['sweep', 'GET', "/api/rigs/{$person->rig}/sweep?travel={$known['travel']}", null],
            default => ['tray', 'GET', "/api/rigs/{$person->rig}/tray?index=0", null],
        };
    }

    /**
     * @param  list<Person>  $people
     * @param  float  $pause  seconds between an answer and the next question, on average
     * @param  ?Person  $greedy  somebody who asks Find over six connections all the while
     */
    public function run(array $people, float $seconds, float $pause, bool $onlyReads = false, ?Person $greedy = null): void
    {
        $multi = curl_multi_init();
        $busy = new SplObjectStorage;
        $from = microtime(true);
        foreach ($people as $person) {
            $person->next = $from + $pause * mt_rand() / mt_getrandmax();
        }
        $greed = 0;
        $finds = 0;
        while (microtime(true) - $from < $seconds || $busy->count() > 0) {
            $now = microtime(true);
            $open = $now - $from < $seconds;
            foreach ($people as $person) {
                if ($open && $person->doing === '' && $person->next <= $now) {
                    [$person->doing, $method, $path, $body] = $this->turn($person, $onlyReads);
                    $curl = $this->handle($person, $method, $path, $body);
                    $busy[$curl] = [$person, $now];
                    curl_multi_add_handle($multi, $curl);
                }
            }
            while ($open && $greedy !== null && $greed < 6) {
                $finds++;
                $curl = $this->handle($greedy, 'GET', "/api/kits/{$greedy->kit}/find?magnification=".(0.3 + ($finds % 50) / 40).'&leastRoomMm='.($finds % 60));
                $busy[$curl] = [null, $now];
                curl_multi_add_handle($multi, $curl);
                $greed++;
            }
            curl_multi_exec($multi, $running);
            while ($done = curl_multi_info_read($multi)) {
                $curl = $done['handle'];
                [$person, $asked] = $busy[$curl];
                $status = curl_getinfo($curl, CURLINFO_RESPONSE_CODE);
                if ($person === null) {
                    $greed--;
                } else {
                    $this->statuses[$status] = ($this->statuses[$status] ?? 0) + 1;
                    $this->times[$person->doing][] = curl_getinfo($curl, CURLINFO_TOTAL_TIME) * 1000;
                    $view = $person->doing === 'reading' || $person->doing === 'step' ? json_decode((string) curl_multi_getcontent($curl), true) : null;
                    if (is_array($view) && isset($view['revision'], $view['travels'])) {
                        $travel = array_values(array_filter($view['travels'], static fn (array $each): bool => count($each['positions']) > 3))[0] ?? null;
                        $person->known[$person->rig] = ['revision' => $view['revision'], 'travel' => $travel['name'] ?? null, 'positions' => $travel['positions'] ?? []];
                    }
                    $person->doing = '';
                    $person->next = microtime(true) + $pause * 2 * mt_rand() / mt_getrandmax();
                }
                curl_multi_remove_handle($multi, $curl);
                $busy->detach($curl);
            }
            curl_multi_select($multi, 0.005);
        }
        if ($greedy !== null) {
            printf("  (the greedy guest asked %d times)\n", $finds);
        }
    }

    public function tell(string $what): void
    {
        foreach ($this->times as $name => $times) {
            printf("%-26s %6d  p50 %7.1f  p95 %7.1f  p99 %7.1f ms\n", $what.' '.$name, count($times), self::share($times, 0.5), self::share($times, 0.95), self::share($times, 0.99));
        }
        ksort($this->statuses);
        printf("%-26s %s\n", $what.' answers', json_encode($this->statuses));
    }

    /** @param  list<float>  $times */
    public static function share(array $times, float $share): float
    {
        sort($times);

        return $times === [] ? 0.0 : $times[min(count($times) - 1, (int) floor($share * count($times)))];
    }
}

$base = $argv[1];
$many = (int) ($argv[2] ?? 50);
$seconds = (float) ($argv[3] ?? 60);
$load = new Load($base);
$people = [];
for ($n = 0; $n < $many; $n++) {
    $people[] = $load->person();
}
$load->run($people, $seconds, 2.0);
$load->tell("{$many} people");

$twenty = array_slice($people, 0, 20);
$greedy = $load->person();
$ratios = [];
for ($round = 0; $round < 3; $round++) {
    $quiet = new Load($base);
    $quiet->run($twenty, $seconds / 6, 1.0, true);
    $loud = new Load($base);
    $loud->run($twenty, $seconds / 6, 1.0, true, $greedy);
    $without = Load::share($quiet->times['reading'] ?? [], 0.95);
    $with = Load::share($loud->times['reading'] ?? [], 0.95);
    $ratios[] = $with / max(0.001, $without);
    printf("20 others' readings        p95 %.1f ms without, %.1f ms with one greedy guest: %.2f times\n", $without, $with, $with / max(0.001, $without));
}
sort($ratios);
printf("middle of three            %.2f times\n", $ratios[1]);
