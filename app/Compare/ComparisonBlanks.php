<?php

declare(strict_types=1);

namespace App\Compare;

use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use ZincThimble\Core\Picture\TargetKind;
use ZincThimble\Core\Reading\SolveTarget;
use ZincThimble\Core\Report\Bringing;
use ZincThimble\Core\Report\Comparison;

/** The blanks of the sentence that says what rigs are brought to, however they come: typed, in the address, kept, or out of a file. */
final class ComparisonBlanks
{
    /** What a comparison can bring rigs to. */
    private const TARGETS = [SolveTarget::FieldWidth, SolveTarget::Magnification, SolveTarget::SubjectDistance];

    private const CLOSEST = 'closest';

    private const ONE_BY_HAND = '[A-Z]{1,2}:\d{1,3}\.[a-z]{1,12}:-?\d{1,6}(?:\.\d{1,12})?';

    /**
     * What may stand in the blanks.
     *
     * @param  mixed  $to  what stands in the blank `to`
     * @return array<string, list<mixed>>
     */
    public static function rules(mixed $to): array
    {
        $targets = array_map(static fn (SolveTarget $target): string => $target->value, self::TARGETS);

        return [
            'to' => ['nullable', 'string', Rule::in([...$targets, self::CLOSEST])],
            'value' => ['nullable', Rule::requiredIf(in_array($to, $targets, true)), 'numeric', 'min:0.001', 'max:100000'],
            'sharpest' => ['nullable', 'boolean'], 'effective' => ['nullable', 'numeric', 'min:0.5', 'max:1024'],
            'depthMm' => ['nullable', 'numeric', 'min:0', 'max:100000'], 'target' => ['bail', 'nullable', 'string', Rule::enum(TargetKind::class)->except(array_values(array_filter(TargetKind::cases(), static fn (TargetKind $kind): bool => $kind->isMeasured())))],
            'set' => ['nullable', 'string', 'max:4000', 'regex:/^'.self::ONE_BY_HAND.'(?:,'.self::ONE_BY_HAND.'){0,63}$/D'],
        ];
    }

    /**
     * Blanks that came in one piece: what can't be asked is refused, what isn't one is left out.
     *
     * @return array<string, mixed>
     *
     * @throws ValidationException names the blank
     */
    public static function checked(mixed $given): array
    {
        $given = $given instanceof \stdClass ? get_object_vars($given) : (is_array($given) ? $given : []);
        /** @var array<string, mixed> $valid */
        $valid = validator($given, self::rules($given['to'] ?? null))->validate();

        return array_filter($valid, static fn (mixed $value): bool => $value !== null);
    }

    /** @param  array<string, mixed>  $valid  blanks that have been validated */
    public static function bringing(array $valid): Bringing
    {
        $number = static fn (string $name): ?float => is_numeric($valid[$name] ?? null) ? (float) $valid[$name] : null;
        $bringing = Bringing::asSet($number('depthMm'));
        $to = $valid['to'] ?? null;
        $target = is_string($to) ? SolveTarget::tryFrom($to) : null;
        if ($target !== null) {
            $bringing = $bringing->to($target, (float) $number('value'));
        } elseif ($to === self::CLOSEST) {
            $bringing = $bringing->toClosest();
        }
        $effective = $number('effective');

        return match (true) {
            $effective !== null => $bringing->atEffective($effective),
            filter_var($valid['sharpest'] ?? false, FILTER_VALIDATE_BOOL) => $bringing->atSharpest(),
            default => $bringing,
        };
    }

    /** @param  array<string, mixed>  $valid  blanks that have been validated */
    public static function target(array $valid): TargetKind
    {
        $target = $valid['target'] ?? null;

        return is_string($target) ? TargetKind::from($target) : TargetKind::Subject;
    }

    /**
     * What was set by hand, by the number of the rig and the name of its control.
     *
     * @param  array<string, mixed>  $valid  blanks that have been validated
     * @return array<int, array<string, float>>
     */
    public static function byHand(array $valid): array
    {
        $set = $valid['set'] ?? null;
        $letters = array_flip(array_map(Comparison::letter(...), range(0, Comparison::MOST - 1)));
        $byHand = [];
        foreach (is_string($set) && $set !== '' ? explode(',', $set) : [] as $one) {
            [$letter, $control, $value] = explode(':', $one);
            if (isset($letters[$letter])) {
                $byHand[$letters[$letter]][$control] = (float) $value;
            }
        }

        return $byHand;
    }
}
