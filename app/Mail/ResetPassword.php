<?php

declare(strict_types=1);

namespace App\Mail;

use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;

/** The way to a new password, as plain text. */
final class ResetPassword extends Mailable
{
    public function __construct(public readonly string $name, public readonly string $address)
    {
    }

    public function envelope(): Envelope
    {
        return new Envelope(subject: 'A new password for Zinc Thimble');
    }

    public function content(): Content
    {
        return new Content(text: 'mail.reset');
    }
}
