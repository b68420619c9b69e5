<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Accounts\GuestsFrom;
use App\Accounts\SessionGuard;
use App\Bench\RigViews;
use App\Http\Requests\AnswerFirst;
use App\Http\Resources\FirstKept;
use App\Http\Resources\FirstNext;
use App\Http\Resources\FirstView;
use App\Http\Resources\Person;
use App\Http\Resources\Trouble;
use App\Models\User;
use App\Start\FirstVisit;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Report\RigReport;
use ZincThimble\Core\Start\FirstRig;

/** Three questions, answered for whoever comes by. */
final class FirstVisitController
{
    public function __construct(private readonly FirstVisit $visit)
    {
    }

    #[OA\Get(path: '/first', operationId: 'answerFirst', parameters: [
        new OA\QueryParameter(name: 'answers', required: true, explode: true, style: 'form', schema: new OA\Schema(ref: AnswerFirst::class)),
    ], responses: [
        new OA\Response(response: 200, description: 'The rig as large as it goes, and what would help most', content: new OA\JsonContent(ref: FirstView::class)),
        new OA\Response(response: 422, description: 'What is wrong', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function show(AnswerFirst $request, RigViews $views): JsonResponse
    {
        $answers = $request->answers();
        $rig = $this->visit->rig($answers);
        $told = RigReport::of($rig);
        $lens = new \stdClass;
        foreach ($rig->chain as $part) {
            if ($part instanceof Lens) {
                $lens = (object) $part->document->fields;
                break;
            }
        }
        $most = FirstRig::wouldHelpMost($answers, get_object_vars($lens), $told, $this->visit->rig(...));

        return response()->json(new FirstView($views->shared($rig), FirstRig::sentence($told), $most === null ? null : new FirstNext(...$most), (object) $rig->camera->document->fields, $lens));
    }

    #[OA\Post(path: '/first', operationId: 'keepFirst', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: AnswerFirst::class)), responses: [
        new OA\Response(response: 201, description: 'Kept: by a guest for thirty days, or by whoever is signed in', content: new OA\JsonContent(ref: FirstKept::class)),
        new OA\Response(response: 422, description: 'What is wrong', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function store(AnswerFirst $request): JsonResponse
    {
        $answers = $request->answers();
        $user = $request->user();
        $isNew = ! $user instanceof User;
        if ($isNew) {
            $user = FirstVisit::guest((int) config('zinc.first_visit_days'), GuestsFrom::hold($request));
        }
        $rig = $this->visit->keep($user, $answers);
        if ($isNew) {
            SessionGuard::guard()->login($user);
            $request->session()->regenerate();
        }

        return response()->json(new FirstKept(Person::of($user), $rig->id), 201);
    }
}
