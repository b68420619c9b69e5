<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Accounts\SessionGuard;
use App\Bench\RigStore;
use App\Bench\RigViews;
use App\Http\Attachment;
use App\Http\Requests\SetUpEntry;
use App\Http\Requests\TakeEntry;
use App\Http\Resources\BlankEntry;
use App\Http\Resources\EntryView;
use App\Http\Resources\MeasureView;
use App\Http\Resources\RigView;
use App\Http\Resources\SheetView;
use App\Http\Resources\SinceView;
use App\Http\Resources\TrialView;
use App\Http\Resources\Trouble;
use App\Kit\Measuring;
use App\Kit\Trials;
use App\Models\Entry;
use App\Models\Outing;
use App\Models\Rig;
use App\Operations\Shown;
use App\Outings\EntryRig;
use App\Outings\EntryStore;
use App\Outings\EntryViews;
use App\Outings\NoShot;
use App\Outings\OutingViews;
use App\Outings\ShotOfEntry;
use App\Outings\Sidecar;
use App\Outings\Sidecars;
use App\Outings\SmallPicture;
use App\Plan\SheetViews;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use ZincThimble\Core\File\EntryDocument;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Outing\Prediction;
use ZincThimble\Core\Plan\Sheet;
use ZincThimble\Core\Plan\Shots;

/** The log of an outing. */
final class EntryController
{
    public function __construct(private readonly EntryStore $store)
    {
    }

