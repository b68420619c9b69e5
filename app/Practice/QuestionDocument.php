<?php

declare(strict_types=1);

namespace App\Practice;

use ZincThimble\Core\Drawing\Layout;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Practice\Question;
use ZincThimble\Core\Practice\QuestionKind;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Rig;

/** A question as it is handed out and kept: what is asked, what is true, and the drawing that stands beside it. */
final class QuestionDocument
{
    public static function of(Question $question): \stdClass
    {
        return (object) [
            'pattern' => $question->pattern, 'numbers' => (object) $question->numbers, 'unit' => $question->unit, 'truth' => $question->truth, 'halfWidth' => $question->halfWidth, 'reason' => $question->reason,
            'reasonNumbers' => (object) $question->reasonNumbers, 'thumb' => $question->thumb, 'thumbWords' => $question->thumbWords, 'mistake' => $question->mistake, 'options' => $question->options,
            // Of two, neither is drawn: they are told apart by their parts. Nor is a tube that is asked for.
            'drawing' => $question->rig === null || $question->kind === QuestionKind::LargerOfTwo || $question->kind === QuestionKind::TubeWanted ? null : self::drawing($question->rig),
        ];
    }

    private static function drawing(Rig $rig): \stdClass
    {
        $axis = Axis::of($rig);
        $reading = Reading::along($rig, $axis);
        $plan = Layout::of($rig, $axis, $reading);

        return (object) ['camera' => $rig->camera->name ?? '', 'body' => (object) $plan['camera'], 'drawn' => $plan['parts'], 'tipMm' => $plan['tipMm'], 'subjectDistanceMm' => $reading->subjectDistanceMm];
    }

    /** The same back, without its rig. */
    public static function question(QuestionKind $kind, string $name, \stdClass $document): Question
    {
        /** @var array<string, mixed> $fields */
        $fields = json_decode(json_encode($document, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION), true, 64, JSON_THROW_ON_ERROR);
        $values = new Values($fields);

        return new Question(
            kind: $kind, name: $name, pattern: $values->stringOr('pattern', ''), numbers: self::numbers($fields['numbers'] ?? []), unit: $values->stringOr('unit', ''), truth: $values->float('truth'), halfWidth: $values->float('halfWidth'),
            reason: $values->stringOr('reason', ''), reasonNumbers: self::numbers($fields['reasonNumbers'] ?? []), thumb: $values->floatOrNull('thumb'), thumbWords: $values->stringOr('thumbWords', ''), mistake: $values->float('mistake'),
            options: $values->strings('options'),
        );
    }

    /** @return array<string, float|string> */
    private static function numbers(mixed $of): array
    {
        $numbers = [];
        foreach (is_array($of) ? $of : [] as $name => $value) {
            $numbers[(string) $name] = is_string($value) ? $value : (is_numeric($value) ? (float) $value : 0.0);
        }

        return $numbers;
    }
}
