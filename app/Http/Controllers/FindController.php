<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Accounts\SessionGuard;
use App\Bench\CreateRigFromSearch;
use App\Bench\KitAtHand;
use App\Bench\RigStore;
use App\Bench\RigViews;
use App\Http\Attachment;
use App\Http\Requests\AskWish;
use App\Http\Requests\SaveSearch;
use App\Http\Requests\SetUpFound;
use App\Http\Resources\CardView;
use App\Http\Resources\FoundRig;
use App\Http\Resources\FoundView;
use App\Http\Resources\NearView;
use App\Http\Resources\OverviewView;
use App\Http\Resources\RigView;
use App\Http\Resources\Trouble;
use App\Http\Resources\WishView;
use App\Models\Kit;
use App\Models\SavedSearch;
use App\Operations\KeptAnswer;
use App\Operations\Shown;
use App\Operations\Turns;
use App\Search\FindViews;
use App\Search\KitSearch;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\CloseUpLens;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\VariableSpacer;
use ZincThimble\Core\Plan\Cards;
use ZincThimble\Core\Search\Budget;
use ZincThimble\Core\Search\PurchaseSuggestion;
use ZincThimble\Core\Search\SearchKit;

/** Which rigs of a kit do what is wanted, wishes that are kept, and cards to print. */
final class FindController
{
    public function __construct(private readonly KitSearch $searches, private readonly FindViews $views)
    {
    }

    #[OA\Get(path: '/kits/{kit}/find', operationId: 'find', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer')), new OA\QueryParameter(ref: '#/components/parameters/fieldWidthMm'), new OA\QueryParameter(ref: '#/components/parameters/magnification'), new OA\QueryParameter(ref: '#/components/parameters/workingDistanceMm'), new OA\QueryParameter(ref: '#/components/parameters/subjectDistanceMm'), new OA\QueryParameter(ref: '#/components/parameters/leastRoomMm'), new OA\QueryParameter(ref: '#/components/parameters/mostStopsLost'), new OA\QueryParameter(ref: '#/components/parameters/focusFromMm'), new OA\QueryParameter(ref: '#/components/parameters/focusToMm'), new OA\QueryParameter(ref: '#/components/parameters/mostMassG'), new OA\QueryParameter(ref: '#/components/parameters/mostLengthMm'), new OA\QueryParameter(ref: '#/components/parameters/mostPrice'), new OA\QueryParameter(ref: '#/components/parameters/mostMissingPrice'), new OA\QueryParameter(ref: '#/components/parameters/leastCorner'), new OA\QueryParameter(ref: '#/components/parameters/depthMm'), new OA\QueryParameter(ref: '#/components/parameters/detailMm'), new OA\QueryParameter(ref: '#/components/parameters/subjectDepthMm'), new OA\QueryParameter(ref: '#/components/parameters/infinity'), new OA\QueryParameter(ref: '#/components/parameters/flat'), new OA\QueryParameter(ref: '#/components/parameters/underWater'), new OA\QueryParameter(ref: '#/components/parameters/cameras'), new OA\QueryParameter(ref: '#/components/parameters/with'), new OA\QueryParameter(ref: '#/components/parameters/without'), new OA\QueryParameter(ref: '#/components/parameters/automatic'), new OA\QueryParameter(ref: '#/components/parameters/support'), new OA\QueryParameter(ref: '#/components/parameters/ranking'), new OA\QueryParameter(ref: '#/components/parameters/page')], responses: [new OA\Response(response: 200, description: 'What does it, the best first, fifty a page', content: new OA\JsonContent(ref: FoundView::class)), new OA\Response(response: 422, description: 'A blank that can’t be so', content: new OA\JsonContent(ref: Trouble::class))])]
    public function find(AskWish $request, Kit $kit): JsonResponse
    {
        return $this->asked($request, $kit, true);
    }

