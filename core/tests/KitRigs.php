<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests;

use ZincThimble\Core\File\KitFile;
use ZincThimble\Core\Gear\Kit;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Objective;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Joint\Mating;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Setting;
use ZincThimble\Core\Rig\Subject;
use ZincThimble\Core\Rig\Travels;

/** Rigs that somebody might put together from a kit: joints that hold, one part after the other, set anyhow. */
final class KitRigs
{
    private Kit $kit;

    public function __construct(private readonly RigMaker $make, string $file)
    {
        $this->kit = KitFile::parse((string) file_get_contents($file))->kit();
    }

    public static function ofTheDemonstration(RigMaker $make): self
    {
        return new self($make, dirname(__DIR__, 2).'/database/demo/herbarium.kit.json');
    }

    public function rig(): Rig
    {
        do {
            $rig = $this->tried();
        } while ($rig === null);

        return $rig;
    }

    private function tried(): ?Rig
    {
        $camera = $this->make->pick($this->kit->cameras());
        $left = $this->kit->ofClass(Part::class);
        $chain = [];
        $optics = 0;
        for ($n = 0; $n < 7; $n++) {
            $behind = $chain === [] ? null : $chain[count($chain) - 1];
            $fits = [];
            foreach ($left as $i => $part) {
                foreach ($part instanceof Lens ? [$part, $part->turned()] : [$part] as $way) {
                    if (Mating::of($camera, $behind, $way)->holds()) {
                        $fits[] = [$i, $way];
                    }
                }
            }
            if ($fits === [] || $optics > 0 && $this->make->chance(0.6)) {
                break;
            }
            [$i, $part] = $this->make->pick($fits);
            // Two lenses behind each other are a rig only face to face.
            if ($part instanceof Lens && $optics > 0 && ! $part->reversed) {
                continue;
            }
            $chain[] = $part;
            $optics += $part instanceof Lens || $part instanceof Objective ? 1 : 0;
            unset($left[$i]);
            $left = array_values($left);
        }
        if ($optics === 0) {
            return null;
        }
        try {
            $rig = Rig::of($camera, $chain, Setting::untouched(), $this->conditions(), $this->subject());
        } catch (\ZincThimble\Core\Gear\InvalidFigure) {
            return null;
        }
        foreach (Travels::of($rig) as $travel) {
            if ($travel->kind !== \ZincThimble\Core\Rig\TravelKind::Swing && $travel->kind !== \ZincThimble\Core\Rig\TravelKind::Shift && $this->make->chance(0.7)) {
                $rig = $rig->with($travel->kind, $travel->part, $this->make->pick(Travels::positions($rig, $travel)));
            }
        }

        return $rig;
    }

    private function conditions(): Conditions
    {
        $fields = $this->make->pick([[], [], ['support' => 'table'], ['support' => 'hand'], ['support' => 'braced']]);

        return Conditions::from(new Values($fields));
    }

    private function subject(): ?Subject
    {
        return $this->make->chance(0.5) ? null : Subject::from(new Values([
            'widthMm' => $this->make->number(2, 60), 'depthMm' => $this->make->number(0.2, 12), 'flat' => $this->make->chance(0.3),
        ]));
    }
}
