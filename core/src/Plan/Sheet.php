<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

use ZincThimble\Core\Finding\Caution;
use ZincThimble\Core\Finding\Cautions;
use ZincThimble\Core\Finding\Limits;
use ZincThimble\Core\Finding\Phrase;
use ZincThimble\Core\Gear\Bellows;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\VariableSpacer;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Reading\FocusState;
use ZincThimble\Core\Reading\Range;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\LightSource;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\ShotsBy;

/**
 * What goes to the table: a rig's figures, what is joined to what and how it is set, what to do in order, light, shots, what to mind and what
 * to write down. Words and figures only; paper and screen draw the rig beside them.
 */
final readonly class Sheet
{
    /** Columns of a page of text. */
    private const WIDE = 72;

    /** @param  array<string, list<SheetLine>>  $sections  lines by heading, in their order; none is empty */
    private function __construct(
        public string $title,
        public array $sections,
        /** Length of the paper rule between the rig's front and the subject, mm; null = there is no such distance. */
        public ?float $ruleMm,
    ) {
    }

    public static function of(Shots $shots): self
    {
        $rig = $shots->rig;
        $axis = Axis::of($rig);
        $reading = Reading::along($rig, $axis);
        $state = FocusState::of($rig, $axis, $reading->workingDistanceMm);
        $room = $state === FocusState::Sharp ? $reading->workingDistanceMm : null;
        $sections = array_filter([
            'Figures' => self::figures($reading, $room, $state),
            'Join, from the camera out' => self::joins($rig),
            'Do' => self::steps($rig, $reading, $room, $shots),
            'Window of focus' => self::window($rig),
            'Light' => self::light($shots),
            'One shot' => self::single($shots),
            'Stack' => self::stack($shots),
            'Mind' => array_map(static fn (Caution $caution): SheetLine => new SheetLine($caution->text), Cautions::of($rig, $reading, $axis->front, [])),
            'Write down' => self::blanks($rig),
        ], static fn (array $lines): bool => $lines !== []);

        return new self($rig->name ?? 'Rig without a name', $sections, $room);
    }

    /** As text, 72 columns wide, figures at the right. */
    public function text(): string
    {
        $lines = [$this->title, str_repeat('=', min(self::WIDE, mb_strlen($this->title)))];
        foreach ($this->sections as $heading => $section) {
            array_push($lines, '', $heading, str_repeat('-', mb_strlen($heading)));
            foreach ($section as $n => $line) {
                $number = in_array($heading, ['Do', 'Join, from the camera out'], true) ? sprintf('%2d ', $n + 1) : '';
                $text = $number.$line->text;
                $figure = $line->figure ?? '';
                $room = self::WIDE - ($figure === '' ? 0 : mb_strlen($figure) + 1);
                $wrapped = self::wrap($text, $room, mb_strlen($number));
                $last = count($wrapped) - 1;
                foreach ($wrapped as $k => $part) {
                    $lines[] = $k < $last || $figure === '' ? $part : $part.str_repeat(' ', max(1, self::WIDE - mb_strlen($part) - mb_strlen($figure))).$figure;
                }
            }
        }

        return implode("\n", $lines)."\n";
    }

    /** @return array<string, list<array{text: string, figure: ?string}>> lines by heading */
    public function toArray(): array
    {
        return array_map(static fn (array $lines): array => array_map(static fn (SheetLine $line): array => ['text' => $line->text, 'figure' => $line->figure], $lines), $this->sections);
    }

    /** @return list<SheetLine> */
    private static function figures(Reading $reading, ?float $room, FocusState $state): array
    {
        $told = static fn (?float $value, string $unit): string => $value === null ? '—' : Phrase::figure($value, $unit);

        return [
            new SheetLine('Magnification', $told($reading->magnification, 'x')),
            new SheetLine('Field', $reading->fieldWidthMm === null || $reading->fieldHeightMm === null ? '—' : Phrase::digits($reading->fieldWidthMm).' × '.Phrase::figure($reading->fieldHeightMm, 'mm')),
            new SheetLine('Front to subject', match ($state) {
                FocusState::Sharp => $told($room, 'mm'),
                FocusState::AtInfinity => 'infinity',
                FocusState::Inside => 'inside the rig',
                FocusState::PastInfinity => 'past infinity',
                FocusState::Never => 'never sharp',
            }),
            new SheetLine('Really f/', $reading->effectiveAperture === null ? '—' : Phrase::digits($reading->effectiveAperture)),
        ];
    }

    /** @return list<SheetLine> */
    private static function joins(Rig $rig): array
    {
        $lines = [new SheetLine($rig->camera->name ?? 'Camera', $rig->frame->name)];
        foreach ($rig->chain as $i => $part) {
            $said = AsEngraved::of($rig, $i);
            $lines[] = new SheetLine(AsEngraved::name($part), $said === '' ? null : $said);
        }

        return $lines;
    }

    /** @return list<SheetLine> in the order of the handbook: magnification first, then the distance by moving the whole rig, then the stop */
    private static function steps(Rig $rig, Reading $reading, ?float $room, Shots $shots): array
    {
        $lines = [];
        foreach ($rig->chain as $i => $part) {
            if ($part instanceof VariableSpacer) {
                $lines[] = new SheetLine(($part instanceof Bellows ? 'Set the draw, then lock it: ' : 'Turn '.$part->label().' to ').AsEngraved::of($rig, $i).'.');
            }
        }
        foreach ($rig->chain as $i => $part) {
            if ($part instanceof Lens && $rig->lenses[$i]->turns()) {
                $lines[] = new SheetLine('Set the ring of '.$part->label().': '.AsEngraved::of($rig, $i).'.');
            }
        }
        if ($reading->fieldWidthMm !== null) {
            $lines[] = new SheetLine('Lay a ruler where the subject will be: '.Phrase::figure($reading->fieldWidthMm, 'mm').' of it fill the frame.');
        }
        $hasStops = $shots->best !== null || ($rig->workingLens() !== null && count($rig->stopsAt($rig->workingLens())) > 1);
        if ($room !== null) {
            $lines[] = new SheetLine(($hasStops ? 'Open the aperture; move' : 'Move').' the whole rig until it is sharp: '.Phrase::figure($room, 'mm').' from its front. Leave the rings alone.');
        }
        $marked = $rig->workingLens() === null ? null : $rig->markedAperture($rig->workingLens());
        if ($hasStops && $marked !== null) {
            $lines[] = new SheetLine('Close to '.Phrase::figure($marked, 'f').'. Hands off.');
        }
        if (($reading->cornerBrightness ?? 1.0) < Limits::CLEAR_CORNER) {
            $lines[] = new SheetLine('Take one frame as a test: is the corner lit?');
        }
        $frames = $shots->frames();
        if ($shots->isStack() && $shots->sliceMm !== null) {
            $by = match ($rig->conditions->plan->by) {
                ShotsBy::Ring => ' by the ring',
                ShotsBy::Bracketing => ' by the camera’s own steps',
                default => $shots->rail === null ? '' : ', '.Phrase::digits($shots->rail->turnsAFrame()).' turns of the rail',
            };
            $lines[] = new SheetLine(sprintf('For a stack: %d frames, %s each%s.', (int) $frames, Phrase::figure($shots->sliceMm * (1.0 - $shots->overlap), 'mm'), $by));
        }

        return $lines;
    }

    /** @return list<SheetLine> */
    private static function window(Rig $rig): array
    {
        [$least, $most] = Range::of($rig)->workingDistanceMm;
        if ($least === null || ($most !== null && $most - $least < 0.01)) {
            return [];
        }

        return [new SheetLine('By what moves on it, front to subject', Phrase::figure(max(0.0, $least), 'mm').' to '.($most === null ? 'infinity' : Phrase::figure($most, 'mm')))];
    }

    /** @return list<SheetLine> */
    private static function light(Shots $shots): array
    {
        $conditions = $shots->rig->conditions;
        $plan = $conditions->plan;
        $figures = in_array($plan->light, [LightSource::Lamp, LightSource::Torch], true) ? LightFigures::of($shots->rig) : null;
        $lines = match ($plan->light) {
            LightSource::Lamp => self::lit($plan->lampName ?? 'Lamp', $figures?->lightLux, $figures?->lampMm),
            LightSource::Torch => [new SheetLine('Room dark, painted with a torch for', Phrase::figure(GapClosing::TORCH_S, 's')), ...self::lit('Torch', $figures?->torchLux, $figures?->torchMm)],
            LightSource::There => [],
            // Without a word on it a flash is told where there is one.
            LightSource::Flash, null => self::flash($shots),
        };
        if ($conditions->iso !== null) {
            $lines[] = new SheetLine('ISO', Phrase::digits($conditions->iso));
        }
        if ($shots->shutter->exposureS !== null) {
            $lines[] = new SheetLine('Shutter by the light there is', Phrase::figure($shots->shutter->exposureS, 's'));
        }
        $longest = $shots->shutter->longestS();
        if ($longest !== null) {
            $lines[] = new SheetLine('Still up to', Phrase::figure($longest, 's'));
        }

        return $lines;
    }

    /** @return list<SheetLine> */
    private static function flash(Shots $shots): array
    {
        $flash = $shots->flash;
        if ($flash === null) {
            return [];
        }
        $plan = $shots->rig->conditions->plan;
        $name = $plan->flashName ?? 'Flash, guide number '.Phrase::digits($flash->guideNumber);
        $lines = [new SheetLine($name.', '.Phrase::figure($flash->distanceMm, 'mm').' from the subject', $flash->powerSaid() ?? 'out of its reach')];
        $open = $shots->stackFlash();
        if ($shots->isStack() && $open !== null && $open->powerSaid() !== $flash->powerSaid()) {
            $lines[] = new SheetLine('For the stack, at its stop', $open->powerSaid() ?? 'out of its reach');
        }
        $angle = Reading::of($shots->rig)->lightGapDeg;
        if ($plan->flashAngleDeg !== null || $angle !== null) {
            $lines[] = new SheetLine('Over the plane of focus', implode(', ', array_filter([
                $plan->flashAngleDeg === null ? null : number_format($plan->flashAngleDeg).'°',
                $angle === null ? null : 'below '.number_format($angle).'°',
            ])));
        }

        return $lines;
    }

    /** @return list<SheetLine> */
    private static function lit(string $name, ?float $lux, ?float $mm): array
    {
        return [
            ...($lux === null ? [] : [new SheetLine($name.': light on the subject', Phrase::digits($lux).' lux')]),
            ...($mm === null ? [] : [new SheetLine($name.', bare, at', Phrase::figure($mm, 'mm'))]),
        ];
    }

    /** @return list<SheetLine> */
    private static function single(Shots $shots): array
    {
        if ($shots->blurMm === null) {
            return [];
        }
        $stop = $shots->best === null ? 'As it is' : Phrase::figure($shots->best->single, 'f').' on the ring';

        $lines = [new SheetLine($stop.': blur at the edge of the subject', Phrase::digits(1000.0 * $shots->blurMm).' µm')];
        if ($shots->fall !== null && $shots->fall->depthMm > 0.0) {
            $lines[] = new SheetLine('Focused behind its nearest point', Phrase::figure($shots->fall->depthMm * $shots->fall->focusedAt, 'mm'));
        }

        return $lines;
    }

    /** @return list<SheetLine> */
    private static function stack(Shots $shots): array
    {
        $frames = $shots->frames();
        if (! $shots->isStack() || $frames === null || $shots->sliceMm === null) {
            return [];
        }
        $plan = $shots->rig->conditions->plan;
        $lines = [new SheetLine($shots->best === null ? 'Stop' : 'Stop on the ring', $shots->best === null ? 'as it is' : Phrase::figure($shots->best->stacking, 'f')), new SheetLine('Frames', (string) $frames), new SheetLine('Slice', Phrase::figure($shots->sliceMm, 'mm'))];
        array_push($lines, ...match ($plan->by) {
            ShotsBy::Ring => self::ring($shots),
            ShotsBy::Bracketing => self::bracketing($shots),
            default => self::rail($shots),
        });
        if ($plan->batteryFrames !== null && $frames > $plan->batteryFrames) {
            $lines[] = new SheetLine('Batteries', (string) (int) ceil($frames / $plan->batteryFrames));
        }
        $seconds = $shots->seconds();
        if ($seconds !== null) {
            $lines[] = new SheetLine('Takes about', $seconds < 90.0 ? Phrase::figure($seconds, 's') : Phrase::digits($seconds / 60.0).' min');
        }
        if ($shots->scaleChange !== null) {
            $lines[] = new SheetLine('Leave round it, for the scale changes', Phrase::digits(100.0 * $shots->scaleChange).' %');
        }

        return $lines;
    }

    /** @return list<SheetLine> */
    private static function rail(Shots $shots): array
    {
        if ($shots->rail === null) {
            return [];
        }
        $rail = $shots->rail;
        $name = $shots->rig->conditions->plan->railName;

        return [
            new SheetLine($name === null ? 'Way of the rail' : $name.': its way', Phrase::figure($rail->railMm()[$rail->frames() - 1], 'mm')),
            new SheetLine('Turns a frame', Phrase::digits($rail->turnsAFrame())),
        ];
    }

    /** @return list<SheetLine> */
    private static function ring(Shots $shots): array
    {
        $ring = $shots->ring;
        if ($ring === null || $ring->frames === [] || $shots->stacked === null) {
            return [];
        }
        $at = $ring->ring->part;
        $said = static fn (float $focus): string => AsEngraved::finely($shots->stacked, $at, $focus);
        $last = $ring->frames[count($ring->frames) - 1];

        return [
            new SheetLine('Ring, first frame', $said($ring->frames[0]->focus)),
            new SheetLine($ring->isWhole ? 'Ring, last frame' : 'Ring, last frame; the far end is out of its reach', $said($last->focus)),
            new SheetLine('Frame is wide, first to last', Phrase::digits($ring->frames[0]->fieldMm).' to '.Phrase::figure($last->fieldMm, 'mm')),
        ];
    }

    /** @return list<SheetLine> */
    private static function bracketing(Shots $shots): array
    {
        $bracketing = $shots->bracketing;

        return $bracketing === null ? [] : [
            new SheetLine('Step of the camera', (string) $bracketing->setting),
            new SheetLine($bracketing->leavesGap ? 'Widest step; it leaves gaps' : 'Widest step', Phrase::figure($bracketing->widestMm, 'mm')),
        ];
    }

    /** @return list<SheetLine> what is measured at the table, with room to write it */
    private static function blanks(Rig $rig): array
    {
        $named = [];
        foreach ($rig->chain as $i => $part) {
            if ($part instanceof VariableSpacer) {
                $named[] = $part instanceof Bellows ? 'draw' : $part->label();
            }
            if ($part instanceof Lens && $rig->lenses[$i]->turns()) {
                $named[] = 'ring of '.$part->label();
            }
        }

        return array_map(static fn (string $what): SheetLine => new SheetLine($what, '__________'), [...$named, 'front to subject', ...($rig->workingLens() !== null && count($rig->stopsAt($rig->workingLens())) > 1 ? ['aperture'] : []), 'shutter', 'frames', 'sharp?']);
    }

    /** @return non-empty-list<string> broken between words, what follows the first under its words */
    private static function wrap(string $text, int $room, int $indent): array
    {
        $lines = [''];
        foreach (explode(' ', $text) as $word) {
            $last = count($lines) - 1;
            $longer = $lines[$last] === '' || trim($lines[$last]) === '' ? $lines[$last].$word : $lines[$last].' '.$word;
            if (mb_strlen($longer) > $room && trim($lines[$last]) !== '') {
                $lines[] = str_repeat(' ', $indent).$word;
            } else {
                $lines[$last] = $longer;
            }
        }

        return $lines;
    }
}
