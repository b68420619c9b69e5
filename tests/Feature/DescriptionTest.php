<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\Middleware\SecurityHeaders;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Support\Facades\Route;
use Symfony\Component\Process\Process;
use Tests\TestCase;

/** The API's description, the types made from it, and the packages that are not there. */
final class DescriptionTest extends TestCase
{
    public function test_the_committed_description_is_what_the_code_says(): void
    {
        $fresh = (string) tempnam(sys_get_temp_dir(), 'api');
        $this->artisan('api:describe', ['file' => $fresh])->assertSuccessful();
        $this->assertFileEquals(resource_path('app/api/generated/openapi.json'), $fresh, 'Run npm run types and commit what it writes.');
    }

    public function test_the_committed_types_are_made_from_that_description(): void
    {
        $fresh = tempnam(sys_get_temp_dir(), 'types').'.d.ts';
        $process = new Process(['node_modules/.bin/openapi-typescript', 'resources/app/api/generated/openapi.json', '-o', $fresh], base_path());
        $process->mustRun();
        $this->assertFileEquals(resource_path('app/api/generated/schema.d.ts'), $fresh, 'Run npm run types and commit what it writes.');
    }

    public function test_every_route_of_the_api_is_described(): void
    {
        $described = json_decode((string) file_get_contents(resource_path('app/api/generated/openapi.json')), true, 64, JSON_THROW_ON_ERROR)['paths'];
        foreach (Route::getRoutes() as $route) {
            if (str_starts_with($route->uri(), 'api/')) {
                $path = '/'.substr($route->uri(), 4);
                $this->assertArrayHasKey($path, $described);
                $this->assertArrayHasKey(strtolower($route->methods()[0]), $described[$path]);
            }
        }
    }

    public function test_nothing_needs_the_packages_that_are_not_installed(): void
    {
        $kernel = $this->app->make(Kernel::class);
        $this->assertFalse($kernel->hasMiddleware(HandleCors::class));
        $this->assertTrue($kernel->hasMiddleware(SecurityHeaders::class));
        $found = new Process(['grep', '-rlE', 'Str::markdown|inlineMarkdown|MailMessage|markdown\(', 'app', 'routes', 'resources/views'], base_path());
        $found->run();
        $this->assertSame('', $found->getOutput());
    }
}
