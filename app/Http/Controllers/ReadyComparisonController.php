<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Accounts\SessionGuard;
use App\Bench\CreateRigFromSearch;
use App\Bench\RigStore;
use App\Compare\ComparisonBlanks;
use App\Compare\LooseRigs;
use App\Http\Requests\CompareFiles;
use App\Http\Requests\SetUpToCompare;
use App\Http\Requests\StartRig;
use App\Http\Resources\QuestionView;
use App\Http\Resources\ReadyComparison;
use App\Http\Resources\Trouble;
use App\Models\Kit;
use App\Search\KitSearch;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use ZincThimble\Core\File\ComparisonFile;
use ZincThimble\Core\File\Fault;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\File\Json;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Plan\AsEngraved;
use ZincThimble\Core\Plan\SchoolQuestion;
use ZincThimble\Core\Plan\SchoolQuestions;
use ZincThimble\Core\Report\Comparison;
use ZincThimble\Core\Rig\Rig as CoreRig;

/** What comes to a comparison from elsewhere: rows of Find, a ladder, files, the questions of schools. */
final class ReadyComparisonController
{
    public function __construct(private readonly LooseRigs $loose)
    {
    }

    #[OA\Post(path: '/kits/{kit}/comparison', operationId: 'setUpToCompare', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: SetUpToCompare::class)), responses: [
        new OA\Response(response: 201, description: 'Set up, on no list', content: new OA\JsonContent(ref: ReadyComparison::class)),
        new OA\Response(response: 422, description: 'The kit has no such part, or it can’t be set so', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function setUp(SetUpToCompare $request, Kit $kit, CreateRigFromSearch $create): JsonResponse
    {
        $rigs = array_map(static fn (array $rig): CoreRig => $create->rig($kit, $rig['camera'], $rig['parts'], null, $request->subject(), name: $rig['name']), $request->rigs());

        return response()->json(new ReadyComparison($this->loose->add(SessionGuard::person($request), $kit, $rigs), new \stdClass), 201);
    }

    #[OA\Post(path: '/comparison/files', operationId: 'compareFiles', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: CompareFiles::class)), responses: [
        new OA\Response(response: 201, description: 'The rigs of the files, on no list', content: new OA\JsonContent(ref: ReadyComparison::class)),
        new OA\Response(response: 422, description: 'A file can’t be read; every fault with its place', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function files(CompareFiles $request): JsonResponse
    {
        $user = SessionGuard::person($request);
        $kit = StartRig::kitOf($user, $request->kitId());
        $rigs = $asked = [];
        foreach ($request->texts() as $n => $text) {
            try {
                $document = Json::read($text);
                // Whatever a file names as parts of a kit is not believed.
                if ($document instanceof \stdClass && ComparisonFile::isOne($document)) {
                    $document->rigs = is_array($document->rigs ?? null) ? array_map(static fn (mixed $rig): mixed => $rig instanceof \stdClass ? RigStore::without($rig) : $rig, $document->rigs) : null;
                    $file = ComparisonFile::read($document, Comparison::MOST);
                    array_push($rigs, ...$file->rigs);
                    $asked = ComparisonBlanks::checked($file->asked);
                } else {
                    $rigs[] = RigFile::read($document instanceof \stdClass ? RigStore::without($document) : $document);
                }
            } catch (FileInvalid $invalid) {
                // Of several files it is said which.
                throw count($request->texts()) === 1 ? $invalid : new FileInvalid(array_map(static fn (Fault $fault): Fault => new Fault('/'.$n.$fault->pointer, $fault->message), $invalid->faults));
            }
        }
        if (count($rigs) > Comparison::MOST) {
            throw ValidationException::withMessages(['texts' => 'That is more than '.Comparison::MOST.' rigs.']);
        }

        return response()->json(new ReadyComparison($this->loose->add($user, $kit, $rigs), (object) $asked), 201);
    }

    #[OA\Get(path: '/kits/{kit}/questions', operationId: 'schoolQuestions', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 200, description: 'What practitioners disagree about, ready to be asked with this kit', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: QuestionView::class)))])]
    public function questions(Kit $kit, KitSearch $search): JsonResponse
    {
        Gate::authorize('view', $kit);

        return response()->json(array_map(static fn (SchoolQuestion $question): QuestionView => new QuestionView(
            $question->school, $question->to, $question->value,
            array_map(static fn (CoreRig $rig): string => (string) $rig->name, $question->rigs), array_map(AsEngraved::title(...), $question->rigs),
        ), SchoolQuestions::of($search->kit($kit), KitSearch::conditions())));
    }

    #[OA\Post(path: '/kits/{kit}/questions/{school}', operationId: 'askSchool', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'school', schema: new OA\Schema(type: 'string'))], responses: [
        new OA\Response(response: 201, description: 'Its rigs set up, on no list', content: new OA\JsonContent(ref: ReadyComparison::class)),
        new OA\Response(response: 404, description: 'This kit can’t ask it', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function ask(Request $request, Kit $kit, string $school, KitSearch $search): JsonResponse
    {
        Gate::authorize('view', $kit);
        foreach (SchoolQuestions::of($search->kit($kit), KitSearch::conditions()) as $question) {
            if ($question->school->value === $school) {
                $rigs = $this->loose->add(SessionGuard::person($request), $kit, $question->rigs);

                return response()->json(new ReadyComparison($rigs, (object) ['to' => $question->to->value, 'value' => $question->value]), 201);
            }
        }
        abort(404);
    }
}
