<?php

declare(strict_types=1);

use App\Http\Controllers\AccountController;
use App\Http\Controllers\ArchiveController;
use App\Http\Controllers\CompareController;
use App\Http\Controllers\EntryController;
use App\Http\Controllers\EveningController;
use App\Http\Controllers\FindController;
use App\Http\Controllers\FirstVisitController;
use App\Http\Controllers\GuestController;
use App\Http\Controllers\GuideController;
use App\Http\Controllers\KeptComparisonController;
use App\Http\Controllers\KitController;
use App\Http\Controllers\LogController;
use App\Http\Controllers\LookController;
use App\Http\Controllers\OutingController;
use App\Http\Controllers\OutingPlanController;
use App\Http\Controllers\PartController;
use App\Http\Controllers\PictureController;
use App\Http\Controllers\PlanController;
use App\Http\Controllers\PracticeController;
use App\Http\Controllers\ReadyComparisonController;
use App\Http\Controllers\RigController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\ShareController;
use App\Http\Controllers\SheetController;
use App\Http\Middleware\FromThePage;
use App\Http\Middleware\GuestsOnTime;
use Illuminate\Support\Facades\Route;
use ZincThimble\Core\Report\Derivation;

// What no row can have as its number is the number of nothing: 18 digits fit the columns.
Route::patterns(array_fill_keys(['kit', 'part', 'deleted', 'wish', 'rig', 'joint', 'comparison', 'outing', 'frame', 'run', 'question', 'evening'], '[0-9]{1,18}') + ['number' => '[0-9]{1,9}', 'token' => '[A-Za-z0-9]{1,64}']);

Route::post('guest', [GuestController::class, 'store'])->middleware([FromThePage::class, 'throttle:guests']);
Route::get('first', [FirstVisitController::class, 'show'])->middleware('throttle:find');
Route::post('first', [FirstVisitController::class, 'store'])->middleware([FromThePage::class, 'throttle:guests', GuestsOnTime::class]);
Route::post('sign-up', [AccountController::class, 'signUp'])->middleware([FromThePage::class, 'throttle:sign-up']);
Route::post('sign-in', [AccountController::class, 'signIn'])->middleware([FromThePage::class, 'throttle:sign-in']);
Route::post('forgotten', [AccountController::class, 'forgotten'])->middleware('throttle:letters');
Route::post('reset', [AccountController::class, 'reset'])->middleware('throttle:sign-in');
Route::post('confirm', [SessionController::class, 'confirm'])->middleware('throttle:letters');
Route::middleware('throttle:heavy')->group(function (): void {
    Route::get('shared/{token}', [ShareController::class, 'show']);
    Route::get('shared/{token}/file', [ShareController::class, 'export']);
    Route::get('evening/{token}', [EveningController::class, 'join']);
    Route::put('evening/{token}', [EveningController::class, 'answer'])->middleware(FromThePage::class);
    Route::get('evening/{token}/results', [EveningController::class, 'results']);
});

