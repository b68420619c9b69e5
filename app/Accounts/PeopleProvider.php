<?php

declare(strict_types=1);

namespace App\Accounts;

use Illuminate\Auth\EloquentUserProvider;

/** Of several accounts that claim one address, the one that has shown it is meant, else the one that claimed it first. */
final class PeopleProvider extends EloquentUserProvider
{
    protected function newModelQuery($model = null)
    {
        $query = parent::newModelQuery($model);
        $query->orderByRaw('email_confirmed_at is null, id');

        return $query;
    }
}
