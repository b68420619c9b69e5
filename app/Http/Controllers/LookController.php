<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Attachment;
use App\Http\Requests\LookLive;
use App\Http\Requests\SetLook;
use App\Http\Requests\SetRun;
use App\Http\Requests\SetTask;
use App\Http\Requests\TakeOneFrame;
use App\Http\Resources\FrameView;
use App\Http\Resources\JudgedView;
use App\Http\Resources\LookView;
use App\Http\Resources\RunView;
use App\Http\Resources\Trouble;
use App\Look\LookStore;
use App\Look\LookViews;
use App\Look\StackRuns;
use App\Models\Frame;
use App\Models\Rig;
use App\Models\StackRun;
use App\Practice\CameraTasks;
use App\Practice\PracticeViews;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;

/** Look through: a rig before its made-up camera on its made-up rail. */
final class LookController
{
    public function __construct(private readonly LookStore $store, private readonly LookViews $views, private readonly StackRuns $runs, private readonly CameraTasks $tasks)
    {
    }

    #[OA\Get(path: '/rigs/{rig}/look', operationId: 'showLook', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], responses: [
        new OA\Response(response: 200, description: 'What stands before it', content: new OA\JsonContent(ref: LookView::class)),
        new OA\Response(response: 422, description: 'Nothing is to be seen through this rig', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function show(Rig $rig): JsonResponse
    {
        Gate::authorize('view', $rig);

        return response()->json($this->views->of($rig, $this->store->of($rig)));
    }

    #[OA\Put(path: '/rigs/{rig}/look', operationId: 'setLook', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: SetLook::class)), responses: [
        new OA\Response(response: 200, description: 'As it is set now', content: new OA\JsonContent(ref: LookView::class)),
        new OA\Response(response: 422, description: 'What is wrong', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function set(SetLook $request, Rig $rig): JsonResponse
    {
        $look = $this->store->of($rig);
        $look->update($request->changed());
        if ($request->loses() !== null) {
            $this->store->lose($look, $this->store->setup($rig, $look), $request->loses());
        }

        return response()->json($this->views->of($rig, $look));
    }

    #[OA\Put(path: '/rigs/{rig}/look/task', operationId: 'setTask', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: SetTask::class)), responses: [
        new OA\Response(response: 200, description: 'What stands before it for this task', content: new OA\JsonContent(ref: LookView::class)),
        new OA\Response(response: 422, description: 'What is wrong', content: new OA\JsonContent(ref: Trouble::class)),
        new OA\Response(response: 424, description: 'A device doesn’t answer', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function task(SetTask $request, Rig $rig): JsonResponse
    {
        $look = $this->store->of($rig);
        $this->tasks->begin($rig, $look, $request->task());

        return response()->json($this->views->of($rig, $look));
    }

    #[OA\Delete(path: '/rigs/{rig}/look/task', operationId: 'leaveTask', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 200, description: 'Nothing is to be done any more; all stays as it stands', content: new OA\JsonContent(ref: LookView::class))])]
    public function leave(Rig $rig): JsonResponse
    {
        Gate::authorize('update', $rig);
        $look = $this->store->of($rig);
        $this->tasks->leave($look);

        return response()->json($this->views->of($rig, $look));
    }

    #[OA\Post(path: '/rigs/{rig}/look/task', operationId: 'judgeTask', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], responses: [
        new OA\Response(response: 200, description: 'Whether it is done', content: new OA\JsonContent(ref: JudgedView::class)),
        new OA\Response(response: 422, description: 'There is no task', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function judge(Rig $rig): JsonResponse
    {
        Gate::authorize('update', $rig);
        $look = $this->store->of($rig);
        $judged = $this->tasks->judge($rig, $look, $this->store->setup($rig, $look)) ?? throw ValidationException::withMessages(['task' => 'There is no task to judge.']);

        return response()->json(new JudgedView($judged->done, $judged->pattern, (object) $judged->numbers, PracticeViews::tasks($rig->user_id)));
    }

    #[OA\Post(path: '/rigs/{rig}/look/live', operationId: 'lookLive', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: LookLive::class)), responses: [
        new OA\Response(response: 200, description: 'What the finder shows; where the rail says that it stands is in the header Rail-Mm', content: new OA\MediaType(mediaType: 'image/jpeg', schema: new OA\Schema(type: 'string', format: 'binary'))),
        new OA\Response(response: 422, description: 'What is wrong', content: new OA\JsonContent(ref: Trouble::class)),
        new OA\Response(response: 424, description: 'A device doesn’t answer', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function live(LookLive $request, Rig $rig): Response
    {
        $look = $this->store->of($rig);
        $picture = $this->store->live($look, $this->store->setup($rig, $look), $request->railMm(), $request->wide());

        return new Response($picture, 200, ['Content-Type' => 'image/jpeg', 'Rail-Mm' => (string) $look->rail_mm]);
    }

    #[OA\Post(path: '/rigs/{rig}/look/frames', operationId: 'takeFrame', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: TakeOneFrame::class)), responses: [
        new OA\Response(response: 200, description: 'A frame, kept', content: new OA\JsonContent(ref: FrameView::class)),
        new OA\Response(response: 422, description: 'What is wrong', content: new OA\JsonContent(ref: Trouble::class)),
        new OA\Response(response: 424, description: 'A device doesn’t answer', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function take(TakeOneFrame $request, Rig $rig): JsonResponse
    {
        $look = $this->store->of($rig);

        return response()->json(LookViews::frame($this->store->take($look, $this->store->setup($rig, $look), $request->string('key')->value(), $request->place('x'), $request->place('y'), $request->aperture()), $rig));
    }

    #[OA\Get(path: '/rigs/{rig}/look/frames/{frame}', operationId: 'showFrame', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'frame', schema: new OA\Schema(type: 'integer'))], responses: [
        new OA\Response(response: 200, description: 'The frame, with its figures inside', content: new OA\MediaType(mediaType: 'image/png', schema: new OA\Schema(type: 'string', format: 'binary'))),
        new OA\Response(response: 404, description: 'No such frame of yours', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function frame(Rig $rig, int $frame): Response
    {
        Gate::authorize('view', $rig);
        $kept = Frame::query()->where('rig_id', $rig->id)->findOrFail($frame, Frame::TOLD);

        return Attachment::of($this->store->png($kept), 'image/png', LookViews::name($kept, $rig));
    }

    #[OA\Delete(path: '/rigs/{rig}/look/frames/{frame}', operationId: 'deleteFrame', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'frame', schema: new OA\Schema(type: 'integer'))], responses: [
        new OA\Response(response: 200, description: 'What is left', content: new OA\JsonContent(ref: LookView::class)),
        new OA\Response(response: 404, description: 'No such frame of yours', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function drop(Rig $rig, int $frame): JsonResponse
    {
        Gate::authorize('update', $rig);
        Frame::query()->where('rig_id', $rig->id)->where('stack_run_id', null)->findOrFail($frame, Frame::TOLD)->delete();

        return response()->json($this->views->of($rig, $this->store->of($rig)));
    }

    #[OA\Post(path: '/rigs/{rig}/look/runs', operationId: 'runStack', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], responses: [
        new OA\Response(response: 200, description: 'A stack, begun', content: new OA\JsonContent(ref: RunView::class)),
        new OA\Response(response: 422, description: 'Why none can be run', content: new OA\JsonContent(ref: Trouble::class)),
        new OA\Response(response: 424, description: 'A device doesn’t answer', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function begin(Rig $rig): JsonResponse
    {
        Gate::authorize('update', $rig);
        $look = $this->store->of($rig);

        return response()->json(LookViews::run($this->runs->begin($rig, $look, $this->store->setup($rig, $look))));
    }

    #[OA\Put(path: '/rigs/{rig}/look/runs/{run}', operationId: 'setRun', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'run', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: SetRun::class)), responses: [
        new OA\Response(response: 200, description: 'As it is now', content: new OA\JsonContent(ref: RunView::class)),
        new OA\Response(response: 404, description: 'No such stack of yours', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function move(SetRun $request, Rig $rig, int $run): JsonResponse
    {
        $kept = StackRun::query()->where('rig_id', $rig->id)->findOrFail($run);

        return response()->json(LookViews::run(match ($request->string('do')->value()) {
            'pause' => $this->runs->pause($kept),
            'go on' => $this->runs->goOn($kept),
            default => $this->runs->stop($kept),
        }));
    }
}
