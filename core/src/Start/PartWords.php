<?php

declare(strict_types=1);

namespace ZincThimble\Core\Start;

use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Joint;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Joint\StandardJoints;

/**
 * One part in words, read figure by figure: what is read is taken out, so that no number is read twice. What nobody tells is taken as
 * parts of that sort have it; of a lens it is marked as guessed, with its half-width. Lengths in mm.
 */
final class PartWords
{
    /** What names a kind, the more particular first. */
    private const KINDS = [
        '/\bf ?\/? ?\d|\d ?mm.* 1 ?: ?\d/u' => Kind::Lens,
        '/\b(revers\w+|retro)\b.*\b(ring|adapter|mount)\b|\breversing\b/u' => Kind::ReversingRing,
        '/\bcoupl\w+|\bmale[- ]male\b|\bface to face\b/u' => Kind::CouplingRing,
        '/\bstep[- ]?(up|down)?( ?ring)?\b|\bfilter adapter\b/u' => Kind::StepRing,
        '/\bbellows?\b/u' => Kind::Bellows,
        '/\bhelicoids?\b|\bfocus(ing)? tubes?\b/u' => Kind::Helicoid,
        '/\b(close[- ]?up|diopt\w+|achromat|front lens|wet lens)\b/u' => Kind::CloseUpLens,
        '/\bobjectives?\b/u' => Kind::Objective,
        '/\btele[- ]?converter\b|\bextender\b/u' => Kind::Teleconverter,
        '/\b(wide|tele)( angle)? converter\b|\bafocal\b/u' => Kind::Afocal,
        '/\bport\b/u' => Kind::Port,
        '/\b(tubes?|extension|spacers?|macro rings?)\b/u' => Kind::Tube,
        '/\badapt[eo]r\b|\bmount ring\b/u' => Kind::Adapter,
        '/\bhood\b/u' => Kind::Hood, '/\bfilter\b(?! ?thread)/u' => Kind::Filter,
        '/\brail\b/u' => Kind::Rail, '/\btripod\b/u' => Kind::Tripod, '/\b(copy )?stand\b/u' => Kind::Stand,
        '/\b(flash|strobe|speedlight)\b/u' => Kind::Flash, '/\b(lamp|torch|light)\b/u' => Kind::Lamp, '/\b(ruler|scale|target)\b/u' => Kind::Reference,
        '/\b(camera|body|mirrorless)\b/u' => Kind::Camera,
        '/\blens\b|\bf ?\/ ?\d|\b1 ?: ?\d|\b(macro|zoom|enlarg\w+|telephoto|wide[- ]?angle|prime)\b/u' => Kind::Lens,
    ];

    private const NUMBER = '(\d+(?:\.\d+)?)';

    private string $left;

    private readonly ?Kind $kind;

    /** @var list<string> */
    private array $taken = [];

    /** @param  list<string>  $joints */
    public function __construct(private readonly string $text, private readonly array $joints, private readonly ?string $joint)
    {
        $plain = str_replace(['–', '—', '−', '×', '’', '→'], ['-', '-', '-', 'x', "'", '-'], mb_strtolower($text));
        $this->left = ' '.$plain.' ';
        $kind = null;
        foreach (self::KINDS as $pattern => $each) {
            if (preg_match($pattern, $plain) === 1) {
                $kind = $each;
                break;
            }
        }
        $this->kind = $kind ?? (preg_match('/(^|\s)\+\d/', $plain) === 1 ? Kind::CloseUpLens : null);
    }

    /** The word that numbers after it go on with: "tubes 10, 20, 30"; null = none would. */
    public function plural(): ?string
    {
        return in_array($this->kind, [Kind::Tube, Kind::CloseUpLens], true) ? ($this->kind === Kind::Tube ? 'tube' : 'close-up') : null;
    }

