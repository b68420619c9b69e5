<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\AnswerEvening;
use App\Http\Requests\AnswerQuestion;
use App\Http\Requests\OpenEvening;
use App\Http\Resources\EveningResults;
use App\Http\Resources\EveningSheet;
use App\Http\Resources\EveningView;
use App\Http\Resources\Trouble;
use App\Models\Kit;
use App\Models\PracticeEvening;
use App\Models\User;
use App\Practice\Evenings;
use App\Practice\EveningViews;
use Illuminate\Http\Exceptions\HttpResponseException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;

/** A club's evening: opened by one, answered by several under a link. */
final class EveningController
{
    public function __construct(private readonly Evenings $evenings)
    {
    }

    #[OA\Get(path: '/evenings', operationId: 'listEvenings', responses: [new OA\Response(response: 200, description: 'One’s own, the newest first', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: EveningView::class)))])]
    public function index(Request $request): JsonResponse
    {
        $evenings = PracticeEvening::query()->where('user_id', self::user($request)->id)->where('created_at', '>', now()->subDays(Evenings::DAYS))->withCount('sheets');
        $evenings->latest('id');

        return response()->json($evenings->get()->map(EveningViews::of(...)));
    }

    #[OA\Post(path: '/kits/{kit}/evenings', operationId: 'openEvening', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: OpenEvening::class)), responses: [
        new OA\Response(response: 201, description: 'Ten questions under a link', content: new OA\JsonContent(ref: EveningView::class)),
        new OA\Response(response: 422, description: 'Why not', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function store(OpenEvening $request, Kit $kit): JsonResponse
    {
        return response()->json(EveningViews::of($this->evenings->open(self::user($request), $kit, trim($request->string('title')->value()))), 201);
    }

    #[OA\Get(path: '/evenings/{evening}', operationId: 'showEvening', parameters: [new OA\PathParameter(name: 'evening', schema: new OA\Schema(type: 'integer'))], responses: [
        new OA\Response(response: 200, description: 'What they answered, for whoever opened it', content: new OA\JsonContent(ref: EveningResults::class)),
        new OA\Response(response: 404, description: 'No such evening of yours', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function show(Request $request, int $evening): JsonResponse
    {
        return response()->json(EveningViews::results(self::own($request, $evening), null));
    }

    #[OA\Delete(path: '/evenings/{evening}', operationId: 'dropEvening', parameters: [new OA\PathParameter(name: 'evening', schema: new OA\Schema(type: 'integer'))], responses: [
        new OA\Response(response: 204, description: 'Its link leads nowhere any more'),
        new OA\Response(response: 404, description: 'No such evening of yours', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function destroy(Request $request, int $evening): Response
    {
        self::own($request, $evening)->delete();

        return response()->noContent();
    }

    #[OA\Get(path: '/evening/{token}', operationId: 'joinEvening', parameters: [new OA\PathParameter(name: 'token', schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'key', schema: new OA\Schema(type: 'string', nullable: true))], responses: [
        new OA\Response(response: 200, description: 'Its questions; what is true of those that are answered with this key', content: new OA\JsonContent(ref: EveningSheet::class)),
        new OA\Response(response: 404, description: 'No such link', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function join(Request $request, string $token): JsonResponse
    {
        return response()->json(EveningViews::sheet($this->under($token), self::key($request)));
    }

    #[OA\Put(path: '/evening/{token}', operationId: 'answerEvening', parameters: [new OA\PathParameter(name: 'token', schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: AnswerEvening::class)), responses: [
        new OA\Response(response: 200, description: 'The sheet, with what is true of what is answered', content: new OA\JsonContent(ref: EveningSheet::class)),
        new OA\Response(response: 404, description: 'No such link', content: new OA\JsonContent(ref: Trouble::class)),
        new OA\Response(response: 422, description: 'What is wrong', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function answer(AnswerEvening $request, string $token): JsonResponse
    {
        $evening = $this->under($token);
        $place = $request->integer('place');
        $asked = $evening->questions[$place] ?? null;
        if ($asked === null || ! AnswerQuestion::suits($asked->document, $request->answer())) {
            throw ValidationException::withMessages(['guess' => 'That is none of the words, or no figure of this scale.']);
        }
        $this->evenings->answer($evening, $request->key(), $request->name(), $place, $request->answer());

        return response()->json(EveningViews::sheet($evening, $request->key()));
    }

    #[OA\Get(path: '/evening/{token}/results', operationId: 'eveningResults', parameters: [new OA\PathParameter(name: 'token', schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'key', schema: new OA\Schema(type: 'string'))], responses: [
        new OA\Response(response: 200, description: 'What all have answered, for whoever has answered all of it', content: new OA\JsonContent(ref: EveningResults::class)),
        new OA\Response(response: 404, description: 'No such link', content: new OA\JsonContent(ref: Trouble::class)),
        new OA\Response(response: 422, description: 'Not all of it is answered yet', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function results(Request $request, string $token): JsonResponse
    {
        $evening = $this->under($token);
        $key = self::key($request);
        if (! Evenings::isWhole(Evenings::sheet($evening, $key))) {
            throw ValidationException::withMessages(['key' => 'What the others answered is told once you have answered all of it.']);
        }

        return response()->json(EveningViews::results($evening, $key));
    }

    private static function key(Request $request): ?string
    {
        $request->validate(['key' => ['nullable', ...array_slice(AnswerEvening::KEY, 1)]]);
        $key = $request->query('key');

        return is_string($key) ? $key : null;
    }

    private static function user(Request $request): User
    {
        $user = $request->user();
        assert($user instanceof User);

        return $user;
    }

    private static function own(Request $request, int $evening): PracticeEvening
    {
        return PracticeEvening::query()->where('user_id', self::user($request)->id)->findOrFail($evening);
    }

    /** @throws HttpResponseException where the link leads nowhere */
    private function under(string $token): PracticeEvening
    {
        return $this->evenings->find($token) ?? throw new HttpResponseException(response()->json(['message' => 'This link leads nowhere. The evening is over, or was taken back.'], 404));
    }
}
