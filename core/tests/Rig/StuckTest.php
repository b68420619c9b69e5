<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Rig;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Finding\Code;
use ZincThimble\Core\Finding\Finding;
use ZincThimble\Core\Finding\Severity;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Report\RigReport;
use ZincThimble\Core\Rig\ApertureWorked;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Rig\Travels;
use ZincThimble\Core\Tests\RigMaker;

/** The diaphragm as it really stands, and the ways round (handbook, "How the aperture is worked"). */
final class StuckTest extends TestCase
{
    private const LENS = [
        'kind' => 'lens', 'name' => 'Fifty', 'rear' => 'larch', 'front' => 'thread:52x0.75', 'focalLengthMm' => 50, 'registerMm' => 44.5, 'frontRimMm' => 38, 'focusing' => 'fixed',
        'design' => 'symmetrical', 'pupilRatio' => 1.0, 'principalGapMm' => -6, 'aperture' => ['widest' => 2, 'smallest' => 16, 'control' => 'lever'], 'set' => ['aperture' => 8],
    ];

    private const TUBE = ['kind' => 'tube', 'name' => 'Tube', 'rear' => 'larch', 'front' => 'larch', 'lengthMm' => 20];

    private const RING = ['kind' => 'reversing-ring', 'name' => 'Ring', 'rear' => 'larch', 'front' => 'thread:52x0.75', 'lengthMm' => 4];

    private const BELLOWS = ['kind' => 'bellows', 'name' => 'Bellows', 'rear' => 'larch', 'front' => 'larch', 'minMm' => 40, 'maxMm' => 150, 'setMm' => 60, 'latch' => true];

    private const FAR_RING = ['kind' => 'adapter', 'name' => 'Ring with a cable', 'rear' => 'larch', 'rearSide' => 'female', 'front' => 'thread:62x0.75', 'lengthMm' => 8, 'latch' => true];

    public function test_what_is_stuck_is_read_where_it_is_stuck_whatever_was_asked(): void
    {
        // It was read at f/8, as asked, with the diaphragm closed to f/16.
        foreach ([['closed', 16.0], ['open', 2.0], [null, 16.0]] as [$rest, $stands]) {
            $lens = ['aperture' => array_filter(['rest' => $rest]) + self::LENS['aperture']] + self::LENS;
            $rig = self::rig([self::TUBE, $lens]);
            $this->assertSame(ApertureWorked::Stuck, $rig->totals->coupling);
            $this->assertSame($stands, $rig->markedAperture(1));
            $this->assertEqualsWithDelta($stands * 1.4, Reading::of($rig)->effectiveAperture, 1e-9);
            $this->assertEqualsWithDelta(2 * log(1.4, 2), Reading::of($rig)->stopsLost, 1e-9);
            $this->assertSame([$stands], $rig->stopsAt(1));
            $this->assertNull(Travels::named($rig, '1.aperture'), 'a ring that moves nothing');
            $this->assertEqualsWithDelta($stands * 1.4, Reading::of($rig->with(TravelKind::Aperture, 1, 4.0))->effectiveAperture, 1e-9);
            $said = self::said($rig);
            $this->assertSame(Severity::Stop, $said?->severity);
            $this->assertStringContainsString(($rest === 'open' ? 'wide open at f/2' : 'closed at f/16').':', (string) $said?->message());
        }
        // One that rests as its ring says is worked by its ring.
        $set = self::rig([self::TUBE, ['aperture' => ['rest' => 'set'] + self::LENS['aperture']] + self::LENS]);
        $this->assertSame(8.0, $set->markedAperture(1));
        $this->assertNull(self::said($set));
    }

    public function test_another_lens_in_front_stands_as_it_is_set(): void
    {
        $front = ['reversed' => true, 'set' => ['aperture' => 2.8]] + self::LENS;
        $rig = self::rig([self::TUBE, self::LENS, ['kind' => 'coupling-ring', 'rear' => 'thread:52x0.75', 'front' => 'thread:52x0.75', 'lengthMm' => 5], $front]);
        $this->assertSame(16.0, $rig->markedAperture(1));
        $this->assertSame(2.8, $rig->markedAperture(3));
    }

