<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Api\KitView;
use App\Api\PartView;
use App\Models\Kit;
use App\Models\Part;
use App\Models\User;
use App\Rigs\Tray;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** A person's kits. */
final class KitController
{
    #[OA\Get(path: '/kits', operationId: 'listKits', responses: [new OA\Response(response: 200, description: 'All kits of the person', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: KitView::class)))])]
    public function index(Request $request): JsonResponse
    {
        /** @var User $user */
        $user = $request->user();
        $kits = $user->kits()->with('parts')->oldest('id')->get();

        return response()->json($kits->map(fn (Kit $kit): KitView => $this->view($kit))->all());
    }

    #[OA\Get(path: '/kits/{kit}', operationId: 'showKit', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 200, description: 'The kit', content: new OA\JsonContent(ref: KitView::class))])]
    public function show(Kit $kit): JsonResponse
    {
        Gate::authorize('view', $kit);

        return response()->json($this->view($kit->load('parts')));
    }

    private function view(Kit $kit): KitView
    {
        return new KitView($kit->id, $kit->name, $kit->currency, array_values($kit->parts->map(fn (Part $part): PartView => Tray::part($part))->all()));
    }
}
