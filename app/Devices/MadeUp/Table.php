<?php

declare(strict_types=1);

namespace App\Devices\MadeUp;

use App\Devices\DeviceRefused;
use App\Pictures\Encoded;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Picture\Artwork;
use ZincThimble\Core\Picture\Exposure;
use ZincThimble\Core\Picture\FrameBox;
use ZincThimble\Core\Picture\RigPicture;
use ZincThimble\Core\Picture\Shape;
use ZincThimble\Core\Picture\Target;
use ZincThimble\Core\Picture\TargetKind;
use ZincThimble\Core\Reading\Vignetting;
use ZincThimble\Core\Rig\HiddenLens;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\TravelKind;

/**
 * A made-up table: a rig on a rail before a target, and a camera that photographs it. It is kept in a folder of its own, so that it stands as
 * it stood when its driver comes back; frames that were taken stay on its card.
 */
final class Table
{
    /** Frames that the card holds; then the oldest go. */
    private const CARD = 240;

    /** Places from the middle to the corner at which the fall of light is told. */
    private const TO_THE_CORNER = 12;

    public Carriage $carriage;

    /** Whether nothing reaches it: a fault that somebody switched on. */
    public bool $isLost = false;

    private ?Rig $rig = null;

    private ?Artwork $artwork = null;

    /** Where the middle of the target's depth is in focus, mm of the rail. */
    private float $middleMm = 0.0;

    private ?int $hidden = null;

    private function __construct(private readonly string $folder)
    {
        $this->carriage = new Carriage(100.0, 0.01, 0.0);
    }

    /** As it stands in its folder; null = nothing was ever laid on it. */
    public static function kept(string $folder): ?self
    {
        $told = is_file($folder.'/table.json') ? json_decode((string) file_get_contents($folder.'/table.json'), true) : null;
        if (! is_array($told) || ! is_array($told['laid'] ?? null)) {
            return null;
        }
        $table = new self($folder);
        try {
            $table->set($told['laid']);
        } catch (DeviceRefused) {
            return null;
        }
        $table->carriage->saysMm = (float) ($told['saysMm'] ?? 0.0);
        $table->carriage->isMm = (float) ($told['isMm'] ?? 0.0);
        $table->isLost = ($told['isLost'] ?? false) === true;

        return $table;
    }

    /**
     * Lays a rig and a target on it. The carriage stays where it is, unless it is told where to stand.
     *
     * @param  array<array-key, mixed>  $laid
     *
     * @throws DeviceRefused when that can't be laid
     */
    public static function laid(string $folder, array $laid, ?self $before): self
    {
        $table = new self($folder);
        $table->set($laid);
        if ($before !== null) {
            $table->carriage->saysMm = min($before->carriage->saysMm, $table->carriage->travelMm);
            $table->carriage->isMm = min($before->carriage->isMm, $table->carriage->travelMm);
            $table->carriage->stoodAt = $before->carriage->stoodAt;
            $table->isLost = $before->isLost;
        }
        if (isset($laid['standsMm']) && ($before === null || ($laid['moves'] ?? false) === true)) {
            $table->carriage->saysMm = $table->carriage->isMm = $table->carriage->nearest((float) $laid['standsMm']);
        }
        $table->keep($laid);

        return $table;
    }

    /** Writes down where the carriage stands. */
    public function stands(): void
    {
        $told = json_decode((string) @file_get_contents($this->folder.'/table.json'), true);
        $this->keep(is_array($told) && is_array($told['laid'] ?? null) ? $told['laid'] : []);
    }

    /**
     * @param  array<array-key, mixed>  $settings  aperture, light, iso
     *
     * @throws DeviceRefused
     */
    public function live(array $settings, float $now): string
    {
        $frame = $this->lying()->frame;
        $box = FrameBox::whole(max(1, $frame->columns), max(1, $frame->rows), (int) max(120, min(900, (int) ($settings['width'] ?? 480))));

        return Encoded::jpeg($this->exposed($settings, $box, 1, $now));
    }

    /**
     * @param  array<array-key, mixed>  $settings  key, aperture, light, iso, crop
     *
     * @throws DeviceRefused
     */
    public function expose(array $settings, float $now): string
    {
        $key = is_string($settings['key'] ?? null) && $settings['key'] !== '' ? $settings['key'] : throw new DeviceRefused('A frame needs a key');
        $path = $this->folder.'/'.hash('sha256', $key).'.png';
        if (is_file($path)) {
            return (string) file_get_contents($path);
        }
        $frame = $this->lying()->frame;
        $crop = is_array($settings['crop'] ?? null) ? $settings['crop'] : [];
        try {
            $box = new FrameBox($frame->columns, $frame->rows, (int) ($crop['x'] ?? 0), (int) ($crop['y'] ?? 0), (int) ($crop['width'] ?? 0), (int) ($crop['height'] ?? 0));
        } catch (InvalidFigure $fault) {
            throw new DeviceRefused($fault->getMessage());
        }
        $png = Encoded::png($this->exposed($settings, $box, crc32($key), $now));
        $this->store($path, $png);

        return $png;
    }