    public function read(int $line): PartLine
    {
        if ($this->kind === null) {
            return new PartLine($line, $this->text, null, trouble: 'What it is isn’t said: a tube, a lens (58 mm f/2), +4, bellows, a ring …');
        }
        $fields = ['kind' => $this->kind->value, 'name' => self::called($this->text)];
        $count = $this->kind === Kind::Teleconverter || $this->kind === Kind::Objective ? null : $this->one('/\s(\d{1,2}) ?x (?=\D)/u');
        if ($count !== null && $count > 0.0) {
            $fields['count'] = (int) $count;
            $fields['name'] = self::called((string) preg_replace('/^\s*\d{1,2}\s*[x×]\s*/u', '', $this->text));
        }
        $price = $this->one('/(?:€|eur|usd|\$|£) ?'.self::NUMBER.'/u') ?? $this->one('/'.self::NUMBER.' ?(?:€|eur|usd|\$|£)/u');
        $kilos = $this->one('/\s'.self::NUMBER.' ?kg\b/u');
        $mass = $this->one('/\s'.self::NUMBER.' ?g\b/u');
        if ($price !== null) {
            $fields['price'] = $price;
        }
        $loaded = in_array($this->kind, [Kind::Tripod, Kind::Stand, Kind::Rail], true);
        if ($kilos !== null || $mass !== null) {
            $fields[$loaded && $kilos !== null ? 'loadG' : 'massG'] = $kilos !== null ? $kilos * 1000.0 : $mass;
        }
        $more = match ($this->kind) {
            Kind::Tube, Kind::Adapter => $this->spacer(),
            Kind::ReversingRing, Kind::CouplingRing, Kind::StepRing => $this->ring(),
            Kind::Filter, Kind::Hood => $this->onFront([]) + ['lengthMm' => $this->length() ?? ($this->kind === Kind::Hood ? 20.0 : 5.0)],
            Kind::Helicoid, Kind::Bellows => $this->moving(),
            Kind::Lens => $this->lens(),
            Kind::CloseUpLens => $this->closeUp(),
            Kind::Objective => $this->objective(),
            Kind::Teleconverter, Kind::Afocal => $this->converter(),
            Kind::Port => $this->port(),
            Kind::Camera => $this->camera(),
            Kind::Rail => ['travelMm' => $this->length() ?? $this->guess(150.0, 'a way of 150 mm'), 'pitchMm' => $this->guess(1.25, '1.25 mm a turn')],
            Kind::Flash => ['guideNumber' => $this->one('/(?:gn|guide number|\s) ?'.self::NUMBER.'/u') ?? $this->guess(28.0, 'a guide number of 28 m')],
            Kind::Lamp => array_filter(['watts' => $this->one('/'.self::NUMBER.' ?w\b/u')]),
            Kind::Reference => ['widthMm' => $this->length() ?? 100.0],
            Kind::Tripod, Kind::Stand => [],
        };

        return is_string($more) ? new PartLine($line, $this->text, null, trouble: $more) : new PartLine($line, $this->text, $fields + $more, $this->taken);
    }

    /** @return array<string, mixed>|string */
    private function spacer(): array|string
    {
        $joints = $this->namedJoints();
        $length = $this->length();
        if ($this->kind === Kind::Adapter) {
            [$rear, $front] = count($joints) > 1 ? $joints : [$this->joint, $joints[0] ?? null];
            $length ??= $this->between($rear, $front);
        } else {
            $rear = $front = $joints[0] ?? $this->camerasJoint();
        }

        return $length === null ? 'How long is it? '.self::called($this->kind->value ?? '').' and its length in mm, as “tube 20”.'
            : array_filter(['rear' => $rear, 'front' => $front, 'lengthMm' => $length, 'passes' => preg_match('/\b(contacts?|auto|electr\w+)\b/u', $this->left) === 1 ? ['contacts'] : null]);
    }

    /** An adapter nobody measured is as thick as the registers differ. */
    private function between(?string $rear, ?string $front): ?float
    {
        [$near, $far] = [self::registerOf($rear), self::registerOf($front)];
        if ($near === null || $far === null || $far <= $near) {
            return null;
        }

        return $this->guess(round($far - $near, 2), sprintf('%g mm thick: by so much the registers differ', round($far - $near, 2)));
    }

    /** @return array<string, mixed>|string */
    private function ring(): array|string
    {
        $joints = $this->namedJoints();
        $pair = $this->two('/(\d{2}(?:\.\d)?) ?(?:mm)? ?(?:-|to|\/|>|into|on) ?(\d{2}(?:\.\d)?)/u');
        if ($pair !== null) {
            $joints = [self::filterThread($pair[0]) ?? '', self::filterThread($pair[1]) ?? ''];
        }
        $own = $this->kind === Kind::ReversingRing;
        if ($own && count($joints) < 2) {
            $thread = $joints[0] ?? self::filterThread($this->one('/\s(\d{2}(?:\.\d)?)\s/u'));
            $joints = array_values(array_filter([$this->camerasJoint(), $thread]));
        }
        if (count($joints) < 2 || in_array('', $joints, true)) {
            return $own ? 'Which filter thread does it hold? As “reversing ring 52”.' : 'From which thread to which? As “step ring 52-58”.';
        }
        $usual = match ($this->kind) {
            Kind::ReversingRing => 4.0,
            Kind::CouplingRing => 3.0,
            default => 2.0,
        };

        return ['rear' => $joints[0], 'front' => $joints[1], 'lengthMm' => $this->length() ?? $this->guess($usual, sprintf('%g mm thick', $usual))];
    }

