<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
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
        yield 'focus further past infinity than any ring' => ['update rig_parts set focus = -1.01'];
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

    public function test_every_column_takes_its_bounds_and_nothing_beyond_them(): void
    {
        $this->guest();
        $beyond = 0.001;
        foreach ([
            'parts' => [
                'length_mm' => [0.0, 3000.0],
                'min_mm' => [0.0, 3000.0],
                'max_mm' => [0.0, 3000.0],
                'register_mm' => [0.0, 3000.0],
                'focal_length_mm' => [1.0, 2000.0],
                'principal_gap_mm' => [-2000.0, 2000.0],
                'power_d' => [-50.0, 50.0],
                'mass_g' => [0.0, null],
                'price' => [0.0, null],
            ],
            'rig_parts' => [
                'length_mm' => [0.0, 3000.0],
                'focus' => [-1.0, 1.0],
                'aperture' => [0.5, 256.0],
                'zoom_mm' => [1.0, 2000.0],
                'swing_deg' => [-80.0, 80.0],
                'shift_mm' => [-3000.0, 3000.0],
            ],
        ] as $table => $columns) {
            DB::table($table)->update(array_fill_keys(array_keys($columns), null));
            foreach ($columns as $column => [$least, $greatest]) {
                foreach (array_filter([$least, $greatest], is_float(...)) as $bound) {
                    $this->assertTrue($this->takes($table, [$column => $bound]), "{$table}.{$column} = {$bound}");
                }
                $this->assertFalse($this->takes($table, [$column => $least - $beyond]), "{$table}.{$column} under {$least}");
                if ($greatest !== null) {
                    $this->assertFalse($this->takes($table, [$column => $greatest + $beyond]), "{$table}.{$column} over {$greatest}");
                }
                $this->assertTrue($this->takes($table, [$column => null]), "{$table}.{$column} not known");
            }
        }
    }

    public function test_what_two_columns_or_a_list_may_be_together(): void
    {
        $user = $this->guest();
        foreach ([
            [true, 'parts', ['min_mm' => 14.0, 'max_mm' => 14.0]],
            [false, 'parts', ['min_mm' => 14.0, 'max_mm' => 13.999]],
            [true, 'parts', ['min_mm' => 14.0, 'max_mm' => null]],
            [true, 'parts', ['clear_mm' => 0.001]],
            [false, 'parts', ['clear_mm' => 0.0]],
            [false, 'parts', ['power_d' => 0.0]],
            [true, 'parts', ['count' => 0]],
            [false, 'parts', ['count' => -1]],
            [true, 'parts', ['name' => str_repeat('é', 2000)]],
            [false, 'parts', ['name' => str_repeat('é', 2001)]],
            [true, 'rigs', ['tags' => '[]']],
            [true, 'rigs', ['tags' => json_encode(range(1, 20))]],
            [false, 'rigs', ['tags' => json_encode(range(1, 21))]],
            [false, 'rigs', ['tags' => '{}']],
            [false, 'rig_parts', ['place' => -1]],
            [false, 'users', ['email' => 'fen@example.org']],
            [false, 'users', ['password' => 'x']],
            [false, 'users', ['guest_until' => null, 'email' => 'fen@example.org']],
            [true, 'users', ['guest_until' => null, 'email' => 'fen@example.org', 'password' => 'x']],
        ] as [$taken, $table, $columns]) {
            $this->assertSame($taken, $this->takes($table, $columns), $table.' '.mb_substr((string) json_encode($columns), 0, 80));
        }
        $kit = $user->kits()->firstOrFail();
        $wish = ['user_id' => $user->id, 'kit_id' => $kit->id, 'created_at' => now(), 'updated_at' => now()];
        $wish = array_intersect_key($wish, array_flip(Schema::getColumnListing('wishes')));
        foreach ([[true, 'Tooth', '{}'], [false, 'Tooth', '{}'], [false, ' ', '{}'], [false, 'Disc', '[]'], [true, 'Disc', '{"magnification": 1}']] as [$taken, $name, $asked]) {
            $this->assertSame($taken, $this->took(fn () => DB::table('wishes')->insert($wish + ['name' => $name, 'wish' => $asked])), $name.' '.$asked);
        }
        $joint = ['user_id' => $user->id, 'created_at' => now(), 'updated_at' => now()];
        $joint = array_intersect_key($joint, array_flip(Schema::getColumnListing('joints')));
        foreach ([
            [true, ['name' => 'rowan', 'register_mm' => 0.0, 'throat_mm' => 0.001]],
            [false, ['name' => 'rowan']],
            [true, ['name' => 'alder', 'register_mm' => 3000.0, 'throat_mm' => 3000.0]],
            [false, ['name' => 'hazel', 'register_mm' => -0.001]],
            [false, ['name' => 'hazel', 'register_mm' => 3000.001]],
            [false, ['name' => 'hazel', 'throat_mm' => 0.0]],
            [false, ['name' => 'hazel', 'throat_mm' => 3000.001]],
        ] as [$taken, $columns]) {
            $this->assertSame($taken, $this->took(fn () => DB::table('joints')->insert($joint + $columns)), (string) json_encode($columns));
        }
    }

    public function test_whose_a_row_is_holds_by_itself(): void
    {
        $mine = $this->guest();
        $theirs = $this->guest();
        $kit = $mine->kits()->firstOrFail();
        $rig = $this->rigOf($mine, 'Lichen disc');
        $their = ['kit' => $theirs->kits()->firstOrFail(), 'rig' => $this->rigOf($theirs, 'Lichen disc')];
        $part = $their['kit']->parts()->firstOrFail();
        $this->assertFalse($this->took(fn () => DB::table('rigs')->where('id', $rig->id)->update(['kit_id' => $their['kit']->id])), 'my rig on their kit');
        $this->assertFalse($this->took(fn () => DB::table('rigs')->where('id', $rig->id)->update(['user_id' => $theirs->id])), 'my rig theirs');
        $this->assertFalse($this->took(fn () => DB::table('rig_parts')->where('rig_id', $rig->id)->update(['part_id' => $part->id])), 'their part in my rig');
        $this->assertFalse($this->took(fn () => DB::table('rig_parts')->where('rig_id', $rig->id)->update(['part_id' => $part->id, 'kit_id' => $their['kit']->id])), 'their part of their kit in my rig');
        $this->assertFalse($this->took(fn () => DB::table('parts')->where('id', $part->id)->update(['kit_id' => $kit->id]) > 0 && DB::table('rig_parts')->where('part_id', $part->id)->exists()), 'their part, used by their rig, into my kit');
        // What goes takes along what hangs on it, and nobody else's.
        $kept = DB::table('rigs')->where('user_id', $theirs->id)->count();
        DB::table('users')->where('id', $mine->id)->delete();
        $this->assertSame(0, DB::table('kits')->where('user_id', $mine->id)->count() + DB::table('rigs')->where('user_id', $mine->id)->count());
        $this->assertSame(0, DB::table('parts')->where('kit_id', $kit->id)->count() + DB::table('rig_parts')->where('rig_id', $rig->id)->count());
        $this->assertSame($kept, DB::table('rigs')->where('user_id', $theirs->id)->count());
    }

    /** @param  array<string, mixed>  $columns */
    private function takes(string $table, array $columns): bool
    {
        $first = DB::table($table)->min('id');

        return $this->took(fn () => DB::table($table)->where('id', $first)->update($columns));
    }

    /** Whether the database did it; a refusal leaves the rest of the test as it was. */
    private function took(\Closure $write): bool
    {
        try {
            return (bool) DB::transaction($write);
        } catch (QueryException) {
            return false;
        }
    }
}
