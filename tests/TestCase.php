<?php

declare(strict_types=1);

namespace Tests;

use App\Accounts\Demonstration;
use App\Models\Rig;
use App\Models\User;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\TestCase as BaseTestCase;

abstract class TestCase extends BaseTestCase
{
    use RefreshDatabase;

    protected function guest(): User
    {
        return $this->app->make(Demonstration::class)->openFor(24);
    }

    protected function rigOf(User $user, string $name): Rig
    {
        return $user->rigs()->where('name', $name)->firstOrFail();
    }
}
