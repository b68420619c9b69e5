<?php

declare(strict_types=1);

return [
    // How many guests one address may open in a minute. The browser tests, all from one address, raise it.
    'guests_per_minute' => (int) env('ZINC_GUESTS_PER_MINUTE', 12),
    // And how many may come from it in a day: a club's evening, not a loop.
    'guests_per_address' => (int) env('ZINC_GUESTS_PER_ADDRESS', 300),
    // After how many hours a guest and all of theirs are swept.
    'guest_hours' => 24,
    // And after how many days one who told of gear of their own.
    'first_visit_days' => 30,
    // Days of silence after which somebody with an account signs in again.
    'account_session_days' => 14,
    // Hours after which the session of somebody who never signed in is forgotten.
    'passer_by_hours' => 2,
    // Steps of a rig's undo history.
    'undo_steps' => 300,
    // What one person may keep: rigs, and bytes of rigs and kit with their histories.
    'most_rigs' => (int) env('ZINC_MOST_RIGS', 400),
    'most_rigs_of_guest' => (int) env('ZINC_MOST_RIGS_OF_GUEST', 120),
    // Rigs that were only set up to be compared: how many at a time, and for how many days.
    'most_loose_rigs' => 256,
    // And how many at all, those included that comparisons keep.
    'most_kept_loose_rigs' => 1024,
    'loose_days' => 30,
    // The made-up rail and camera, and what runs a stack with them. They are reached over loopback alone.
    'devices' => [
        'host' => '127.0.0.1',
        'rail_port' => (int) env('RAIL_PORT', 9700),
        'camera_port' => (int) env('CAMERA_PORT', 9701),
        'folder' => env('DEVICES_PATH', storage_path('app/devices')),
        // Of real time: moves, settling and exposures take so much of what they would. 1 = all of it.
        'pace' => (float) env('ZINC_DEVICE_PACE', 1),
    ],
    // Frames that one person may keep, and frames of one stack.
    'most_frames' => (int) env('ZINC_MOST_FRAMES', 240),
    'most_frames_of_stack' => 120,
    'most_bytes' => (int) env('ZINC_MOST_BYTES', 400 * 1024 * 1024),

    // How long the plan of an outing may take; beyond it the best so far is told.
    'outing_seconds' => 8.0 * max(1.0, (float) env('ZINC_PATIENCE', 1)),

    // How long each answer of Find may take; what there was no time for is told as left out. Where browsers share the server's processor,
    // as in the browser tests, the same work takes longer: they stretch it.
    'find_seconds' => array_map(
        static fn (float $seconds): float => $seconds * max(1.0, (float) env('ZINC_PATIENCE', 1)),
        ['first' => 1.5, 'whole' => 6.0, 'nearest' => 0.7, 'missing' => 1.1, 'overview' => 6.0],
    ),
];
