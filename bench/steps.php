<?php

declare(strict_types=1);

/*
 * Takes steps at one rig without end, each under a name of its own, and sends a step again until it is acknowledged: what a screen does.
 * php bench/steps.php ADDRESS FILE: FILE is where the names of acknowledged steps are written as they come; the rig's id on its first
 * line. Ends when FILE.stop is there. Called by bin/ground-test, which kills servers meanwhile.
 */

[, $base, $file] = $argv;
$jar = $file.'.jar';
$ask = static function (string $method, string $path, ?array $body = null) use ($base, $jar): array {
    $token = preg_match('/XSRF-TOKEN\t(\S+)/', is_file($jar) ? (string) file_get_contents($jar) : '', $found) === 1 ? urldecode($found[1]) : '';
    $curl = curl_init($base.$path);
    curl_setopt_array($curl, [
        CURLOPT_CUSTOMREQUEST => $method, CURLOPT_RETURNTRANSFER => true, CURLOPT_TIMEOUT => 10, CURLOPT_COOKIEJAR => $jar, CURLOPT_COOKIEFILE => $jar, CURLOPT_ENCODING => '',
        CURLOPT_HTTPHEADER => ['Accept: application/json', 'Content-Type: application/json', 'Referer: '.$base.'/', 'X-XSRF-TOKEN: '.$token],
    ] + ($body === null ? [] : [CURLOPT_POSTFIELDS => json_encode((object) $body, JSON_THROW_ON_ERROR)]));
    $text = curl_exec($curl);
    $status = curl_getinfo($curl, CURLINFO_RESPONSE_CODE);
    curl_close($curl);

    // A server that is killed while it answers has sent its status already: an answer whose body was cut off says nothing.
    $answer = is_string($text) ? json_decode($text, true) : null;

    return is_array($answer) || $status >= 400 ? [$status, $answer] : [0, null];
};
$ask('GET', '/api/me');
$ask('POST', '/api/guest', []);
[, $rigs] = $ask('GET', '/api/rigs');
$rig = $rigs[0]['id'];
[, $view] = $ask('GET', "/api/rigs/{$rig}");
$travel = array_values(array_filter($view['travels'], static fn (array $each): bool => count($each['positions']) > 3))[0];
file_put_contents($file, $rig."\n");
$revision = $view['revision'];
for ($n = 0; ! is_file($file.'.stop'); $n++) {
    $id = sprintf('%08x-0000-4000-8000-%012x', random_int(0, 0xFFFFFFFF), $n);
    do {
        [$status, $view] = $ask('POST', "/api/rigs/{$rig}/steps", ['revision' => $revision, 'id' => $id, 'step' => ['action' => 'set', 'travel' => $travel['name'], 'value' => $travel['positions'][$n % count($travel['positions'])]]]);
        if ($status !== 200) {
            if ($status >= 400 && $status < 500 && $status !== 429) {
                fwrite(STDERR, "step {$n}: {$status} ".json_encode($view)."\n");
                exit(1);
            }
            usleep(100_000);
        }
    } while ($status !== 200);
    $revision = $view['revision'];
    file_put_contents($file, $id."\n", FILE_APPEND);
}
[, $states] = $ask('GET', "/api/rigs/{$rig}/states");
[, $view] = $ask('GET', "/api/rigs/{$rig}");
printf("%d steps acknowledged, %d in the history, revision %d\n", $n, count($states) - 1, $view['revision']);
// Each step raises the revision by one: none lost, none taken twice. (The history itself keeps the last 300.)
exit($n === $view['revision'] - 1 && count($states) > 1 ? 0 : 1);