    #[OA\Get(path: '/outings/{outing}/entries', operationId: 'listEntries', parameters: [new OA\PathParameter(name: 'outing', schema: new OA\Schema(type: 'integer'))], responses: [
        new OA\Response(response: 200, description: 'In the order in which they were written down, those that were replaced too', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: EntryView::class))),
    ])]
    public function index(Outing $outing): JsonResponse
    {
        Gate::authorize('view', $outing);

        return response()->json(array_map(self::view(...), $this->store->of($outing)));
    }

    #[OA\Put(path: '/outings/{outing}/entries/{entry}', operationId: 'takeEntry', parameters: [
        new OA\PathParameter(name: 'outing', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'entry', schema: new OA\Schema(type: 'string', format: 'uuid')),
    ], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: TakeEntry::class)), responses: [
        new OA\Response(response: 200, description: 'What is kept under this id: sent twice, it is the first', content: new OA\JsonContent(ref: EntryView::class)),
        new OA\Response(response: 422, description: 'What is wrong where', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function take(TakeEntry $request, Outing $outing): JsonResponse
    {
        return response()->json(self::view($this->store->take($outing, $request->entry())));
    }

    #[OA\Get(path: '/outings/{outing}/entries/{entry}', operationId: 'showEntry', parameters: [
        new OA\PathParameter(name: 'outing', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'entry', schema: new OA\Schema(type: 'string', format: 'uuid')),
    ], responses: [new OA\Response(response: 200, description: 'The whole of it, small pictures too', content: new OA\JsonContent(ref: EntryView::class))])]
    public function show(Outing $outing, string $entry): JsonResponse
    {
        return response()->json(self::view($this->found($outing, $entry)));
    }

    #[OA\Get(path: '/outings/{outing}/entries/{entry}/since', operationId: 'sinceEntry', parameters: [
        new OA\PathParameter(name: 'outing', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'entry', schema: new OA\Schema(type: 'string', format: 'uuid')),
    ], responses: [new OA\Response(response: 200, description: 'Its rig, and what has changed in the kit since', content: new OA\JsonContent(ref: SinceView::class))])]
    public function since(Outing $outing, string $entry): JsonResponse
    {
        $row = $this->found($outing, $entry);
        $document = EntryDocument::read($row->document);

        return response()->json(EntryViews::since($row, $document, EntryRig::of($document, $outing->kit)));
    }

    #[OA\Get(path: '/outings/{outing}/entries/{entry}/sheet', operationId: 'entrySheet', parameters: [
        new OA\PathParameter(name: 'outing', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'entry', schema: new OA\Schema(type: 'string', format: 'uuid')),
    ], responses: [new OA\Response(response: 200, description: 'The sheet of its rig, of the parts as they are known today', content: new OA\JsonContent(ref: SheetView::class))])]
    public function sheet(Outing $outing, string $entry): JsonResponse
    {
        $stood = EntryRig::of(EntryDocument::read($this->found($outing, $entry)->document), $outing->kit);
        try {
            $rig = $stood->now();
        } catch (FileInvalid|InvalidFigure) {
            $rig = $stood->alone();
        }

        return response()->json(SheetViews::of(Sheet::of(Shots::planned($rig)), $rig));
    }

    #[OA\Post(path: '/outings/{outing}/entries/{entry}/rig', operationId: 'setUpEntry', parameters: [
        new OA\PathParameter(name: 'outing', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'entry', schema: new OA\Schema(type: 'string', format: 'uuid')),
    ], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: SetUpEntry::class)), responses: [
        new OA\Response(response: 201, description: 'A new rig on the Bench, set as it was', content: new OA\JsonContent(ref: RigView::class)),
        new OA\Response(response: 422, description: 'It can’t be set so any more', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function setUp(SetUpEntry $request, Outing $outing, string $entry, RigStore $rigs, RigViews $views): JsonResponse
    {
        $row = $this->found($outing, $entry);
        $stood = EntryRig::of(EntryDocument::read($row->document), $outing->kit);
        $user = SessionGuard::person($request);

        return Shown::first(function () use ($request, $stood, $rigs, $views, $user, $outing, $row): RigView {
            try {
                $core = $request->today() ? $stood->now() : $stood->alone();
            } catch (FileInvalid|InvalidFigure $fault) {
                throw ValidationException::withMessages(['today' => 'With the figures that the kit has today it can’t be set so: '.($fault instanceof FileInvalid ? $fault->faults[0] : $fault->getMessage())]);
            }
            $rig = $rigs->create($user, $request->today() ? $outing->kit : null, $core, $rigs->freeName($user, mb_substr(implode(', ', array_filter([$row->subject, $outing->name])), 0, 190)));

            return $views->rig($rig, $rigs->read($rig));
        }, 201);
    }

    #[OA\Post(path: '/outings/{outing}/entries/{entry}/shot', operationId: 'shotOfEntry', parameters: [
        new OA\PathParameter(name: 'outing', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'entry', schema: new OA\Schema(type: 'string', format: 'uuid')),
    ], responses: [
        new OA\Response(response: 200, description: 'What was measured is a shot of the lens now; old and new figures. Undo in the kit takes it back', content: new OA\JsonContent(ref: MeasureView::class)),
        new OA\Response(response: 422, description: 'No shot can be told from it', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function shot(Outing $outing, string $entry, Measuring $measuring): JsonResponse
    {
        $row = $this->found($outing, $entry);
        $document = EntryDocument::read($row->document);
        $shot = ShotOfEntry::of($document, EntryRig::of($document, $outing->kit), $outing->name);
        if ($shot instanceof NoShot) {
            throw ValidationException::withMessages(['entry' => $shot->value]);
        }
        if ($shot->isTaken()) {
            throw ValidationException::withMessages(['entry' => 'This lens has that shot already.']);
        }

        return Shown::first(static fn (): MeasureView => $measuring->add($shot->lens, $shot->zoomMm, $shot->fields));
    }

    #[OA\Post(path: '/outings/{outing}/entries/{entry}/trial', operationId: 'trialOfEntry', parameters: [
        new OA\PathParameter(name: 'outing', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'entry', schema: new OA\Schema(type: 'string', format: 'uuid')),
    ], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(type: 'object', required: ['keep'], properties: [new OA\Property(property: 'keep', type: 'boolean')])), responses: [
        new OA\Response(response: 200, description: 'The curve of its trial; kept with the lens when asked to', content: new OA\JsonContent(ref: TrialView::class)),
        new OA\Response(response: 422, description: 'It has none, or none can be told from it', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function trial(Request $request, Outing $outing, string $entry, Trials $trials): JsonResponse
    {
        $row = $this->found($outing, $entry);
        $request->validate(['keep' => ['required', 'boolean:strict']]);
        $document = EntryDocument::read($row->document);
        $stood = EntryRig::of($document, $outing->kit);
        $at = $stood->then->workingLens();
        $stops = array_map(static fn (Values $each): array => ['aperture' => $each->float('aperture'), 'mtf50' => $each->float('mtf50'), 'halfWidth' => $each->floatOrNull('halfWidth')], $document->fields->objects('trial'));
        $told = ['at' => mb_substr($row->at->toIso8601String(), 0, 40), 'note' => mb_substr(implode(' · ', array_filter([$row->subject, $outing->name])), 0, 300)];

        return Shown::first(static fn (): TrialView => $trials->of($stood->then, $at === null ? null : $stood->row($at), $stops, $told, $request->boolean('keep')));
    }

    #[OA\Get(path: '/outings/{outing}/entries/{entry}/pictures/{number}', operationId: 'entryPicture', parameters: [
        new OA\PathParameter(name: 'outing', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'entry', schema: new OA\Schema(type: 'string', format: 'uuid')), new OA\PathParameter(name: 'number', schema: new OA\Schema(type: 'integer')),
    ], responses: [new OA\Response(response: 200, description: 'The small picture', content: new OA\MediaType(mediaType: 'image/jpeg', schema: new OA\Schema(type: 'string', format: 'binary')))])]
    public function picture(Outing $outing, string $entry, int $number): Response
    {
        $small = SmallPicture::of(EntryDocument::read($this->found($outing, $entry)->document)->fields->objects('pictures')[$number] ?? abort(404)) ?? abort(404);

        // An entry is never changed, so neither is its picture; and it is nobody else's.
        return new Response($small->bytes, 200, ['Content-Type' => $small->type, 'Cache-Control' => 'private, max-age=31536000, immutable']);
    }

    #[OA\Get(path: '/outings/{outing}/entries/{entry}/pictures/{number}/xmp', operationId: 'entrySidecar', parameters: [
        new OA\PathParameter(name: 'outing', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'entry', schema: new OA\Schema(type: 'string', format: 'uuid')), new OA\PathParameter(name: 'number', schema: new OA\Schema(type: 'integer')),
    ], responses: [new OA\Response(response: 200, description: 'To lie beside the picture (ISO 16684-1)', content: new OA\MediaType(mediaType: 'application/rdf+xml', schema: new OA\Schema(type: 'string')))])]
    public function sidecar(Outing $outing, string $entry, int $number): Response
    {
        $document = EntryDocument::read($this->found($outing, $entry)->document);
        $picture = $document->fields->objects('pictures')[$number] ?? abort(404);

        return Attachment::of(Sidecar::of($document, $picture, $outing->name), 'application/rdf+xml; charset=UTF-8', Sidecars::name($picture, []));
    }

    #[OA\Get(path: '/rigs/{rig}/entry', operationId: 'blankEntry', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], responses: [
        new OA\Response(response: 200, description: 'The rig as it stands, its scales and what is said of it, to be written down', content: new OA\JsonContent(ref: BlankEntry::class)),
    ])]
    public function blank(Rig $rig, RigStore $rigs): JsonResponse
    {
        Gate::authorize('view', $rig);
        $core = $rigs->read($rig);

        return response()->json(new BlankEntry((object) [
            'subject' => $core->subject->name ?? $rig->name ?? '', 'rig' => RigFile::document($core), 'scales' => OutingViews::scales($core), 'predicted' => (object) Prediction::of($core)->fields,
        ]));
    }

    private function found(Outing $outing, string $entry): Entry
    {
        Gate::authorize('view', $outing);

        return $this->store->find($outing, $entry) ?? abort(404);
    }

    private static function view(Entry $entry): EntryView
    {
        $at = $entry->document->at ?? null;

        return new EntryView($entry->id, is_string($at) ? $at : $entry->at->format(DATE_ATOM), $entry->document);
    }
}