    #[OA\Get(path: '/kits/{kit}/find/first', operationId: 'findFirst', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer')), new OA\QueryParameter(ref: '#/components/parameters/fieldWidthMm'), new OA\QueryParameter(ref: '#/components/parameters/magnification'), new OA\QueryParameter(ref: '#/components/parameters/workingDistanceMm'), new OA\QueryParameter(ref: '#/components/parameters/subjectDistanceMm'), new OA\QueryParameter(ref: '#/components/parameters/leastRoomMm'), new OA\QueryParameter(ref: '#/components/parameters/mostStopsLost'), new OA\QueryParameter(ref: '#/components/parameters/focusFromMm'), new OA\QueryParameter(ref: '#/components/parameters/focusToMm'), new OA\QueryParameter(ref: '#/components/parameters/mostMassG'), new OA\QueryParameter(ref: '#/components/parameters/mostLengthMm'), new OA\QueryParameter(ref: '#/components/parameters/mostPrice'), new OA\QueryParameter(ref: '#/components/parameters/mostMissingPrice'), new OA\QueryParameter(ref: '#/components/parameters/leastCorner'), new OA\QueryParameter(ref: '#/components/parameters/depthMm'), new OA\QueryParameter(ref: '#/components/parameters/detailMm'), new OA\QueryParameter(ref: '#/components/parameters/subjectDepthMm'), new OA\QueryParameter(ref: '#/components/parameters/infinity'), new OA\QueryParameter(ref: '#/components/parameters/flat'), new OA\QueryParameter(ref: '#/components/parameters/underWater'), new OA\QueryParameter(ref: '#/components/parameters/cameras'), new OA\QueryParameter(ref: '#/components/parameters/with'), new OA\QueryParameter(ref: '#/components/parameters/without'), new OA\QueryParameter(ref: '#/components/parameters/automatic'), new OA\QueryParameter(ref: '#/components/parameters/support'), new OA\QueryParameter(ref: '#/components/parameters/ranking'), new OA\QueryParameter(ref: '#/components/parameters/page')], responses: [new OA\Response(response: 200, description: 'A first answer: only rigs with one lens, or a close-up lens on it', content: new OA\JsonContent(ref: FoundView::class)), new OA\Response(response: 422, description: 'A blank that can’t be so', content: new OA\JsonContent(ref: Trouble::class))])]
    public function first(AskWish $request, Kit $kit): JsonResponse
    {
        return $this->asked($request, $kit, false);
    }

    private function asked(AskWish $request, Kit $kit, bool $whole): JsonResponse
    {
        $wanted = $request->wanted();
        $choice = $request->choice();

        return Turns::take(SessionGuard::person($request), $whole ? 'find' : 'find first', function (\Closure $waited) use ($request, $kit, $wanted, $choice, $whole): JsonResponse {
            $from = hrtime(true);
            $search = $this->searches->of($kit, Budget::of(self::seconds($whole ? 'whole' : 'first'), $waited), $wanted, $choice);
            $found = $whole ? $search->ask($wanted) : $search->first($wanted);

            return response()->json($this->views->found($kit, $found, $wanted->ranking, $whole ? $request->integer('page', 1) : 1, $whole, (hrtime(true) - $from) / 1e9));
        });
    }

