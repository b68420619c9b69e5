<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\InputBag;
use ZincThimble\Core\File\Json;

/**
 * A request whose JSON is taken apart only when that is bounded. The framework does it while the request is made, before
 * any middleware could refuse; App\Http\Middleware\SoundRequest then answers 422.
 */
final class BoundedRequest extends Request
{
    /**
     * @param  string|null  $key
     * @param  mixed  $default
     * @return ($key is null ? InputBag<bool|float|int|string|null> : mixed)
     */
    public function json($key = null, $default = null)
    {
        if (! isset($this->json) && ! Json::isBounded($this->getContent())) {
            $this->json = new InputBag([]);
        }

        return parent::json($key, $default);
    }
}