    /** @return array<string, mixed>|string */
    private function moving(): array|string
    {
        $ends = $this->two('/'.self::NUMBER.' ?(?:mm)? ?(?:-|to|\.\.+|…) ?'.self::NUMBER.'/u');
        $joint = $this->namedJoints()[0] ?? $this->camerasJoint();

        return $ends === null ? 'From how short to how long? As “'.($this->kind === Kind::Bellows ? 'bellows 35-135' : 'helicoid 12-17').'”.'
            : array_filter(['rear' => $joint, 'front' => $joint, 'minMm' => min($ends), 'maxMm' => max($ends)]);
    }

    /** @return array<string, mixed>|string */
    private function lens(): array|string
    {
        $widest = $this->one('/\bf ?\/? ?'.self::NUMBER.'/u');
        $macro = preg_match('/\bmacro\b/u', $this->left) === 1;
        $ratio = $widest === null || $macro ? $this->one('/\b1 ?: ?'.self::NUMBER.'/u') : null;
        if ($widest === null && $ratio !== null && ! $macro) {
            [$widest, $ratio] = [$ratio, null];
        }
        $greatest = $ratio !== null ? 1.0 / $ratio : $this->one('/\bup to '.self::NUMBER.' ?x/u') ?? $this->one('/\s'.self::NUMBER.' ?x\s/u');
        $metres = $this->one('/'.self::NUMBER.' ?m\b/u');
        $centimetres = $this->one('/'.self::NUMBER.' ?cm\b/u');
        $joints = $this->namedJoints();
        $thread = $this->one('/(?:filter|ø|front) ?(?:thread)? ?(\d{2}(?:\.\d)?)/u') ?? $this->one('/(\d{2}(?:\.\d)?) ?mm filter/u');
        $zoom = $this->two('/'.self::NUMBER.' ?(?:mm)? ?- ?'.self::NUMBER.'/u');
        $focal = $zoom === null ? $this->one('/'.self::NUMBER.' ?mm/u') ?? $this->one('/\s'.self::NUMBER.'\s/u') : min($zoom);
        if ($focal === null) {
            return 'Which focal length? As “58 mm f/2”.';
        }
        $enlarging = preg_match('/\benlarg/u', $this->left) === 1;
        $kind = match (true) {
            $enlarging => LensKind::Enlarging,
            $zoom !== null => LensKind::Zoom,
            $macro => LensKind::Macro,
            $focal < 40.0 => LensKind::Wide,
            $focal > 90.0 => LensKind::Long,
            default => LensKind::Usual,
        };
        $joint = $joints[0] ?? ($enlarging ? 'thread:39x26tpi' : $this->camerasJoint());
        $register = $enlarging ? null : self::registerOf($joint);
        $made = FirstParts::of(new FirstAnswers(
            camera: ['joint' => $joint ?? 'unknown', 'registerMm' => $register ?? 46.5],
            kind: $kind,
            focalLengthMm: $focal,
            longestMm: $zoom === null ? null : max($zoom),
            widest: $widest,
            closestMm: $metres !== null ? $metres * 1000.0 : ($centimetres !== null ? $centimetres * 10.0 : null),
            greatest: $greatest,
        ))['parts'];
        $lens = end($made);
        assert($lens !== false);
        unset($lens['id'], $lens['name'], $lens['kind']);
        $lens['rear'] = $joint;
        $lens['front'] = self::filterThread($thread);
        if ($register === null && in_array($lens['design'] ?? null, ['wide', 'retrofocus', 'telephoto'], true)) {
            // Of these nothing but the register tells where they stand; the figure is the commonest.
            $this->taken[] = 'a register of 46.5 mm';
        } elseif ($register === null) {
            unset($lens['registerMm']);
        }
        if (in_array($joint, ['thread:42x1', 'thread:39x26tpi'], true) && is_array($lens['aperture'] ?? null)) {
            $lens['aperture'] = ['control' => 'ring'] + $lens['aperture'];
        }
        $guessed = is_array($lens['guessed'] ?? null) ? $lens['guessed'] : [];
        foreach (array_keys($guessed) as $field) {
            $this->taken[] = match ($field) {
                'frontRimMm' => sprintf('mount to front rim %g ± %g mm', self::float($lens, 'frontRimMm'), self::float($guessed, 'frontRimMm')),
                'minFocusMm' => sprintf('closest focus %g m', self::float($lens, 'minFocusMm') / 1000.0),
                'maxMagnification' => sprintf('up to %g×', self::float($lens, 'maxMagnification')),
                default => sprintf('f/%g', is_array($lens['aperture'] ?? null) ? self::float($lens['aperture'], 'widest') : 0.0),
            };
        }

        return array_filter($lens, static fn (mixed $value): bool => $value !== null);
    }