    #[OA\Get(path: '/kits/{kit}/find/near', operationId: 'findNear', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer')), new OA\QueryParameter(ref: '#/components/parameters/fieldWidthMm'), new OA\QueryParameter(ref: '#/components/parameters/magnification'), new OA\QueryParameter(ref: '#/components/parameters/workingDistanceMm'), new OA\QueryParameter(ref: '#/components/parameters/subjectDistanceMm'), new OA\QueryParameter(ref: '#/components/parameters/leastRoomMm'), new OA\QueryParameter(ref: '#/components/parameters/mostStopsLost'), new OA\QueryParameter(ref: '#/components/parameters/focusFromMm'), new OA\QueryParameter(ref: '#/components/parameters/focusToMm'), new OA\QueryParameter(ref: '#/components/parameters/mostMassG'), new OA\QueryParameter(ref: '#/components/parameters/mostLengthMm'), new OA\QueryParameter(ref: '#/components/parameters/mostPrice'), new OA\QueryParameter(ref: '#/components/parameters/mostMissingPrice'), new OA\QueryParameter(ref: '#/components/parameters/leastCorner'), new OA\QueryParameter(ref: '#/components/parameters/depthMm'), new OA\QueryParameter(ref: '#/components/parameters/detailMm'), new OA\QueryParameter(ref: '#/components/parameters/subjectDepthMm'), new OA\QueryParameter(ref: '#/components/parameters/infinity'), new OA\QueryParameter(ref: '#/components/parameters/flat'), new OA\QueryParameter(ref: '#/components/parameters/underWater'), new OA\QueryParameter(ref: '#/components/parameters/cameras'), new OA\QueryParameter(ref: '#/components/parameters/with'), new OA\QueryParameter(ref: '#/components/parameters/without'), new OA\QueryParameter(ref: '#/components/parameters/automatic'), new OA\QueryParameter(ref: '#/components/parameters/support'), new OA\QueryParameter(ref: '#/components/parameters/ranking'), new OA\QueryParameter(ref: '#/components/parameters/page')], responses: [new OA\Response(response: 200, description: 'How near the kit comes, and which one part would do it', content: new OA\JsonContent(ref: NearView::class)), new OA\Response(response: 422, description: 'A blank that can’t be so', content: new OA\JsonContent(ref: Trouble::class))])]
    public function near(AskWish $request, Kit $kit): JsonResponse
    {
        $wanted = $request->wanted();
        $choice = $request->choice();

        return Turns::take(SessionGuard::person($request), 'near', function (\Closure $waited) use ($kit, $wanted, $choice): JsonResponse {
            $search = $this->searches->of($kit, Budget::of(self::seconds('nearest'), $waited), choice: $choice);
            $nearest = $search->nearest($wanted);
            $budget = Budget::of(self::seconds('missing'), $waited);
            $of = SearchKit::of($this->searches->chosen($kit, $choice));
            $missing = PurchaseSuggestion::of($of, KitSearch::conditions(), $wanted, $budget, $this->searches->required($of, $choice));
            $leftOut = [...$search->leftOut(), ...($budget->isSpent() ? ['parts to buy that there was no time to try'] : [])];

            return response()->json($this->views->near($kit, $wanted, $nearest, $missing, $leftOut));
        });
    }

    #[OA\Get(path: '/kits/{kit}/find/missed', operationId: 'findMissed', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer')), new OA\QueryParameter(ref: '#/components/parameters/fieldWidthMm'), new OA\QueryParameter(ref: '#/components/parameters/magnification'), new OA\QueryParameter(ref: '#/components/parameters/workingDistanceMm'), new OA\QueryParameter(ref: '#/components/parameters/subjectDistanceMm'), new OA\QueryParameter(ref: '#/components/parameters/leastRoomMm'), new OA\QueryParameter(ref: '#/components/parameters/mostStopsLost'), new OA\QueryParameter(ref: '#/components/parameters/focusFromMm'), new OA\QueryParameter(ref: '#/components/parameters/focusToMm'), new OA\QueryParameter(ref: '#/components/parameters/mostMassG'), new OA\QueryParameter(ref: '#/components/parameters/mostLengthMm'), new OA\QueryParameter(ref: '#/components/parameters/mostPrice'), new OA\QueryParameter(ref: '#/components/parameters/mostMissingPrice'), new OA\QueryParameter(ref: '#/components/parameters/leastCorner'), new OA\QueryParameter(ref: '#/components/parameters/depthMm'), new OA\QueryParameter(ref: '#/components/parameters/detailMm'), new OA\QueryParameter(ref: '#/components/parameters/subjectDepthMm'), new OA\QueryParameter(ref: '#/components/parameters/infinity'), new OA\QueryParameter(ref: '#/components/parameters/flat'), new OA\QueryParameter(ref: '#/components/parameters/underWater'), new OA\QueryParameter(ref: '#/components/parameters/cameras'), new OA\QueryParameter(ref: '#/components/parameters/with'), new OA\QueryParameter(ref: '#/components/parameters/without'), new OA\QueryParameter(ref: '#/components/parameters/automatic'), new OA\QueryParameter(ref: '#/components/parameters/support'), new OA\QueryParameter(ref: '#/components/parameters/ranking'), new OA\QueryParameter(ref: '#/components/parameters/page')], responses: [new OA\Response(response: 200, description: 'What just misses it, and by how much', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: FoundRig::class))), new OA\Response(response: 422, description: 'A blank that can’t be so', content: new OA\JsonContent(ref: Trouble::class))])]
    public function missed(AskWish $request, Kit $kit): JsonResponse
    {
        $wanted = $request->wanted();
        $choice = $request->choice();

        return Turns::take(SessionGuard::person($request), 'near', fn (\Closure $waited): JsonResponse => response()->json(
            $this->views->missed($kit, $wanted, $this->searches->of($kit, Budget::of(self::seconds('nearest'), $waited), choice: $choice)->missed($wanted)),
        ));
    }

