<?php

declare(strict_types=1);

namespace App\Start;

use App\Kit\Patterns;

/** The bodies that a first visit chooses from, each a pattern of the kit. */
enum Body: string
{
    case Mirrorless36 = 'mirrorless-36';
    case Mirrorless23 = 'mirrorless-23';
    case Mirrorless17 = 'mirrorless-17';
    case Mirror36 = 'mirror-36';
    case Mirror23 = 'mirror-23';
    case BuiltIn = 'built-in';

    private const FAR_REGISTER_MM = 0.3;

    private function pattern(): string
    {
        return match ($this) {
            self::Mirrorless36 => 'camera-short-full',
            self::Mirrorless23 => 'camera-short-mid',
            self::Mirrorless17 => 'camera-short-small',
            self::Mirror36 => 'camera-mirror-full',
            self::Mirror23 => 'camera-mirror-mid',
            self::BuiltIn => 'camera-fixed',
        };
    }

    /**
     * The camera as a part of a kit; another sensor keeps the shape of this one's, another register has a mount of its own.
     *
     * @return array<string, mixed>
     */
    public function camera(?float $sensorMm, ?float $registerMm): array
    {
        $camera = Patterns::parts($this->pattern())[0];
        $sensor = $camera['sensor'] ?? null;
        if ($sensorMm !== null && is_array($sensor)) {
            $ratio = (float) $sensor['heightMm'] / (float) $sensor['widthMm'];
            $camera['sensor'] = ['widthMm' => $sensorMm, 'heightMm' => round($sensorMm * $ratio, 2)] + $sensor;
        }
        if ($registerMm !== null && abs($registerMm - (float) $camera['registerMm']) > self::FAR_REGISTER_MM) {
            $camera['joint'] = sprintf('own %g', $registerMm);
        }
        $camera['registerMm'] = $registerMm ?? $camera['registerMm'];

        return $camera;
    }

    /** @return ?array<string, mixed> the lens that doesn't come off */
    public function builtIn(): ?array
    {
        return Patterns::parts($this->pattern())[1] ?? null;
    }
}
