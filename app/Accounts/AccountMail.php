<?php

declare(strict_types=1);

namespace App\Accounts;

use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;

/** A letter as plain text, with the address it is about. */
final class AccountMail extends Mailable
{
    public function __construct(public readonly string $name, private readonly string $about, private readonly string $text, public readonly string $address)
    {
    }

    public function envelope(): Envelope
    {
        return new Envelope(subject: $this->about);
    }

    public function content(): Content
    {
        return new Content(text: $this->text);
    }
}
