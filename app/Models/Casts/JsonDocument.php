<?php

declare(strict_types=1);

namespace App\Models\Casts;

use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;

/**
 * A JSON document kept as it was written: objects stay objects (an empty one too), keys keep their order.
 *
 * @implements CastsAttributes<mixed, mixed>
 */
final class JsonDocument implements CastsAttributes
{
    /** What is read is always what was written, not the value that was handed in. */
    public bool $withoutObjectCaching = true;

    public function get(Model $model, string $key, mixed $value, array $attributes): mixed
    {
        return is_string($value) ? json_decode($value, false, 64, JSON_THROW_ON_ERROR) : null;
    }

    public function set(Model $model, string $key, mixed $value, array $attributes): ?string
    {
        return $value === null ? null : json_encode($value, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR);
    }
}
