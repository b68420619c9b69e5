<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\Conflict;
use App\Http\Resources\KitPart;
use App\Http\Resources\MeasureView;
use App\Http\Resources\Trouble;
use App\Kit\KitStore;
use App\Kit\Measuring;
use App\Kit\PartDocument;
use App\Models\Kit;
use App\Models\Part;
use App\Operations\Shown;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use ZincThimble\Core\File\KitItem;
use ZincThimble\Core\File\Text;

/** Parts of a kit, one by one. */
final class PartController
{
    public function __construct(private readonly KitStore $store)
    {
    }

    #[OA\Post(path: '/kits/{kit}/parts', operationId: 'addParts', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['parts'], properties: [new OA\Property(property: 'parts', type: 'array', items: new OA\Items(type: 'object', additionalProperties: true))])), responses: [
        new OA\Response(response: 201, description: 'The new parts', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: KitPart::class))),
        new OA\Response(response: 422, description: 'What is wrong, field by field', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function store(Request $request, Kit $kit): JsonResponse
    {
        Gate::authorize('update', $kit);
        $request->validate(['parts' => ['required', 'array', 'list', 'min:1', 'max:50']]);
        $items = [];
        foreach (self::body($request)->parts ?? [] as $i => $document) {
            $items[] = PartDocument::read($document, '/parts/'.$i);
        }
        if ($items === []) {
            throw ValidationException::withMessages(['parts' => 'Name at least one part.']);
        }

        return Shown::first(fn (): array => array_map(KitController::part(...), $this->store->add($kit, $items)), 201);
    }

    #[OA\Put(path: '/kits/{kit}/parts/{part}', operationId: 'changePart', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'part', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['version', 'part'], properties: [new OA\Property(property: 'version', type: 'integer'), new OA\Property(property: 'part', type: 'object', additionalProperties: true)])), responses: [
        new OA\Response(response: 200, description: 'The part as it is now', content: new OA\JsonContent(ref: KitPart::class)),
        new OA\Response(response: 409, description: 'Somebody changed it meanwhile', content: new OA\JsonContent(ref: Conflict::class)),
        new OA\Response(response: 422, description: 'What is wrong, field by field', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function update(Request $request, Kit $kit, Part $part): JsonResponse
    {
        Gate::authorize('update', $kit);
        $version = self::version($request);
        $request->validate(['part' => ['required', 'array']]);

        $item = PartDocument::read(self::body($request)->part ?? null, '/part');

        return Shown::first(fn (): KitPart => KitController::part($this->store->update($part, $version, $item)));
    }

    #[OA\Post(path: '/kits/{kit}/parts/{part}/copies', operationId: 'duplicatePart', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'part', schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 201, description: 'Another part like it', content: new OA\JsonContent(ref: KitPart::class))])]
    public function duplicate(Kit $kit, Part $part): JsonResponse
    {
        Gate::authorize('update', $kit);
        $fields = get_object_vars($part->document);
        unset($fields['id']);
        $name = $part->name ?? ucfirst($part->kindOf()->spoken());

        return Shown::first(fn (): KitPart => KitController::part(
            $this->store->add($kit, [new KitItem($part->kindOf(), ['name' => Text::cut($name, 190).' (copy)'] + $fields)], 'copy '.$name)[0],
        ), 201);
    }

    #[OA\Delete(path: '/kits/{kit}/parts/{part}', operationId: 'deletePart', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'part', schema: new OA\Schema(type: 'integer')), new OA\QueryParameter(name: 'anyway', schema: new OA\Schema(type: 'integer'))], responses: [
        new OA\Response(response: 204, description: 'Deleted; it can be put back'),
        new OA\Response(response: 409, description: 'Rigs use it; ask again with anyway=1', content: new OA\JsonContent(ref: Conflict::class)),
    ])]
    public function destroy(Request $request, Kit $kit, Part $part): Response
    {
        Gate::authorize('update', $kit);
        $this->store->remove($part, $request->query('anyway') === '1');

        return response()->noContent();
    }

    #[OA\Post(path: '/kits/{kit}/parts/{deleted}/back', operationId: 'putBackPart', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'deleted', schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 200, description: 'The part, back in the kit', content: new OA\JsonContent(ref: KitPart::class))])]
    public function restore(Kit $kit, int $deleted): JsonResponse
    {
        Gate::authorize('update', $kit);
        $part = $kit->deletedParts()->whereKey($deleted)->firstOrFail();

        return Shown::first(fn (): KitPart => KitController::part($this->store->restore($part)));
    }

    #[OA\Post(path: '/kits/{kit}/parts/{part}/measure', operationId: 'measurePart', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'part', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['by', 'keep', 'version'], properties: [
        new OA\Property(property: 'by', type: 'string', enum: ['ruler', 'pupils']),
        new OA\Property(property: 'keep', type: 'boolean'),
        new OA\Property(property: 'version', type: 'integer'),
        new OA\Property(property: 'camera', type: 'integer', nullable: true),
        new OA\Property(property: 'reversed', type: 'boolean', nullable: true),
        new OA\Property(property: 'zoomMm', type: 'number', nullable: true),
        new OA\Property(property: 'exitMm', type: 'number', nullable: true),
        new OA\Property(property: 'entranceMm', type: 'number', nullable: true),
        new OA\Property(property: 'shots', type: 'array', nullable: true, items: new OA\Items(type: 'object', required: ['spacersMm', 'rulerMm'], properties: [
            new OA\Property(property: 'spacersMm', type: 'number'),
            new OA\Property(property: 'pixels', type: 'number', nullable: true),
            new OA\Property(property: 'onSensorMm', type: 'number', nullable: true),
            new OA\Property(property: 'rulerMm', type: 'number'),
            new OA\Property(property: 'workingDistanceMm', type: 'number', nullable: true),
        ])),
    ])), responses: [
        new OA\Response(response: 200, description: 'Old and new figures with their half-widths', content: new OA\JsonContent(ref: MeasureView::class)),
        new OA\Response(response: 409, description: 'Somebody changed it meanwhile', content: new OA\JsonContent(ref: Conflict::class)),
        new OA\Response(response: 422, description: 'What is wrong', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function measure(Request $request, Kit $kit, Part $part, Measuring $measuring): JsonResponse
    {
        Gate::authorize('update', $kit);

        return response()->json($measuring->measure($kit, $part, self::version($request), $request));
    }

    private static function version(Request $request): int
    {
        $request->validate(['version' => ['required', 'integer:strict', 'min:1', 'max:2000000000']]);

        return $request->integer('version');
    }

    /** The body as it was sent: objects stay objects, an empty one too. */
    private static function body(Request $request): \stdClass
    {
        $body = json_decode($request->getContent(), false, 64);

        return $body instanceof \stdClass ? $body : new \stdClass;
    }
}
