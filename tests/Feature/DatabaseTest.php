<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** The database holds to the bounds by itself, whatever the forms let through. */
final class DatabaseTest extends TestCase
{
    /** @return iterable<string, array{string}> */
    public static function refused(): iterable
    {
        yield 'a length below 0' => ['update parts set length_mm = -1'];
        yield 'a length over 3 m' => ['update parts set length_mm = 3001'];
        yield 'longest under shortest' => ['update parts set min_mm = 10, max_mm = 5'];
        yield 'a principal gap beyond 2 m' => ['update parts set principal_gap_mm = -2001'];
        yield 'a focal length under 1 mm' => ['update parts set focal_length_mm = 0.5'];
        yield 'a power of 0' => ['update parts set power_d = 0'];
        yield 'a mass below 0' => ['update parts set mass_g = -1'];
        yield 'a clear width of 0' => ['update parts set clear_mm = 0'];
        yield 'a count below 0' => ['update parts set count = -1'];
        yield 'no such kind' => ["update parts set kind = 'prism'"];
        yield 'focus over 1' => ['update rig_parts set focus = 1.01'];
        yield 'focus below 0' => ['update rig_parts set focus = -0.01'];
        yield 'an f-number of 0' => ['update rig_parts set aperture = 0'];
        yield 'a draw below 0' => ['update rig_parts set length_mm = -3'];
        yield 'a person without an address' => ['update users set guest_until = null'];
        yield 'two kits of one name' => ['insert into kits (user_id, name) select user_id, name from kits'];
        yield 'two rigs of one name' => ["update rigs set name = 'same'"];
        yield 'a rig of nobody' => ['update rigs set user_id = 0'];
        yield 'a part of no kit' => ['update parts set kit_id = 0'];
    }

    #[DataProvider('refused')]
    public function test_it_refuses(string $statement): void
    {
        $this->guest();
        $this->expectException(QueryException::class);
        DB::statement($statement);
    }

    public function test_swings_shifts_and_gaps_may_be_negative(): void
    {
        $this->guest();
        DB::statement('update rig_parts set swing_deg = -10, shift_mm = -5');
        DB::statement('update parts set principal_gap_mm = -12');
        $this->assertSame(0, DB::table('rig_parts')->where('shift_mm', '>=', 0)->count());
    }
}