Route::middleware(['auth:sanctum', GuestsOnTime::class, 'throttle:bench'])->group(function (): void {
    Route::get('me', [GuestController::class, 'show']);
    Route::put('me', [AccountController::class, 'rename']);
    Route::put('me/password', [AccountController::class, 'password'])->middleware([FromThePage::class, 'throttle:sign-in']);
    Route::delete('me', [AccountController::class, 'delete'])->middleware([FromThePage::class, 'throttle:sign-in']);
    Route::middleware('throttle:heavy')->group(function (): void {
        Route::get('me/archive', [ArchiveController::class, 'show']);
        Route::post('me/archive', [ArchiveController::class, 'store']);
    });
    Route::get('me/sessions', [SessionController::class, 'index']);
    Route::delete('me/sessions/{session}', [SessionController::class, 'end'])->where('session', '[0-9a-f]{16}');
    Route::get('me/sign-ins', [SessionController::class, 'log']);
    Route::post('me/confirmation', [SessionController::class, 'letter'])->middleware('throttle:letters');
    Route::post('sign-out', [GuestController::class, 'destroy'])->middleware(FromThePage::class);
    Route::get('guide', [GuideController::class, 'guide']);
    Route::get('patterns', [GuideController::class, 'patterns']);
    Route::get('joints', [GuideController::class, 'joints']);
    Route::post('joints', [GuideController::class, 'addJoint']);
    Route::delete('joints/{joint}', [GuideController::class, 'dropJoint']);

    Route::get('kits', [KitController::class, 'index']);
    Route::post('kits', [KitController::class, 'store']);
    Route::prefix('kits/{kit}')->scopeBindings()->group(function (): void {
        Route::get('/', [KitController::class, 'show']);
        Route::put('/', [KitController::class, 'name']);
        Route::delete('/', [KitController::class, 'destroy']);
        Route::post('undo', [KitController::class, 'undo']);
        Route::post('redo', [KitController::class, 'redo']);
        Route::get('deleted', [KitController::class, 'deleted']);
        Route::middleware('throttle:heavy')->group(function (): void {
            Route::get('file', [KitController::class, 'export']);
            Route::post('import', [KitController::class, 'preview']);
            Route::put('import', [KitController::class, 'import']);
            Route::get('map', [KitController::class, 'map']);
        });
        Route::get('crossing', [KitController::class, 'crossing']);
        Route::middleware('throttle:find')->group(function (): void {
            Route::get('find', [FindController::class, 'find']);
            Route::get('find/first', [FindController::class, 'first']);
        });
        Route::middleware('throttle:heavy')->group(function (): void {
            Route::get('find/near', [FindController::class, 'near']);
            Route::get('find/missed', [FindController::class, 'missed']);
            Route::get('overview', [FindController::class, 'overview']);
        });
        Route::post('rigs', [FindController::class, 'setUp']);
        Route::post('comparison', [ReadyComparisonController::class, 'setUp']);
        Route::middleware('throttle:heavy')->group(function (): void {
            Route::get('questions', [ReadyComparisonController::class, 'questions']);
            Route::post('questions/{school}', [ReadyComparisonController::class, 'ask'])->where('school', '[a-z-]{1,32}');
        });
        Route::get('wishes', [FindController::class, 'wishes']);
        Route::post('wishes', [FindController::class, 'keep']);
        Route::delete('wishes/{wish}', [FindController::class, 'drop']);
        Route::get('cards/{card}', [FindController::class, 'card'])->whereIn('card', ['close-ups', 'ladder', 'draws', 'lenses']);
        Route::post('parts', [PartController::class, 'store']);
        Route::put('parts/{part}', [PartController::class, 'update']);
        Route::delete('parts/{part}', [PartController::class, 'destroy']);
        Route::post('parts/{part}/copies', [PartController::class, 'duplicate']);
        Route::post('parts/{deleted}/back', [PartController::class, 'restore']);
        Route::post('lens', [PartController::class, 'lens']);
        Route::post('words', [PartController::class, 'words'])->middleware('throttle:heavy');
        Route::post('pictures', [PictureController::class, 'measure'])->middleware('throttle:heavy');
        Route::post('parts/{part}/measure', [PartController::class, 'measure']);
        Route::post('evenings', [EveningController::class, 'store'])->middleware('throttle:heavy');
        Route::post('practice', [PracticeController::class, 'handOut'])->middleware('throttle:heavy');
    });

    Route::middleware('throttle:find')->group(function (): void {
        Route::get('comparison', [CompareController::class, 'show']);
        Route::get('comparison/sweep', [CompareController::class, 'sweep']);
    });
    Route::post('comparison/files', [ReadyComparisonController::class, 'files'])->middleware('throttle:heavy');
    Route::get('comparisons', [KeptComparisonController::class, 'index']);
    Route::post('comparisons', [KeptComparisonController::class, 'store']);
    Route::delete('comparisons/{comparison}', [KeptComparisonController::class, 'destroy']);
    Route::get('outings', [OutingController::class, 'index']);
    Route::post('outings', [OutingController::class, 'store']);
    Route::post('outings/import', [OutingController::class, 'import'])->middleware('throttle:heavy');
    Route::prefix('outings/{outing}')->group(function (): void {
        Route::get('/', [OutingController::class, 'show']);
        Route::put('/', [OutingController::class, 'save']);
        Route::delete('/', [OutingController::class, 'destroy']);
        Route::put('ticks', [OutingController::class, 'tick']);
        Route::get('entries', [EntryController::class, 'index']);
        Route::prefix('entries/{entry}')->where(['entry' => '[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}'])->group(function (): void {
            Route::get('/', [EntryController::class, 'show']);
            Route::put('/', [EntryController::class, 'take']);
            Route::get('since', [EntryController::class, 'since']);
            Route::get('sheet', [EntryController::class, 'sheet']);
            Route::post('rig', [EntryController::class, 'setUp']);
            Route::post('shot', [EntryController::class, 'shot']);
            Route::post('trial', [EntryController::class, 'trial']);
            Route::get('pictures/{number}', [EntryController::class, 'picture']);
            Route::get('pictures/{number}/xmp', [EntryController::class, 'sidecar']);
        });
        Route::get('calendar', [OutingController::class, 'calendar']);
        Route::middleware('throttle:heavy')->group(function (): void {
            Route::get('plan', [OutingPlanController::class, 'show']);
            Route::get('sheets', [OutingPlanController::class, 'sheets']);
            Route::get('file', [OutingPlanController::class, 'export']);
            Route::get('csv', [LogController::class, 'csv']);
            Route::get('xmp', [LogController::class, 'sidecars']);
        });
    });
    Route::middleware('throttle:find')->group(function (): void {
        Route::get('log', [LogController::class, 'show']);
        Route::get('ledger', [LogController::class, 'ledger']);
    });
    Route::get('evenings', [EveningController::class, 'index']);
    Route::get('evenings/{evening}', [EveningController::class, 'show'])->middleware('throttle:heavy');
    Route::delete('evenings/{evening}', [EveningController::class, 'destroy']);
    Route::post('practice/{question}/answer', [PracticeController::class, 'answer']);
    Route::get('rigs', [RigController::class, 'index']);
    Route::post('rigs', [RigController::class, 'store']);
    Route::get('rigs/proposals', [RigController::class, 'proposals']);
    Route::post('rigs/import', [RigController::class, 'import'])->middleware('throttle:heavy');
    Route::prefix('rigs/{rig}')->group(function (): void {
        Route::get('entry', [EntryController::class, 'blank']);
        Route::get('/', [RigController::class, 'show']);
        Route::delete('/', [RigController::class, 'destroy']);
        Route::post('steps', [RigController::class, 'step']);
        Route::post('brought', [CompareController::class, 'bring']);
        Route::post('undo', [RigController::class, 'undo']);
        Route::post('redo', [RigController::class, 'redo']);
        Route::put('name', [RigController::class, 'name']);
        Route::post('copies', [RigController::class, 'duplicate']);
        Route::put('tags', [RigController::class, 'tag']);
        Route::get('states', [RigController::class, 'states']);
        Route::get('states/{number}', [RigController::class, 'state']);
        Route::get('sweep', [RigController::class, 'sweep']);
        Route::get('tray', [RigController::class, 'tray']);
        Route::get('derivation/{reading}', [RigController::class, 'derivation'])->whereIn('reading', Derivation::READINGS);
        Route::get('mends', [RigController::class, 'mends']);
        Route::get('file', [RigController::class, 'export']);
        Route::get('sheet', [SheetController::class, 'show']);
        Route::get('light', [PlanController::class, 'light']);
        Route::get('light/sweep', [PlanController::class, 'sweep']);
        Route::get('shots', [PlanController::class, 'shots']);
        Route::get('rail-program', [PlanController::class, 'program']);
        Route::post('trial', [PlanController::class, 'trial']);
        Route::post('bracketing', [PlanController::class, 'measureBracketing']);
        Route::prefix('look')->group(function (): void {
            Route::get('/', [LookController::class, 'show']);
            Route::put('/', [LookController::class, 'set']);
            Route::put('task', [LookController::class, 'task']);
            Route::post('task', [LookController::class, 'judge']);
            Route::delete('task', [LookController::class, 'leave']);
            Route::post('live', [LookController::class, 'live']);
            Route::get('frames/{frame}', [LookController::class, 'frame']);
            Route::delete('frames/{frame}', [LookController::class, 'drop']);
            Route::post('frames', [LookController::class, 'take'])->middleware('throttle:heavy');
            Route::post('runs', [LookController::class, 'begin'])->middleware('throttle:heavy');
            Route::put('runs/{run}', [LookController::class, 'move']);
        });
        Route::delete('news', [RigController::class, 'newsSeen']);
        Route::post('share', [ShareController::class, 'store']);
        Route::delete('share', [ShareController::class, 'destroy']);
    });
});
