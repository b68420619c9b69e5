<?php

declare(strict_types=1);

namespace App\Outings;

use App\Http\Resources\AssignmentView;
use App\Http\Resources\BuyView;
use App\Http\Resources\DrawingCamera;
use App\Http\Resources\DrawingPart;
use App\Http\Resources\OutingPlanView;
use App\Http\Resources\OutingSubjectView;
use App\Http\Resources\OutingSummary;
use App\Http\Resources\OutingView;
use App\Http\Resources\PackedView;
use App\Http\Resources\PreparationView;
use App\Http\Resources\ScaleView;
use App\Http\Resources\VisitView;
use App\Models\Outing;
use App\Models\OutingTick;
use ZincThimble\Core\Drawing\Layout;
use ZincThimble\Core\File\Json;
use ZincThimble\Core\File\OutingFile;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Finding\Caution;
use ZincThimble\Core\Finding\Cautions;
use ZincThimble\Core\Finding\Finding;
use ZincThimble\Core\Finding\Findings;
use ZincThimble\Core\Finding\Phrase;
use ZincThimble\Core\Finding\Severity;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Outing\Assignment;
use ZincThimble\Core\Outing\Checks;
use ZincThimble\Core\Outing\OutingPlan;
use ZincThimble\Core\Outing\PackedItem;
use ZincThimble\Core\Outing\Visit;
use ZincThimble\Core\Plan\AsEngraved;
use ZincThimble\Core\Plan\FlashPlan;
use ZincThimble\Core\Plan\Preparation;
use ZincThimble\Core\Plan\Shots;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\Uncertainty;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Search\PurchaseSuggestion;

/** Outings and their plans as their screens get them. */
final class OutingViews
{
    /** What is ordered takes as long to come as that, days (OPTICS.md, "An outing"). */
    private const ORDERED_DAYS = 7;

    public function __construct(private readonly OutingStore $store)
    {
    }

    public function summary(Outing $outing): OutingSummary
    {
        $subjects = $outing->document->subjects ?? [];
        $place = $outing->document->place ?? null;
        $today = now()->toDateString();

        return new OutingSummary(
            $outing->id, $outing->name, $outing->held_on, is_string($place) ? $place : null, is_array($subjects) ? count($subjects) : 0, $outing->entries_count ?? 0,
            $outing->held_on === null || $outing->held_on > $today ? 'planned' : ($outing->held_on === $today ? 'today' : 'done'),
        );
    }

    public function outing(Outing $outing): OutingView
    {
        $file = $this->store->read($outing);
        $fields = $file->fields;
        $due = OutingDay::of($file)->preparations(now()->toDateTimeImmutable());
        $subjects = [];
        foreach ($file->subjects as $s => $subject) {
            $subjects[] = new OutingSubjectView(
                name: $subject->stringOr('name', ''), wish: self::object($subject->object('wish')), subject: self::object($subject->object('subject')), at: $subject->stringOrNull('at'),
                without: $subject->strings('without'), pinned: isset($file->pinned[$s]) ? self::document($file->pinned[$s]) : null,
            );
        }

        return new OutingView(
            id: $outing->id, revision: $outing->revision, kit: $outing->kit_id, name: $outing->name, date: $outing->held_on, place: $fields->stringOrNull('place'), startsAt: $fields->stringOrNull('startsAt'),
            by: $fields->stringOr('by', 'mass'), conditions: self::object($fields->object('conditions')),
            // Without a time to count from they stand as they were written.
            preparations: $due === []
                ? array_map(static fn (Values $each): PreparationView => new PreparationView($each->stringOr('what', ''), $each->intOr('leadS', 0), $each->stringOrNull('for'), null, false), $fields->objects('preparations'))
                : array_map(static fn (Preparation $each): PreparationView => new PreparationView($each->what, $each->leadS, $each->for, $each->due->format(DATE_ATOM), $each->late), $due),
            checks: $fields->strings('checks'),
            packed: array_values($outing->ticks->filter(static fn (OutingTick $tick): bool => $tick->ticked)->map(static fn (OutingTick $tick): string => $tick->what)->sort()->all()),
            subjects: $subjects,
        );
    }

    public function plan(OutingFile $file, OutingPlan $plan): OutingPlanView
    {
        $begins = OutingDay::of($file);
        $needed = $begins->startsAt ?? $begins->times[0][0] ?? null;
        $order = $needed?->modify('-'.self::ORDERED_DAYS.' days');
        $buy = static fn (PurchaseSuggestion $each): BuyView => new BuyView($each->part->label(), $order?->format('Y-m-d'), $order !== null && $order < now()->toDateTimeImmutable());

        return new OutingPlanView(
            assignments: array_map(fn (Assignment $each): AssignmentView => $this->assignment($each, array_map($buy, $each->buying)), $plan->assignments),
            visits: array_map(static fn (Visit $visit): VisitView => new VisitView($visit->letter, $visit->subjects, $visit->undone, $visit->made), $plan->visits),
            bag: array_map(static fn (PackedItem $item): PackedView => new PackedView($item->id === null ? null : (int) $item->id, $item->name, $item->count, $item->massG, $item->toBuy, $item->for), $plan->bag),
            massG: $plan->massG, parts: $plan->parts, joints: $plan->joints, optimal: $plan->optimal, atMostOffBy: $plan->atMostOffBy, orderOptimal: $plan->orderOptimal, leftOut: $plan->leftOut,
            checks: Checks::of($plan, Conditions::from($file->fields->object('conditions'))),
        );
    }