    #[OA\Get(path: '/kits/{kit}/overview', operationId: 'kitOverview', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 200, description: 'What the kit can do at all', content: new OA\JsonContent(ref: OverviewView::class))])]
    public function overview(Request $request, Kit $kit): Response
    {
        Gate::authorize('view', $kit);

        return KeptAnswer::of('overview '.$kit->id, $kit->state(), fn (): string => Turns::take(SessionGuard::person($request), 'overview', function (\Closure $waited) use ($kit): string {
            $search = $this->searches->of($kit, Budget::of(self::seconds('overview'), $waited));

            return json_encode($this->views->overview($search->overview(), $search->leftOut()), JSON_THROW_ON_ERROR);
        }));
    }

    #[OA\Post(path: '/kits/{kit}/rigs', operationId: 'setUpFound', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: SetUpFound::class)), responses: [new OA\Response(response: 201, description: 'A new rig, set as it was found', content: new OA\JsonContent(ref: RigView::class)), new OA\Response(response: 422, description: 'The kit has no such part, or it can’t be set so', content: new OA\JsonContent(ref: Trouble::class))])]
    public function setUp(SetUpFound $request, Kit $kit, CreateRigFromSearch $setUp, RigStore $store, RigViews $rigs): JsonResponse
    {
        $user = SessionGuard::person($request);

        return Shown::first(function () use ($setUp, $user, $kit, $request, $rigs, $store): RigView {
            $rig = $setUp->build($user, $kit, $request->camera(), $request->parts(), $request->support(), $request->subject(), $request->infinity());

            return $rigs->rig($rig, $store->read($rig));
        }, 201);
    }

    #[OA\Get(path: '/kits/{kit}/wishes', operationId: 'listWishes', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 200, description: 'Wishes that were kept, by name', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: WishView::class)))])]
    public function wishes(Kit $kit): JsonResponse
    {
        Gate::authorize('view', $kit);

        return response()->json($kit->wishes->map(self::wish(...))->all());
    }

    #[OA\Post(path: '/kits/{kit}/wishes', operationId: 'keepWish', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: SaveSearch::class)), responses: [new OA\Response(response: 201, description: 'Kept', content: new OA\JsonContent(ref: WishView::class)), new OA\Response(response: 422, description: 'The name is taken, or a blank can’t be so', content: new OA\JsonContent(ref: Trouble::class))])]
    public function keep(SaveSearch $request, Kit $kit): JsonResponse
    {
        $name = $request->name();
        $wish = $request->wish();
        if ($kit->wishes()->count() >= 200) {
            throw ValidationException::withMessages(['name' => 'Two hundred wishes are kept already. Drop one first.']);
        }
        try {
            $kept = DB::transaction(fn (): SavedSearch => $kit->wishes()->create(['name' => $name, 'wish' => (object) $wish]));
        } catch (UniqueConstraintViolationException) {
            throw ValidationException::withMessages(['name' => 'You already keep a wish of that name.']);
        }

        return response()->json(self::wish($kept), 201);
    }

    #[OA\Delete(path: '/kits/{kit}/wishes/{wish}', operationId: 'dropWish', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'wish', schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 204, description: 'Dropped')])]
    public function drop(Kit $kit, SavedSearch $wish): Response
    {
        Gate::authorize('update', $kit);
        $wish->delete();

        return response()->noContent();
    }

