<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Rig;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Gear\Frame;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Rig\BlurRule;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Rig\Subject;

/** Under what a rig is read, and before what: every field by its name, and what is taken where nothing is said. */
final class ConditionsTest extends TestCase
{
    public function test_what_is_said(): void
    {
        $conditions = self::under([
            'wavelengthNm' => 600,
            'blurLimitMm' => 0.02,
            'blurRule' => 'pixel',
            'apertureModel' => 'simple',
            'depthModel' => 'total',
            'support' => 'braced',
            'askedDistanceMm' => 120,
            'iso' => 400,
            'ev' => -2,
            'surroundings' => ['cold', 'water'],
            'mode' => 'crop',
        ]);
        $this->assertSame(600.0, $conditions->wavelengthNm);
        $this->assertSame(0.02, $conditions->blurLimitMm);
        $this->assertSame(BlurRule::Pixel, $conditions->blurRule);
        $this->assertTrue($conditions->simpleAperture);
        $this->assertTrue($conditions->totalDepth);
        $this->assertSame('braced', $conditions->support);
        $this->assertSame(120.0, $conditions->askedDistanceMm);
        $this->assertSame(400.0, $conditions->iso);
        $this->assertSame(-2.0, $conditions->ev);
        $this->assertSame(['cold', 'water'], $conditions->surroundings);
        $this->assertSame('crop', $conditions->mode);
    }

    public function test_what_is_taken_where_nothing_is_said(): void
    {
        $conditions = self::under([]);
        $this->assertSame(550.0, $conditions->wavelengthNm);
        $this->assertSame(BlurRule::Format, $conditions->blurRule);
        $this->assertFalse($conditions->simpleAperture);
        $this->assertFalse($conditions->totalDepth);
        foreach (['blurLimitMm', 'support', 'askedDistanceMm', 'iso', 'ev', 'mode'] as $name) {
            $this->assertNull($conditions->{$name}, $name);
        }
        $this->assertSame([], $conditions->surroundings);
        $this->assertSame(['sun'], self::under(['surroundings' => 'sun'])->surroundings, 'one word stands for a list of one');
        $this->assertSame(BlurRule::Given, self::under(['blurLimitMm' => 0.02])->blurRule, 'a limit that is given is the rule');
    }

    public function test_one_condition_changed_leaves_the_others(): void
    {
        $before = self::under(['support' => 'hand', 'iso' => 400, 'blurRule' => 'pixel']);
        $after = $before->with(['support' => 'table', 'mode' => 'crop']);
        $this->assertSame(['table', 'crop', 400.0, BlurRule::Pixel], [$after->support, $after->mode, $after->iso, $after->blurRule]);
        $this->assertSame(['hand', null], [$before->support, $before->mode]);
        $this->assertNull($after->with(['mode' => null])->mode);
    }

    public function test_what_is_sharp_enough(): void
    {
        $frame = new Frame(36.0, 24.0, 6000, 4000);
        $blind = new Frame(36.0, 24.0, 0, 0);
        $byFormat = hypot(36.0, 24.0) / 1500.0;
        $this->assertEqualsWithDelta($byFormat, self::under([])->blurLimit($frame), 1e-15);
        $this->assertSame(0.012, self::under(['blurRule' => 'pixel'])->blurLimit($frame), 'two pixels');
        $this->assertEqualsWithDelta($byFormat, self::under(['blurRule' => 'pixel'])->blurLimit($blind), 1e-15, 'pixels that nobody counted');
        $this->assertSame(0.02, self::under(['blurLimitMm' => 0.02])->blurLimit($frame));
        $this->assertSame(0.012, self::under(['blurLimitMm' => 0.02, 'blurRule' => 'pixel'])->blurLimit($frame), 'a rule that is said goes before a limit that lies there');
        $this->assertEqualsWithDelta($byFormat, self::under(['blurRule' => 'given'])->blurLimit($frame), 1e-15, 'given, and not said how much');
    }

    public function test_a_subject(): void
    {
        $subject = self::before(['name' => 'Tooth', 'widthMm' => 12.5, 'depthMm' => 1.5, 'radiusMm' => 40, 'flat' => false, 'acrossMmS' => 3, 'toAndFroMmS' => 4, 'traits' => ['wet', 'protected']]);
        $this->assertSame('Tooth', $subject->name);
        $this->assertSame([12.5, 1.5, 40.0, false, 3.0, 4.0], [$subject->widthMm, $subject->depthMm, $subject->radiusMm, $subject->flat, $subject->acrossMmS, $subject->toAndFroMmS]);
        $this->assertTrue($subject->has('wet'));
        $this->assertFalse($subject->has('hot'));
        $bare = self::before([]);
        foreach (['name', 'widthMm', 'depthMm', 'radiusMm', 'flat', 'acrossMmS', 'toAndFroMmS'] as $name) {
            $this->assertNull($bare->{$name}, $name);
        }
        $this->assertSame([], $bare->traits);
    }

    public function test_a_round_subject_is_deeper_the_more_of_it_is_in_the_frame(): void
    {
        $ball = self::before(['radiusMm' => 5]);
        // 3, 4, 5: over 6 mm of a ball of 5 mm its middle stands 1 mm before its edge.
        $this->assertEqualsWithDelta(1.0, $ball->sagOver(6.0), 1e-12);
        $this->assertEqualsWithDelta(2.0, $ball->sagOver(8.0), 1e-12);
        $this->assertSame(5.0, $ball->sagOver(10.0), 'half of it');
        $this->assertSame(5.0, $ball->sagOver(50.0), 'and never more');
        $this->assertNull($ball->sagOver(null));
        $this->assertNull(self::before(['depthMm' => 2])->sagOver(6.0));
        $this->assertSame(2.0, self::before(['depthMm' => 2])->depthOver(6.0));
        $this->assertEqualsWithDelta(3.0, self::before(['depthMm' => 2, 'radiusMm' => 5])->depthOver(6.0), 1e-12);
        $this->assertNull(self::before([])->depthOver(6.0));
        $this->assertNull($ball->depthOver(null));
    }

    /** @param  array<string, mixed>  $fields */
    private static function under(array $fields): Conditions
    {
        return Conditions::from(new Values($fields));
    }

    /** @param  array<string, mixed>  $fields */
    private static function before(array $fields): Subject
    {
        return Subject::from(new Values($fields));
    }
}
