<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Route;

// One page; the places are routed in the browser.
Route::view('/{place?}', 'application')->where('place', '(?!api|up|build|sanctum).*');