    #[OA\Get(path: '/kits/{kit}/cards/{card}', operationId: 'showCard', parameters: [
        new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'card', schema: new OA\Schema(type: 'string', enum: ['close-ups', 'ladder', 'draws', 'lenses'])),
        new OA\QueryParameter(name: 'camera', required: true, schema: new OA\Schema(type: 'integer')), new OA\QueryParameter(name: 'lens', required: true, schema: new OA\Schema(type: 'integer')),
        new OA\QueryParameter(name: 'closeUp', schema: new OA\Schema(type: 'integer')), new OA\QueryParameter(name: 'spacer', schema: new OA\Schema(type: 'integer')),
        new OA\QueryParameter(name: 'reversed', schema: new OA\Schema(type: 'integer', enum: [0, 1])), new OA\QueryParameter(name: 'every', description: 'With each close-up lens', schema: new OA\Schema(type: 'integer', enum: [0, 1])),
        new OA\QueryParameter(name: 'pairs', description: 'With every two close-up lenses', schema: new OA\Schema(type: 'integer', enum: [0, 1])), new OA\QueryParameter(name: 'zooms', description: 'Settings of a zoom, mm, commas between', schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'part', description: 'What every lens is put together with', schema: new OA\Schema(type: 'integer')), new OA\QueryParameter(name: 'as', schema: new OA\Schema(type: 'string', enum: ['json', 'csv'])),
    ], responses: [new OA\Response(response: 200, description: 'The card as a table; asked for as CSV, the same as text/csv', content: new OA\JsonContent(ref: CardView::class)), new OA\Response(response: 422, description: 'The kit can’t make it', content: new OA\JsonContent(ref: Trouble::class))])]
    public function card(Request $request, Kit $kit, string $card, KitAtHand $hand): JsonResponse|Response
    {
        Gate::authorize('view', $kit);
        $one = ['integer', 'min:1', 'max:9000000000000'];
        $request->validate(['camera' => ['required', ...$one], 'lens' => ['required', ...$one], 'closeUp' => ['nullable', ...$one], 'spacer' => [$card === 'draws' ? 'required' : 'nullable', ...$one], 'reversed' => ['nullable', 'boolean'], 'every' => ['nullable', 'boolean'], 'pairs' => ['nullable', 'boolean'], 'part' => [$card === 'lenses' ? 'required' : 'nullable', ...$one],
            'zooms' => ['nullable', 'string', 'max:80', 'regex:/^[0-9]+([.][0-9]+)?(,[0-9]+([.][0-9]+)?){0,7}$/'], 'as' => ['nullable', 'string', Rule::in(['json', 'csv'])]]);
        $row = $kit->parts->firstWhere('id', $request->integer('camera'));
        if (! $row instanceof \App\Models\Part || $row->kind !== 'camera') {
            throw ValidationException::withMessages(['camera' => 'Your kit has no such camera.']);
        }
        $cards = new Cards(
            $this->searches->kit($kit), Camera::from(new \ZincThimble\Core\Gear\Values($hand->fields($row))),
            $this->part($kit, $hand, 'lens', $request->integer('lens'), Lens::class), KitSearch::conditions(),
        );
        $zooms = $request->filled('zooms') ? array_map(floatval(...), explode(',', $request->string('zooms')->toString())) : [];
        $made = match ($card) {
            'close-ups' => $cards->closeUps($zooms, $request->boolean('pairs')),
            'ladder' => $cards->ladder($request->filled('closeUp') ? $this->part($kit, $hand, 'closeUp', $request->integer('closeUp'), CloseUpLens::class) : null, $zooms, $request->boolean('reversed'), $request->boolean('every')),
            'lenses' => $cards->lensesWith($this->part($kit, $hand, 'part', $request->integer('part'), Part::class)),
            default => $cards->draws($this->part($kit, $hand, 'spacer', $request->integer('spacer'), VariableSpacer::class), $request->boolean('reversed')),
        };
        if ($request->input('as') === 'csv') {
            return Attachment::of($made->csv(), 'text/csv; charset=UTF-8', (Str::slug($made->title) ?: 'card').'.csv');
        }

        return response()->json($this->views->card($made));
    }

    /**
     * @template T of Part
     *
     * @param  class-string<T>  $class
     * @return T
     */
    private function part(Kit $kit, KitAtHand $hand, string $field, int $id, string $class): Part
    {
        $row = $kit->parts->firstWhere('id', $id);
        $part = $row instanceof \App\Models\Part && $row->kindOf()->inChain() ? $hand->part($row) : null;

        return $part instanceof $class ? $part : throw ValidationException::withMessages([$field => 'Your kit has no such part.']);
    }

    private static function wish(SavedSearch $wish): WishView
    {
        return new WishView($wish->id, $wish->name, $wish->wish);
    }

    /** How long that may take, s; what there was no time for is told as left out. */
    private static function seconds(string $what): float
    {
        return (float) config('zinc.find_seconds.'.$what);
    }
}
