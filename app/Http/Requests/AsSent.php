<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Http\Request;

/** What was sent, untouched by what the framework does to input. */
final class AsSent
{
    /** A text of the body, its ends included; where it is none, what the framework makes of it. */
    public static function text(Request $request, string $name): string
    {
        $text = self::body($request)->{$name} ?? null;

        return is_string($text) ? $text : $request->string($name)->toString();
    }

    /** The body: objects stay objects, an empty one too, and texts keep their ends. */
    public static function body(Request $request): \stdClass
    {
        $body = json_decode($request->getContent(), false, 64);

        return $body instanceof \stdClass ? $body : new \stdClass;
    }
}