    /** @return array<string, mixed>|string */
    private function closeUp(): array|string
    {
        $power = $this->one('/\+ ?'.self::NUMBER.'/u') ?? $this->one('/'.self::NUMBER.' ?(?:d|dpt|diopt\w+)\b/u');
        $fields = $this->onFront([]);
        $number = $power ?? $this->one('/\s'.self::NUMBER.'(?: ?mm)?\s/u');
        if ($number === null || $number <= 0.0) {
            return 'How strong is it? As “+4”, or by its focal length, as “close-up 250”.';
        }
        // Beyond what any glass has, the number is its focal length in mm.
        $pair = preg_match('/\b(achromat|corrected|pair|two elements|doublet)/u', $this->left) === 1;

        return $fields + ['powerD' => $number > 30.0 ? round(1000.0 / $number, 3) : $number, 'elements' => $pair ? 2 : 1, 'thicknessMm' => $this->guess($pair ? 14.0 : 5.0, sprintf('%g mm thick', $pair ? 14.0 : 5.0))]
            + (preg_match('/\bwet\b/u', $this->left) === 1 ? ['sealed' => true] : []);
    }

    /** @return array<string, mixed>|string */
    private function objective(): array|string
    {
        $pair = $this->two('/'.self::NUMBER.' ?x? ?[\/ ] ?(0?\.\d+)/u');
        $room = $this->one('/(?:wd|working distance) ?'.self::NUMBER.'/u');

        return $pair === null || $pair[0] <= 0.0 || $pair[1] <= 0.0 ? 'Which magnification and NA? As “objective 4/0.10”.' : [
            'rear' => $this->namedJoints()[0] ?? 'thread:20.32x36tpi', 'nominal' => $pair[0], 'na' => $pair[1],
            'workingDistanceMm' => $room ?? $this->guess(round(100.0 / $pair[0], 1), sprintf('%g mm of room', round(100.0 / $pair[0], 1))),
            'corrected' => preg_match('/∞|\binfin/u', $this->left) === 1 ? 'infinite' : 'finite',
        ];
    }

    /** @return array<string, mixed>|string */
    private function converter(): array|string
    {
        $factor = $this->one('/'.self::NUMBER.' ?x/u') ?? $this->one('/\sx ?'.self::NUMBER.'/u');
        $afocal = $this->kind === Kind::Afocal;
        if ($factor === null) {
            return 'By how much? As “teleconverter 1.4x”.';
        }
        if ($afocal) {
            return $this->onFront(['factor' => $factor]) + ['thicknessMm' => $this->length() ?? $this->guess(40.0, '40 mm thick')];
        }
        $joint = $this->namedJoints()[0] ?? $this->camerasJoint();

        return array_filter(['rear' => $joint, 'front' => $joint, 'factor' => $factor, 'lengthMm' => $this->length() ?? $this->guess(20.0, '20 mm long'), 'passes' => ['contacts']]);
    }

    /** @return array<string, mixed> */
    private function port(): array
    {
        return $this->onFront(['gapMm' => $this->guess(6.0, '6 mm between lens and glass'), 'glassMm' => $this->guess(8.0, '8 mm of glass'), 'index' => 1.49, 'medium' => 1.333]);
    }

    /** @return array<string, mixed>|string */
    private function camera(): array|string
    {
        $sensor = $this->two('/'.self::NUMBER.' ?(?:mm)? ?x ?'.self::NUMBER.'/u') ?? (preg_match('/\b(full[- ]?frame|35 ?mm)\b/u', $this->left) === 1 ? [36.0, 24.0] : null);
        $register = $this->one('/register ?(?:of)? ?'.self::NUMBER.'/u');
        $joint = $this->namedJoints()[0] ?? null;
        $register ??= self::registerOf($joint);
        if ($sensor === null || $register === null) {
            return 'Which sensor and register? As “camera 36 x 24 register 46.5”.';
        }

        return array_filter(['joint' => $joint ?? sprintf('own %g', $register), 'registerMm' => $register, 'sensor' => ['widthMm' => max($sensor), 'heightMm' => min($sensor)], 'passes' => ['contacts']]);
    }

