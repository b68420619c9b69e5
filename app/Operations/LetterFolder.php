<?php

declare(strict_types=1);

namespace App\Operations;

use Symfony\Component\Mailer\SentMessage;
use Symfony\Component\Mailer\Transport\AbstractTransport;

/**
 * Puts letters as .eml files into a folder of the instance, for whoever runs it to read or to hand on: the way out as long as no mailer
 * is set up. A file is there whole or not at all, and only its owner may read it.
 */
final class LetterFolder extends AbstractTransport
{
    public function __construct(private readonly string $path)
    {
        parent::__construct();
    }

    protected function doSend(SentMessage $message): void
    {
        if (! is_dir($this->path) && ! @mkdir($this->path, 0700, true) && ! is_dir($this->path)) {
            throw new \RuntimeException('There is no folder for letters, and none can be made: '.$this->path);
        }
        $name = $this->path.'/'.date('Y-m-d\TH-i-s').'-'.bin2hex(random_bytes(6)).'.eml';
        if (file_put_contents($name.'.part', $message->toString()) === false) {
            throw new \RuntimeException('The letter could not be written: '.$name);
        }
        chmod($name.'.part', 0600);
        rename($name.'.part', $name);
    }

    public function __toString(): string
    {
        return 'letters://'.$this->path;
    }
}
