<?php

declare(strict_types=1);

namespace Tests;

use App\Accounts\Demonstration;
use App\Models\Rig;
use App\Models\User;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\TestCase as BaseTestCase;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;

abstract class TestCase extends BaseTestCase
{
    use RefreshDatabase;

    protected function guest(): User
    {
        return $this->app->make(Demonstration::class)->openFor(24);
    }

    /** As from another browser: no session, nobody signed in. */
    protected function fresh(): static
    {
        $this->app['session']->forgetDrivers();
        $this->app->forgetInstance('session.store');
        $this->app['auth']->forgetGuards();
        $this->unencryptedCookies = $this->defaultCookies = [];

        return $this;
    }

    /**
     * What a browser keeps of an answer: its session, and the token that goes with it.
     *
     * @param  TestResponse<Response>  $answer
     * @return array<string, string>
     */
    protected function cookiesOf(TestResponse $answer): array
    {
        $cookies = [];
        foreach (['zinc_thimble', 'XSRF-TOKEN'] as $name) {
            $cookies[$name] = (string) $answer->getCookie($name, false)?->getValue();
            $this->assertNotSame('', $cookies[$name]);
        }

        return $cookies;
    }

    /** @param  array<string, string>  $cookies  of the browser that asks */
    protected function asBrowser(array $cookies): static
    {
        return $this->fresh()->withCredentials()->withUnencryptedCookies($cookies);
    }

    /** What is found is looked at, not how fast: a machine that is busy with other tests finds it too. */
    protected function giveSearchesTime(): void
    {
        config(['zinc.find_seconds' => array_fill_keys(array_keys((array) config('zinc.find_seconds')), 60.0)]);
    }

    protected function rigOf(User $user, string $name): Rig
    {
        return $user->rigs()->where('name', $name)->firstOrFail();
    }
}
