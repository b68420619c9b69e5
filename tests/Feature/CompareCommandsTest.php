<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Support\Facades\Artisan;
use Tests\TestCase;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Picture\RigPicture;
use ZincThimble\Core\Report\Bringing;
use ZincThimble\Core\Report\Comparison;
use ZincThimble\Core\Rig\Rig;

/** rig:compare and rig:picture: rig files, and what the core says of them, without a server or an account. */
final class CompareCommandsTest extends TestCase
{
    private const TOOTH = 'database/demo/1-tower-clock-tooth.rig.json';

    private const SEED = 'database/demo/4-sedge-seed.rig.json';

    public function test_rigs_are_compared_as_they_are_set(): void
    {
        $told = $this->told('rig:compare', ['files' => [base_path(self::TOOTH), base_path(self::SEED)]], 0);
        $this->assertSame(['A', 'B'], array_column($told['rigs'], 'letter'));
        $this->assertSame(['Tower clock tooth', 'Sedge seed, coat pattern'], array_column($told['rigs'], 'name'));
        foreach ([self::TOOTH, self::SEED] as $n => $file) {
            $read = $this->told('rig:read', ['file' => base_path($file)], 0);
            $this->assertEqualsWithDelta($read['magnification'], $told['rigs'][$n]['reading']['magnification'], 1e-12);
            $this->assertSame($read['findings'], $told['rigs'][$n]['reading']['findings']);
        }
        $comparison = Comparison::of([$this->rig(self::TOOTH), $this->rig(self::SEED)], Bringing::asSet());
        foreach ($comparison->best() as $name => $best) {
            $this->assertSame($best['letter'] ?? null, $told['best'][$name], $name);
        }
        $this->assertSame('A', $told['best']['workingDistanceMm']);
        $this->assertSame('B', $told['best']['resolvedDetailMm']);
    }

    public function test_what_cant_be_met_says_how_near_it_gets_and_exits_1(): void
    {
        $told = $this->told('rig:compare', ['files' => [base_path(self::TOOTH), base_path(self::SEED)], '--magnification' => '4'], 1);
        $this->assertSame([false, true], array_column($told['rigs'], 'met'));
        $this->assertEqualsWithDelta(4.0, $told['rigs'][1]['reading']['magnification'], 1e-6);
        $this->assertEqualsWithDelta(23.6 / 4.0, $told['rigs'][0]['cropToMm'], 1e-9);
        $this->assertNull($told['rigs'][1]['cropToMm']);
        $this->assertGreaterThan($told['rigs'][0]['pixelsLeft'], $told['rigs'][1]['pixelsLeft']);
        $this->told('rig:compare', ['files' => [base_path(self::SEED)], '--magnification' => '4', '--sharpest' => true, '--depth' => '1'], 0);
        $closest = $this->told('rig:compare', ['files' => [base_path(self::SEED)], '--closest' => true], 0);
        $this->assertEqualsWithDelta($closest['rigs'][0]['reading']['range']['magnification'][1], $closest['rigs'][0]['reading']['magnification'], 1e-6);
        $this->told('rig:compare', ['files' => [base_path(self::SEED)], '--place' => '240', '--effective' => '22'], 0);
    }

    public function test_for_people_it_is_a_table_and_what_it_comes_to(): void
    {
        $this->assertSame(0, Artisan::call('rig:compare', ['files' => [base_path(self::TOOTH), base_path(self::SEED)]]));
        $said = Artisan::output();
        foreach (['Tower clock tooth', 'working distance', 'Best in room: A', 'Best in detail: B', "B: Rail bellows draw 84\u{2009}mm"] as $words) {
            $this->assertStringContainsString($words, $said);
        }
    }

    public function test_a_bad_file_or_option_is_said_and_exits_2(): void
    {
        $good = base_path(self::SEED);
        foreach ([
            [['files' => [$good, '/nowhere.rig.json']], 'there is no readable file /nowhere.rig.json'],
            [['files' => [$good], '--field' => 'wide'], '--field: should be a number'],
            [['files' => [$good], '--field' => '0'], '--field: should be a number'],
            [['files' => [$good], '--field' => '20', '--closest' => true], 'one of them'],
            [['files' => [$good], '--field' => '20', '--magnification' => '1'], 'one of them'],
            [['files' => [$good], '--effective' => '8', '--sharpest' => true], 'one of them'],
            [['files' => [$good], '--effective' => '0.4'], '--effective: should be a number'],
            [['files' => [$good], '--depth' => '-1'], '--depth: should be a number'],
            [['files' => array_fill(0, 65, $good)], '1 to 64'],
        ] as [$options, $said]) {
            $this->assertSame(2, Artisan::call('rig:compare', $options), $said);
            $this->assertStringContainsString($said, Artisan::output());
        }
        $this->assertSame(2, Artisan::call('rig:picture', ['file' => $good, '--at' => ['near']]));
        $this->assertStringContainsString('--at: should be a number', Artisan::output());
        $this->assertSame(2, Artisan::call('rig:picture', ['file' => '/nowhere.rig.json']));
    }

    public function test_a_picture_is_told_by_layers_and_the_slice_is_its_measure(): void
    {
        $rig = $this->rig(self::SEED);
        $picture = RigPicture::of($rig);
        $this->assertNotNull($picture);
        $told = $this->told('rig:picture', ['file' => base_path(self::SEED)], 0);
        $this->assertSame(['layers', 'gaussianMm', 'resolvedDetailMm'], array_keys($told));
        $this->assertCount(3, $told['layers']);
        foreach ([0, 2] as $limit) {
            $this->assertEqualsWithDelta($rig->blurLimitMm, $told['layers'][$limit]['discMm'], 1e-9);
        }
        $this->assertEqualsWithDelta(0.0, $told['layers'][1]['discMm'], 1e-12);
        $this->assertEqualsWithDelta($picture->resolvedDetailMm(), $told['resolvedDetailMm'], 1e-12);
        $this->assertEqualsWithDelta($picture->gaussianMm, $told['gaussianMm'], 1e-12);
        $asked = $this->told('rig:picture', ['file' => base_path(self::SEED), '--at' => ['-1.5', '3']], 0)['layers'];
        $this->assertSame([-1.5, 3.0], array_column($asked, 'atMm'));
        $this->assertEqualsWithDelta($picture->at(3.0)->discMm, $asked[1]['discMm'], 1e-12);
        $this->assertEqualsWithDelta($picture->at(-1.5)->magnification, $asked[0]['magnification'], 1e-12);
    }

    public function test_a_rig_that_images_nothing_has_no_picture(): void
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'rig');
        file_put_contents($file, (string) json_encode(['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => ['registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]], 'chain' => []]));
        try {
            $this->assertSame(1, Artisan::call('rig:picture', ['file' => $file]));
            $this->assertStringContainsString('images nothing', Artisan::output());
        } finally {
            unlink($file);
        }
    }

    private function rig(string $file): Rig
    {
        return RigFile::parse((string) file_get_contents(base_path($file)));
    }

    /**
     * @param  array<string, mixed>  $options
     * @return array<string, mixed>
     */
    private function told(string $command, array $options, int $exits): array
    {
        $code = Artisan::call($command, $options + ['--json' => true]);
        $said = Artisan::output();
        $this->assertSame($exits, $code, $said);

        return (array) json_decode($said, true, 64, JSON_THROW_ON_ERROR);
    }
}
