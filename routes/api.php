<?php

declare(strict_types=1);

use App\Http\Controllers\GuestController;
use App\Http\Controllers\KitController;
use App\Http\Controllers\RigController;
use Illuminate\Support\Facades\Route;

Route::post('guest', [GuestController::class, 'store'])->middleware('throttle:guests');

Route::middleware(['auth:sanctum', 'throttle:bench'])->group(function (): void {
    Route::get('me', [GuestController::class, 'show']);
    Route::post('sign-out', [GuestController::class, 'destroy']);
    Route::get('kits', [KitController::class, 'index']);
    Route::get('kits/{kit}', [KitController::class, 'show'])->whereNumber('kit');
    Route::get('rigs', [RigController::class, 'index']);
    Route::post('rigs', [RigController::class, 'store']);
    Route::prefix('rigs/{rig}')->whereNumber('rig')->group(function (): void {
        Route::get('/', [RigController::class, 'show']);
        Route::delete('/', [RigController::class, 'destroy']);
        Route::post('steps', [RigController::class, 'step']);
        Route::post('undo', [RigController::class, 'undo']);
        Route::post('redo', [RigController::class, 'redo']);
        Route::put('name', [RigController::class, 'name']);
        Route::get('sweep', [RigController::class, 'sweep']);
        Route::get('tray', [RigController::class, 'tray']);
        Route::get('mends', [RigController::class, 'mends']);
        Route::get('file', [RigController::class, 'export']);
    });
});