    /** @param  list<BuyView>  $buying */
    private function assignment(Assignment $each, array $buying): AssignmentView
    {
        $rig = $each->rig;
        $figures = $rig === null ? self::NOTHING : self::figures($rig);

        return new AssignmentView(...$figures + [
            'subject' => $each->subject->name, 'letter' => $each->letter, 'warnings' => array_values(array_map(static fn (Finding $finding): string => $finding->message(), array_filter($each->warnings, static fn (Finding $finding): bool => $finding->severity === Severity::Warn))),
            'withoutMassG' => $each->without?->massG, 'withoutParts' => $each->without?->parts, 'buying' => $buying,
        ]);
    }

    /** What is told of a rig where there is none. */
    private const NOTHING = [
        'title' => '', 'scales' => [], 'magnification' => null, 'magnificationHalfWidth' => null, 'fieldWidthMm' => null, 'workingDistanceMm' => null, 'workingDistanceHalfWidth' => null, 'subjectDistanceMm' => null, 'effectiveAperture' => null,
        'depthOfFieldMm' => null, 'depthOfFieldHalfWidth' => null, 'frames' => null, 'stepMm' => null, 'light' => null, 'cautions' => [], 'rig' => null, 'body' => null, 'drawn' => [], 'tipMm' => null,
    ];

    /** @return array{title: string, scales: list<ScaleView>, magnification: ?float, magnificationHalfWidth: ?float, fieldWidthMm: ?float, workingDistanceMm: ?float, workingDistanceHalfWidth: ?float, subjectDistanceMm: ?float, effectiveAperture: ?float, depthOfFieldMm: ?float, depthOfFieldHalfWidth: ?float, frames: ?int, stepMm: ?float, light: ?string, cautions: list<string>, rig: \stdClass, body: DrawingCamera, drawn: list<DrawingPart>, tipMm: float} */
    private static function figures(Rig $rig): array
    {
        $axis = Axis::of($rig);
        $reading = Reading::along($rig, $axis);
        $sure = Uncertainty::of($rig);
        $shots = Shots::planned($rig);
        $stack = $shots->isStack() ? $shots : null;
        $plan = Layout::of($rig, $axis, $reading);

        return [
            'title' => ($rig->camera->name ?? 'Camera').' · '.AsEngraved::title($rig), 'scales' => self::scales($rig),
            'magnification' => $reading->magnification, 'magnificationHalfWidth' => $sure->halfWidth('magnification'), 'fieldWidthMm' => $reading->fieldWidthMm, 'workingDistanceMm' => $reading->workingDistanceMm,
            'workingDistanceHalfWidth' => $sure->halfWidth('workingDistanceMm'), 'subjectDistanceMm' => $reading->subjectDistanceMm,
            'effectiveAperture' => $reading->effectiveAperture, 'depthOfFieldMm' => $reading->depthOfFieldMm, 'depthOfFieldHalfWidth' => $sure->halfWidth('depthOfFieldMm'), 'frames' => $stack?->frames(),
            'stepMm' => $stack?->sliceMm === null ? null : $stack->sliceMm * (1.0 - $stack->overlap), 'light' => self::light($rig, $reading),
            'cautions' => array_map(static fn (Caution $caution): string => $caution->text, Cautions::of($rig, $reading, $axis->front + $axis->converterMm, Findings::asSet($rig, $reading))),
            'rig' => self::document($rig), 'body' => new DrawingCamera(...$plan['camera']),
            'drawn' => DrawingPart::all($plan['parts']), 'tipMm' => $plan['tipMm'],
        ];
    }

    /** @return list<ScaleView> what is set, as it is engraved */
    public static function scales(Rig $rig): array
    {
        $scales = [];
        foreach ($rig->chain as $i => $part) {
            $reads = AsEngraved::of($rig, $i);
            if ($reads !== '') {
                $scales[] = new ScaleView($part->label(), $reads);
            }
        }

        return $scales;
    }

    private static function light(Rig $rig, Reading $reading): ?string
    {
        $flash = FlashPlan::planned($rig, $reading);
        if ($flash === null) {
            return null;
        }
        $name = $rig->conditions->document->object('plan')->object('flash')->stringOrNull('name');

        return ($name ?? 'Flash').', '.Phrase::figure($flash->distanceMm, 'mm').' from the subject: '.($flash->powerSaid() ?? 'out of its reach');
    }

    private static function object(Values $values): \stdClass
    {
        return (object) $values->fields;
    }

    private static function document(Rig $rig): \stdClass
    {
        $document = json_decode(Json::write(RigFile::document($rig)), false, 64, JSON_THROW_ON_ERROR);

        return $document instanceof \stdClass ? $document : new \stdClass;
    }
}
