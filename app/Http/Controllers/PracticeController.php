<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\AnswerQuestion;
use App\Http\Resources\AnsweredView;
use App\Http\Resources\PracticeView;
use App\Http\Resources\Trouble;
use App\Models\Kit;
use App\Models\PracticeQuestion;
use App\Models\User;
use App\Practice\PracticeStore;
use App\Practice\PracticeViews;
use Illuminate\Http\Exceptions\HttpResponseException;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** Practice: a day's questions of a kit, and answers to them. */
final class PracticeController
{
    public function __construct(private readonly PracticeStore $store, private readonly PracticeViews $views)
    {
    }

    #[OA\Post(path: '/kits/{kit}/practice', operationId: 'handOutPractice', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 200, description: 'Today’s questions; the same until they are answered', content: new OA\JsonContent(ref: PracticeView::class))])]
    public function handOut(Kit $kit): JsonResponse
    {
        Gate::authorize('update', $kit);

        return response()->json($this->views->day($kit, $this->store->handOut($kit)));
    }

    #[OA\Post(path: '/practice/{question}/answer', operationId: 'answerQuestion', parameters: [new OA\PathParameter(name: 'question', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: AnswerQuestion::class)), responses: [
        new OA\Response(response: 200, description: 'How good the first answer of that round was', content: new OA\JsonContent(ref: AnsweredView::class)),
        new OA\Response(response: 410, description: 'This round is over without an answer', content: new OA\JsonContent(ref: Trouble::class)),
        new OA\Response(response: 422, description: 'What is wrong', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function answer(AnswerQuestion $request, PracticeQuestion $question): JsonResponse
    {
        $user = $request->user();
        assert($user instanceof User);
        $answer = $this->store->answer($user, $question, $request->integer('round'), $request->answer(), $request->at());
        if ($answer === null) {
            throw new HttpResponseException(response()->json(['message' => 'This question isn’t asked any more.'], 410));
        }

        return response()->json($this->views->answered($answer, $question));
    }
}
