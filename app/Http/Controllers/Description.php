<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use OpenApi\Attributes as OA;

#[OA\OpenApi(openapi: OA\OpenApi::VERSION_3_1_0)]
#[OA\Info(version: '1', title: 'Zinc Thimble', description: 'What the screens ask of the server. Lengths in mm, powers in dioptres, masses in g.')]
#[OA\Server(url: '/api')]
final class Description
{
}
