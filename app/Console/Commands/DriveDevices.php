<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Devices\MadeUp\Driver;
use Illuminate\Console\Command;

/** The made-up rail and camera, until it is ended (docs/devices.md). */
final class DriveDevices extends Command
{
    protected $signature = 'devices:drive';

    protected $description = 'Stand in for a rail and a camera';

    public function handle(): int
    {
        try {
            Driver::run((string) config('zinc.devices.host'), (int) config('zinc.devices.rail_port'), (int) config('zinc.devices.camera_port'), (string) config('zinc.devices.folder'), (float) config('zinc.devices.pace'));
        } catch (\RuntimeException $fault) {
            $this->output->getErrorStyle()->writeln($fault->getMessage());

            return 1;
        }
    }
}
