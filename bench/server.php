<?php

declare(strict_types=1);

/*
 * What one request costs the processor: the time that the workers of bin/start's application spend, over so many requests
 * one after the other, as the screens ask them. Called by bin/bench server; prints milliseconds a request, fails nothing.
 */

[$base, $master] = [$argv[1] ?? 'http://127.0.0.1:8200', (int) ($argv[2] ?? 0)];
$json = in_array('--json', $argv, true);
$count = (int) (array_values(array_filter(array_slice($argv, 3), is_numeric(...)))[0] ?? 300);
$jar = (string) tempnam(sys_get_temp_dir(), 'jar');
$curl = curl_init();
$ask = static function (string $method, string $path) use ($curl, $base, $jar): string {
    curl_setopt_array($curl, [
        CURLOPT_URL => $base.$path, CURLOPT_CUSTOMREQUEST => $method, CURLOPT_RETURNTRANSFER => true, CURLOPT_COOKIEJAR => $jar, CURLOPT_COOKIEFILE => $jar,
        CURLOPT_HTTPHEADER => ['Accept: application/json', 'Origin: '.$base, 'Referer: '.$base.'/'], CURLOPT_ENCODING => '',
    ]);
    $answer = curl_exec($curl);
    curl_setopt($curl, CURLOPT_COOKIELIST, 'FLUSH');

    return is_string($answer) ? $answer : '';
};
/** Milliseconds of processor that all workers have used so far. */
$used = static function () use ($master): float {
    $ticks = 0;
    foreach (explode(' ', trim((string) file_get_contents("/proc/$master/task/$master/children"))) as $worker) {
        $stat = (string) @file_get_contents("/proc/$worker/stat");
        $fields = explode(' ', substr($stat, (int) strrpos($stat, ')') + 2));
        $ticks += (int) ($fields[11] ?? 0) + (int) ($fields[12] ?? 0);
    }

    return $ticks * 1000 / (int) trim((string) shell_exec('getconf CLK_TCK'));
};

$ask('GET', '/sanctum/csrf-cookie');
preg_match('/XSRF-TOKEN\t(\S+)/', (string) file_get_contents($jar), $token);
curl_setopt($curl, CURLOPT_HTTPHEADER, []);
$context = ['Accept: application/json', 'Origin: '.$base, 'Referer: '.$base.'/', 'X-XSRF-TOKEN: '.urldecode($token[1] ?? '')];
curl_setopt_array($curl, [CURLOPT_URL => $base.'/api/guest', CURLOPT_CUSTOMREQUEST => 'POST', CURLOPT_HTTPHEADER => $context, CURLOPT_RETURNTRANSFER => true, CURLOPT_COOKIEJAR => $jar, CURLOPT_COOKIEFILE => $jar]);
curl_exec($curl);
curl_setopt($curl, CURLOPT_COOKIELIST, 'FLUSH');
$rigs = json_decode($ask('GET', '/api/rigs'), true, 64, JSON_THROW_ON_ERROR);
$rig = array_column($rigs, 'id', 'name')['Sedge seed, coat pattern'];
$figures = [];
foreach (['meMs' => '/api/me', 'rigMs' => "/api/rigs/$rig", 'trayMs' => "/api/rigs/$rig/tray?index=1", 'sweepMs' => "/api/rigs/$rig/sweep?travel=1.length", 'pageMs' => "/bench/$rig"] as $name => $path) {
    // The JIT compiles what runs often: the first ones are its work.
    for ($n = 0; $n < $count; $n++) {
        $ask('GET', $path);
    }
    $before = $used();
    for ($n = 0; $n < $count; $n++) {
        $ask('GET', $path);
    }
    $figures[$name] = round(($used() - $before) / $count, 2);
}
unlink($jar);
if ($json) {
    echo json_encode($figures, JSON_THROW_ON_ERROR), "\n";
} else {
    foreach ($figures as $name => $value) {
        printf("%-12s %8.2f\n", $name, $value);
    }
}
