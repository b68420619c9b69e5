<?php

declare(strict_types=1);

return [
    // How many guests one address may open in a minute. The browser tests, all from one address, raise it.
    'guests_per_minute' => (int) env('ZINC_GUESTS_PER_MINUTE', 12),
    // After how many hours a guest and all of theirs are swept.
    'guest_hours' => 24,
    // Steps of a rig's undo history.
    'undo_steps' => 300,
];
