<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Rig;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Parts;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Rig\ApertureWorked;

/** How the aperture is worked through a chain: what passes, what a latch saves, what turning round takes away. */
final class CouplingTest extends TestCase
{
    /** @return iterable<string, array{list<string>, list<array<string, mixed>>, array<string, mixed>, ApertureWorked, bool}> camera passes, chain before the lens, lens, how, automatic */
    public static function chains(): iterable
    {
        $tube = static fn (string ...$passes): array => ['kind' => 'tube', 'lengthMm' => 20, 'passes' => $passes];
        $ring = ['aperture' => ['control' => 'ring']];
        $electronic = ['aperture' => ['control' => 'electronic']];
        $lever = ['aperture' => ['control' => 'lever']];
        $both = ['contacts', 'lever'];
        $bellows = static fn (bool $latch): array => ['kind' => 'bellows', 'minMm' => 40, 'maxMm' => 150, 'latch' => $latch];

        yield 'a ring always works' => [[], [$tube()], $ring, ApertureWorked::Ring, false];
        yield 'nothing to work' => [[], [], ['aperture' => ['control' => 'none']], ApertureWorked::Ring, false];
        yield 'electronic, right on the camera' => [['contacts'], [], $electronic, ApertureWorked::Contacts, true];
        yield 'electronic, camera works both' => [$both, [$tube(...$both)], $electronic, ApertureWorked::Full, true];
        yield 'electronic through tubes with contacts' => [$both, [$tube('contacts'), $tube('contacts')], $electronic, ApertureWorked::Contacts, true];
        yield 'electronic behind one plain tube' => [$both, [$tube('contacts'), $tube()], $electronic, ApertureWorked::Detach, false];
        yield 'lever through lever tubes' => [$both, [$tube('lever')], $lever, ApertureWorked::Lever, true];
        yield 'lever through both' => [$both, [$tube(...$both)], $lever, ApertureWorked::Full, true];
        yield 'lever behind a contacts-only tube rests closed' => [$both, [$tube('contacts')], ['aperture' => ['control' => 'lever', 'rest' => 'closed']], ApertureWorked::Stuck, false];
        yield 'lever that stands as its ring says' => [$both, [$tube()], ['aperture' => ['control' => 'lever', 'rest' => 'set']], ApertureWorked::Ring, false];
        yield 'lever on bellows with a latch' => [$both, [$bellows(true)], $lever, ApertureWorked::Latch, false];
        yield 'lever on bellows without one' => [$both, [$bellows(false)], $lever, ApertureWorked::Stuck, false];
        yield 'a latch works on through a lever tube' => [$both, [$bellows(true), $tube('lever')], $lever, ApertureWorked::Latch, false];
        yield 'a latch ends at a plain tube' => [$both, [$bellows(true), $tube()], $lever, ApertureWorked::Stuck, false];
        yield 'reversed lever' => [$both, [['kind' => 'reversing-ring', 'lengthMm' => 4]], ['reversed' => true, 'aperture' => ['control' => 'lever', 'rest' => 'open']], ApertureWorked::Stuck, false];
        yield 'reversed electronic' => [$both, [['kind' => 'reversing-ring', 'lengthMm' => 4]], ['reversed' => true] + $electronic, ApertureWorked::Detach, false];
        yield 'reversed electronic on a wired pair' => [$both, [['kind' => 'reversing-ring', 'lengthMm' => 12, 'passes' => ['contacts']]], ['reversed' => true] + $electronic, ApertureWorked::Contacts, true];
        yield 'reversed lever on a latch' => [$both, [$bellows(true)], ['reversed' => true, 'aperture' => ['control' => 'lever', 'rest' => 'closed']], ApertureWorked::Stuck, false];
    }

    /**
     * @param  list<string>  $passes
     * @param  list<array<string, mixed>>  $before
     * @param  array<string, mixed>  $lens
     */
    #[DataProvider('chains')]
    public function test_it_is_worked(array $passes, array $before, array $lens, ApertureWorked $how, bool $automatic): void
    {
        $chain = array_map(static fn (array $part): object => Parts::make(Kind::from($part['kind']), new Values($part)), [
            ...$before, $lens + ['kind' => 'lens', 'focalLengthMm' => 50, 'registerMm' => 44, 'frontRimMm' => 36],
        ]);
        $camera = Camera::from(new Values(['joint' => 'tern', 'registerMm' => 44, 'sensor' => ['widthMm' => 24, 'heightMm' => 16], 'passes' => $passes]));
        $worked = ApertureWorked::through($camera, $chain, count($chain) - 1);
        $this->assertSame($how, $worked);
        $this->assertSame($automatic, $worked->isAutomatic());
    }

    public function test_a_lens_that_does_not_come_off_keeps_everything(): void
    {
        $camera = Camera::from(new Values(['joint' => 'fixed', 'registerMm' => 20, 'sensor' => ['widthMm' => 13, 'heightMm' => 8.8]]));
        $lens = Parts::make(Kind::Lens, new Values(['rear' => 'fixed', 'focalLengthMm' => 9, 'registerMm' => 20, 'frontRimMm' => 50, 'aperture' => ['control' => 'electronic']]));
        $this->assertSame(ApertureWorked::Full, ApertureWorked::through($camera, [$lens], 0));
        $this->assertSame(ApertureWorked::Ring, ApertureWorked::through($camera, [], null));
    }
}
