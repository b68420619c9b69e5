<?php

declare(strict_types=1);

namespace ZincThimble\Bench;

/** One person before a running application: asks one thing after the other, over one connection, with a session of their own. */
final class Visitor
{
    private readonly \CurlHandle $curl;

    private readonly string $jar;

    public function __construct(private readonly string $base)
    {
        $this->curl = curl_init() ?: throw new \RuntimeException('There is no curl.');
        $this->jar = (string) tempnam(sys_get_temp_dir(), 'jar');
    }

    public function __destruct()
    {
        unlink($this->jar);
    }

    /** With the demonstration open. */
    public static function withDemonstration(string $base): self
    {
        $visitor = new self($base);
        $visitor->ask('GET', '/sanctum/csrf-cookie');
        $visitor->ask('POST', '/api/guest');

        return $visitor;
    }

    public function ask(string $method, string $path): string
    {
        $token = preg_match('/XSRF-TOKEN\t(\S+)/', (string) file_get_contents($this->jar), $found) === 1 ? urldecode($found[1]) : '';
        curl_setopt_array($this->curl, [
            CURLOPT_URL => $this->base.$path, CURLOPT_CUSTOMREQUEST => $method, CURLOPT_RETURNTRANSFER => true, CURLOPT_COOKIEJAR => $this->jar, CURLOPT_COOKIEFILE => $this->jar,
            CURLOPT_HTTPHEADER => ['Accept: application/json', 'Origin: '.$this->base, 'Referer: '.$this->base.'/', 'X-XSRF-TOKEN: '.$token],
            CURLOPT_ENCODING => '',
        ]);
        $answer = curl_exec($this->curl);
        // Cookies are written to the jar only when the handle lets go of them.
        curl_setopt($this->curl, CURLOPT_COOKIELIST, 'FLUSH');

        $status = curl_getinfo($this->curl, CURLINFO_RESPONSE_CODE);
        // A refusal is quick: counted along, it would pass for speed.
        if (! is_string($answer) || $status >= 400) {
            throw new \RuntimeException("$method $path was answered with $status.");
        }

        return $answer;
    }
}