    /**
     * What is screwed to a front: its thread in front is the same.
     *
     * @param  array<string, mixed>  $fields
     * @return array<string, mixed>
     */
    private function onFront(array $fields): array
    {
        $thread = $this->namedJoints()[0] ?? self::filterThread($this->one('/(\d{2}(?:\.\d)?) ?mm\b/u') ?? ($this->kind === Kind::CloseUpLens ? null : $this->one('/\s(\d{2}(?:\.\d)?)\s/u')));

        return array_filter(['rear' => $thread, 'front' => $thread]) + $fields;
    }

    private function length(): ?float
    {
        return $this->one('/'.self::NUMBER.' ?mm/u') ?? $this->one('/\s'.self::NUMBER.'\s/u');
    }

    /** @return list<string> joints that are named, in the order they stand */
    private function namedJoints(): array
    {
        $found = [];
        $names = array_unique([...$this->joints, ...array_column(array_filter(StandardJoints::all(), static fn (array $each): bool => $each['type'] === 'bayonet'), 'name')]);
        foreach ($names as $name) {
            $pattern = '/(?<=\s)'.preg_quote(mb_strtolower($name), '/').'(?=\s)/u';
            while (preg_match($pattern, $this->left, $match, PREG_OFFSET_CAPTURE) === 1) {
                $found[$match[0][1]] = $name;
                $this->left = substr_replace($this->left, str_repeat('_', strlen($match[0][0])), $match[0][1], strlen($match[0][0]));
            }
        }
        while (preg_match('/\bm ?(\d{2}(?:\.\d)?)(?: ?x ?(\d(?:\.\d+)?))?\b/u', $this->left, $match, PREG_OFFSET_CAPTURE) === 1) {
            $thread = isset($match[2]) ? 'thread:'.$match[1][0].'x'.$match[2][0] : self::mountThread((float) $match[1][0]);
            if ($thread !== null) {
                $found[$match[0][1]] = $thread;
            }
            $this->left = substr_replace($this->left, str_repeat('_', strlen($match[0][0])), $match[0][1], strlen($match[0][0]));
        }
        ksort($found);

        return array_values($found);
    }

    private function camerasJoint(): ?string
    {
        if ($this->joint !== null) {
            $this->taken[] = 'your camera’s mount, '.$this->joint;
        }

        return $this->joint;
    }

    /** What nobody told, and how that is said. */
    private function guess(float $value, string $words): float
    {
        $this->taken[] = $words;

        return $value;
    }

    /** The number that a pattern finds; it is taken out. */
    private function one(string $pattern): ?float
    {
        if (preg_match($pattern, $this->left, $match) !== 1) {
            return null;
        }
        $this->left = (string) preg_replace($pattern, '  ', $this->left, 1);

        return (float) $match[1];
    }

    /** @return ?array{float, float} the numbers that a pattern finds; they are taken out */
    private function two(string $pattern): ?array
    {
        if (preg_match($pattern, $this->left, $match) !== 1) {
            return null;
        }
        $this->left = (string) preg_replace($pattern, '  ', $this->left, 1);

        return [(float) $match[1], (float) $match[2]];
    }

    /** M39 is what screw lenses have, M42 likewise; any other is a filter's. */
    private static function mountThread(float $diameter): ?string
    {
        return match ($diameter) {
            39.0 => 'thread:39x26tpi',
            42.0 => 'thread:42x1',
            default => self::filterThread($diameter),
        };
    }

    private static function filterThread(?float $diameter): ?string
    {
        foreach ($diameter === null ? [] : StandardJoints::all() as $joint) {
            if ($joint['use'] === 'filters' && $joint['diameterMm'] === $diameter) {
                return $joint['name'];
            }
        }

        return $diameter === 58.0 ? 'thread:58x0.75' : null;
    }

    private static function registerOf(?string $joint): ?float
    {
        foreach ($joint === null ? [] : StandardJoints::all() as $each) {
            if ($each['name'] === $joint) {
                return $each['registerMm'];
            }
        }
        try {
            return $joint !== null && preg_match('/^own ([\d.]+)$/', Joint::parse($joint)->name, $match) === 1 ? (float) $match[1] : null;
        } catch (InvalidFigure) {
            return null;
        }
    }

    /** @param  array<mixed>  $of */
    private static function float(array $of, string $name): float
    {
        $value = $of[$name] ?? null;

        return is_int($value) || is_float($value) ? (float) $value : 0.0;
    }

    private static function called(string $text): string
    {
        $text = trim((string) preg_replace('/\s+/u', ' ', $text));

        return mb_strtoupper(mb_substr($text, 0, 1)).mb_substr($text, 1, 119);
    }
}
