<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Accounts\SessionGuard;
use App\Http\Requests\AddParts;
use App\Http\Requests\AskLens;
use App\Http\Requests\ChangePart;
use App\Http\Requests\MeasurePart;
use App\Http\Requests\ReadWords;
use App\Http\Resources\Conflict;
use App\Http\Resources\KitPart;
use App\Http\Resources\LensSureView;
use App\Http\Resources\MeasureView;
use App\Http\Resources\TakenAsView;
use App\Http\Resources\Trouble;
use App\Http\Resources\WordsLine;
use App\Kit\InWords;
use App\Kit\KitStore;
use App\Kit\KitViews;
use App\Kit\Measuring;
use App\Kit\PartDocument;
use App\Models\Kit;
use App\Models\Part;
use App\Operations\Shown;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;
use ZincThimble\Core\File\KitItem;
use ZincThimble\Core\File\Text;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Plan\TypicalUse;

/** Parts of a kit, one by one. */
final class PartController
{
    public function __construct(private readonly KitStore $store)
    {
    }

    #[OA\Post(path: '/kits/{kit}/parts', operationId: 'addParts', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: AddParts::class)), responses: [
        new OA\Response(response: 201, description: 'The new parts', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: KitPart::class))),
        new OA\Response(response: 422, description: 'What is wrong, field by field', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function store(AddParts $request, Kit $kit): JsonResponse
    {
        $items = $request->items();

        return Shown::first(fn (): array => array_map(KitViews::part(...), $this->store->add($kit, $items)), 201);
    }

    #[OA\Put(path: '/kits/{kit}/parts/{part}', operationId: 'changePart', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'part', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: ChangePart::class)), responses: [
        new OA\Response(response: 200, description: 'The part as it is now', content: new OA\JsonContent(ref: KitPart::class)),
        new OA\Response(response: 409, description: 'Somebody changed it meanwhile', content: new OA\JsonContent(ref: Conflict::class)),
        new OA\Response(response: 422, description: 'What is wrong, field by field', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function update(ChangePart $request, Kit $kit, Part $part): JsonResponse
    {
        return Shown::first(fn (): KitPart => KitViews::part($this->store->update($part, $request->version(), $request->item())));
    }

    #[OA\Post(path: '/kits/{kit}/parts/{part}/copies', operationId: 'duplicatePart', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'part', schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 201, description: 'Another part like it', content: new OA\JsonContent(ref: KitPart::class))])]
    public function duplicate(Kit $kit, Part $part): JsonResponse
    {
        Gate::authorize('update', $kit);
        $fields = get_object_vars($part->document);
        unset($fields['id']);
        $name = $part->name ?? ucfirst($part->kindOf()->spoken());

        return Shown::first(fn (): KitPart => KitViews::part(
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

        return Shown::first(fn (): KitPart => KitViews::part($this->store->restore($part)));
    }

    #[OA\Post(path: '/kits/{kit}/words', operationId: 'readWords', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: ReadWords::class)), responses: [
        new OA\Response(response: 200, description: 'Every part of the list as it was understood; nothing is kept', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: WordsLine::class))),
        new OA\Response(response: 422, description: 'What is wrong', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function words(ReadWords $request, Kit $kit, InWords $words): JsonResponse
    {
        return response()->json($words->read($kit, SessionGuard::person($request), $request->text()));
    }

    #[OA\Post(path: '/kits/{kit}/lens', operationId: 'lensSure', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: AskLens::class)), responses: [
        new OA\Response(response: 200, description: 'How sure a lens is of which so much is known', content: new OA\JsonContent(ref: LensSureView::class)),
        new OA\Response(response: 422, description: 'What is wrong or still needed', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function lens(AskLens $request, Kit $kit): JsonResponse
    {
        $lens = PartDocument::core($request->item());
        assert($lens instanceof Lens);
        $use = TypicalUse::of($lens, $lens->isZoom() ? $lens->figures->focalLengthMm : null);

        return response()->json(new LensSureView(
            $use->spacersMm, $use->magnification, $use->magnificationHalfWidth, $use->workingDistanceMm, $use->workingDistanceHalfWidth, TakenAsView::of(0, $lens->label(), $use->lens),
        ));
    }

    #[OA\Post(path: '/kits/{kit}/parts/{part}/measure', operationId: 'measurePart', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'part', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: MeasurePart::class)), responses: [
        new OA\Response(response: 200, description: 'Old and new figures with their half-widths', content: new OA\JsonContent(ref: MeasureView::class)),
        new OA\Response(response: 409, description: 'Somebody changed it meanwhile', content: new OA\JsonContent(ref: Conflict::class)),
        new OA\Response(response: 422, description: 'What is wrong', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function measure(MeasurePart $request, Kit $kit, Part $part, Measuring $measuring): JsonResponse
    {
        return response()->json($measuring->measure($kit, $part, $request));
    }
}
