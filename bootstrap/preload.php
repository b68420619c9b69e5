<?php

declare(strict_types=1);

/*
 * Loads classes of the packages once, when the workers are started, that each request would load otherwise: those that needed.php
 * found. Ours stay out: what is changed while it runs is what answers. Nothing here may keep the workers from starting.
 */

// Some packages declare classes without a name, which can't be kept: whoever needs those loads them.
error_reporting(E_ERROR);
foreach (file((string) getenv('ZINC_NEEDED'), FILE_IGNORE_NEW_LINES) ?: [] as $file) {
    if (is_file($file)) {
        opcache_compile_file($file);
    }
}