    /** @return iterable<string, array{list<array<string, mixed>>, ApertureWorked, int}> chain, how it is worked, place of the lens */
    public static function ways(): iterable
    {
        $turned = ['reversed' => true] + self::LENS;
        yield 'wedged' => [[self::TUBE, ['set' => ['aperture' => 8, 'makeshift' => true]] + self::LENS], ApertureWorked::Makeshift, 1];
        yield 'wedged, the other way round' => [[self::RING, ['set' => ['aperture' => 8, 'makeshift' => true]] + $turned], ApertureWorked::Makeshift, 1];
        yield 'by the latch of bellows' => [[self::BELLOWS, self::LENS], ApertureWorked::Latch, 1];
        yield 'not by a latch at its front' => [[self::BELLOWS, self::RING, $turned], ApertureWorked::Stuck, 2];
        yield 'by a latch on a plate that is turned' => [[['plateTurned' => true] + self::BELLOWS, self::RING, $turned], ApertureWorked::Latch, 2];
        yield 'which no longer reaches a lens the usual way round' => [[['plateTurned' => true] + self::BELLOWS, self::LENS], ApertureWorked::Stuck, 1];
        yield 'nor over a tube' => [[['plateTurned' => true] + self::BELLOWS, self::TUBE, self::RING, $turned], ApertureWorked::Stuck, 3];
        yield 'by a ring with a cable at the far end' => [[self::RING, $turned, self::FAR_RING], ApertureWorked::Latch, 1];
        yield 'not by a bare ring there' => [[self::RING, $turned, ['latch' => false] + self::FAR_RING], ApertureWorked::Stuck, 1];
    }

    /** @param  list<array<string, mixed>>  $chain */
    #[DataProvider('ways')]
    public function test_there_are_ways_round(array $chain, ApertureWorked $how, int $at): void
    {
        $rig = self::rig($chain);
        $this->assertSame($how, $rig->totals->coupling);
        $this->assertSame($how === ApertureWorked::Stuck ? 16.0 : 8.0, $rig->markedAperture($at));
        $this->assertSame($how === ApertureWorked::Stuck ? Severity::Stop : Severity::Warn, self::said($rig)?->severity);
        $this->assertEquals($rig, RigFile::parse(RigFile::write($rig)), 'it is written and read again');
    }

    public function test_a_makeshift_goes_with_its_lens(): void
    {
        $rig = self::rig([self::TUBE, ['set' => ['makeshift' => true]] + self::LENS]);
        $this->assertSame(ApertureWorked::Makeshift, $rig->without([0])->withCamera($rig->camera)->totals->coupling);
        $this->assertSame(ApertureWorked::Stuck, $rig->withMakeshift(1, false)->totals->coupling);
        $this->assertSame(ApertureWorked::Makeshift, self::rig([self::TUBE, self::LENS])->withMakeshift(1, true)->totals->coupling);
    }

    /** @return iterable<string, array{float, bool}> f-number, whether the lens has it */
    public static function apertures(): iterable
    {
        $third = 2 ** (1 / 6);
        yield 'wider by more than a third of a stop' => [2 / $third - 0.001, false];
        yield 'wider by a third' => [2 / $third + 0.001, true];
        yield 'its widest' => [2.0, true];
        yield 'its smallest' => [16.0, true];
        yield 'smaller by a third' => [16 * $third - 0.001, true];
        yield 'smaller by more' => [16 * $third + 0.001, false];
    }

    #[DataProvider('apertures')]
    public function test_an_aperture_that_a_lens_has_not_got_is_refused_with_its_limits(float $aperture, bool $has): void
    {
        $document = ['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => ['registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]], 'chain' => [['set' => ['aperture' => $aperture]] + self::LENS]];
        try {
            $rig = RigMaker::made($document);
            $this->assertTrue($has);
            $this->assertSame($aperture, $rig->setting->aperture[0]);
        } catch (FileInvalid $fault) {
            $this->assertFalse($has);
            $this->assertStringContainsString('/chain/0/set/aperture: is f/', $fault->getMessage());
            $this->assertStringContainsString('this lens has f/2 to f/16', $fault->getMessage());
        }
    }

    private static function said(Rig $rig): ?Finding
    {
        foreach (RigReport::of($rig)->findings as $finding) {
            if ($finding->code === Code::ApertureStuck) {
                return $finding;
            }
        }

        return null;
    }

    /** @param  list<array<string, mixed>>  $chain */
    private static function rig(array $chain): Rig
    {
        return RigMaker::chain($chain);
    }
}