    /** Whether it has taken that frame. */
    public function has(string $key): bool
    {
        return is_file($this->folder.'/'.hash('sha256', $key).'.png');
    }

    /**
     * @param  array<array-key, mixed>  $settings
     *
     * @throws DeviceRefused
     */
    private function exposed(array $settings, FrameBox $box, int $seed, float $now): \ZincThimble\Core\Picture\Pixels
    {
        $rig = $this->lying();
        $at = $rig->workingLens();
        $aperture = is_numeric($settings['aperture'] ?? null) ? (float) $settings['aperture'] : null;
        if ($at !== null && $aperture !== null) {
            $rig = $rig->with(TravelKind::Aperture, $at, $aperture);
        }
        $blur = null;
        if ($this->hidden !== null) {
            $blur = $at === null || $aperture === null ? null : HiddenLens::at($rig, $at, $this->hidden)->blurMm($aperture);
            $rig = HiddenLens::in($rig, $this->hidden);
        }
        $picture = RigPicture::of($rig);
        $pitch = $rig->frame->pitchMm();
        if ($picture === null || $pitch === null || $this->artwork === null) {
            throw new DeviceRefused('This rig images nothing that the camera could take, or its pixels aren’t known');
        }
        $exposure = new Exposure($blur === null ? $picture : $picture->withLensBlur($blur), $pitch, Vignetting::across($rig, Axis::of($rig), self::TO_THE_CORNER));

        return $exposure->take(
            $this->artwork, $this->middleMm - $this->carriage->isMm, $box, max(0.001, min(64.0, (float) ($settings['light'] ?? 1.0))), max(1.0, min(1e6, (float) ($settings['iso'] ?? 100.0))), $seed, $this->carriage->shakePx($now),
        );
    }

    /** @throws DeviceRefused */
    private function lying(): Rig
    {
        return $this->rig ?? throw new DeviceRefused('Nothing lies on this table');
    }

    /**
     * @param  array<array-key, mixed>  $laid
     *
     * @throws DeviceRefused
     */
    private function set(array $laid): void
    {
        try {
            $this->rig = RigFile::read(json_decode(json_encode($laid['rig'] ?? null, JSON_THROW_ON_ERROR), false, 64, JSON_THROW_ON_ERROR));
        } catch (FileInvalid|\JsonException $fault) {
            throw new DeviceRefused('That isn’t a rig: '.$fault->getMessage());
        }
        $target = is_array($laid['target'] ?? null) ? $laid['target'] : [];
        $kind = TargetKind::tryFrom(is_string($target['kind'] ?? null) ? $target['kind'] : '') ?? throw new DeviceRefused('There is no such target');
        $number = static fn (string $name): float => is_numeric($target[$name] ?? null) ? (float) $target[$name] : 0.0;
        $this->artwork = Artwork::of(Target::laid($kind, Shape::from(is_string($target['shape'] ?? null) ? $target['shape'] : 'sheet'), $number('widthMm'), $number('heightMm'), $number('depthMm'), $number('divisionMm')), $number('fieldMm'));
        $rail = is_array($laid['rail'] ?? null) ? $laid['rail'] : [];
        $this->carriage = new Carriage((float) ($rail['travelMm'] ?? 100.0), max(1e-5, (float) ($rail['unitMm'] ?? 0.01)), max(0.0, (float) ($rail['playMm'] ?? 0.0)));
        $this->middleMm = (float) ($laid['middleMm'] ?? 0.0);
        $this->hidden = is_int($laid['hidden'] ?? null) ? $laid['hidden'] : null;
    }

    /** @param  array<array-key, mixed>  $laid */
    private function keep(array $laid): void
    {
        if (! is_dir($this->folder)) {
            mkdir($this->folder, 0700, true);
        }
        $this->write($this->folder.'/table.json', json_encode(['laid' => $laid, 'saysMm' => $this->carriage->saysMm, 'isMm' => $this->carriage->isMm, 'isLost' => $this->isLost], JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));
    }

    private function store(string $path, string $png): void
    {
        $card = glob($this->folder.'/*.png') ?: [];
        if (count($card) >= self::CARD) {
            usort($card, static fn (string $a, string $b): int => filemtime($a) <=> filemtime($b));
            array_map(unlink(...), array_slice($card, 0, count($card) - self::CARD + 1));
        }
        $this->write($path, $png);
    }

    /** All of it, or nothing: whoever ends the driver in the middle leaves no half of a frame. */
    private function write(string $path, string $bytes): void
    {
        file_put_contents($path.'.new', $bytes);
        rename($path.'.new', $path);
    }
}
