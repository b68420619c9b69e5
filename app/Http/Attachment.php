<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Response;

/** A file to be kept, as the answer to a request. */
final class Attachment
{
    /** @param  string  $name  of plain letters, digits, dots and dashes: it stands in a header as it is */
    public static function of(string $text, string $type, string $name): Response
    {
        return new Response($text, 200, ['Content-Type' => $type, 'Content-Disposition' => 'attachment; filename="'.$name.'"']);
    }
}
