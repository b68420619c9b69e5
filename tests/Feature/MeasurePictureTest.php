<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Pictures\PictureFile;
use Illuminate\Support\Facades\Artisan;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;
use ZincThimble\Core\Measure\CantMeasure;
use ZincThimble\Core\Measure\Edge;
use ZincThimble\Core\Measure\GreyPlane;
use ZincThimble\Core\Measure\Ruler;
use ZincThimble\Core\Tests\Measure\PictureMaker;
use ZincThimble\Core\Tests\RigMaker;

/** Pictures from files, measured on the command line: what a file does to them (eight bits, JPEG, colours) and what is refused. */
final class MeasurePictureTest extends TestCase
{
    private string $path;

    protected function setUp(): void
    {
        parent::setUp();
        $this->path = (string) tempnam(sys_get_temp_dir(), 'picture');
    }

    protected function tearDown(): void
    {
        unlink($this->path);
        parent::tearDown();
    }

    public function test_jpegs_of_quality_80_are_measured_as_well(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $pictures = new PictureMaker($make);
        $worst = [0.0, 0.0];
        for ($n = 0; $n < 30; $n++) {
            $period = 8.0 * exp($make->number(0.0, log(4.0)));
            $ruler = $pictures->ruler((int) max(120, 14 * $period), 80, ['period' => $period, 'angle' => $make->number(-0.2, 0.2), 'noise' => $make->number(0.0, 0.02), 'blur' => $make->number(0.3, 1.0)]);
            $worst[0] = max($worst[0], abs(Ruler::in(PictureFile::plane(self::file($ruler, 'jpeg')))->pixelsPerDivision / $period - 1.0));
            $sigma = $make->number(0.9, 2.5);
            $edge = $pictures->edge(120, 200, ['angle' => $make->number(0.05, 0.24), 'sigma' => $sigma]);
            $worst[1] = max($worst[1], abs(Edge::in(PictureFile::plane(self::file($edge, 'jpeg')))->mtf50 / Edge::in($edge)->mtf50 - 1.0));
        }
        fwrite(STDERR, sprintf("JPEG of quality 80: rulers within %.3f %%, edges within %.2f %% of what they were\n", 100.0 * $worst[0], 100.0 * $worst[1]));
        $this->assertLessThan(0.003, $worst[0]);
        $this->assertLessThan(0.05, $worst[1]);
    }

    public function test_the_command_line_measures_a_ruler_and_an_edge(): void
    {
        $pictures = new PictureMaker(new RigMaker(4));
        file_put_contents($this->path, self::file($pictures->ruler(400, 100, ['period' => 25.0, 'angle' => 0.1]), 'png'));
        [$code, $told] = self::run_('picture:ruler', ['file' => $this->path, '--division' => '0.5', '--pitch' => '0.005', '--json' => true]);
        $ruler = json_decode($told, true, 64, JSON_THROW_ON_ERROR);
        $this->assertSame([0, ['pixelsPerDivision', 'standardError', 'lines', 'angleDeg', 'growthPerDivision', 'magnification']], [$code, array_keys($ruler)]);
        $this->assertEqualsWithDelta([25.0, 0.25, rad2deg(0.1), 0.0], [$ruler['pixelsPerDivision'], $ruler['magnification'], $ruler['angleDeg'], $ruler['growthPerDivision']], 0.02);
        // Half of it by a box; nothing said of a sensor.
        $half = json_decode(self::run_('picture:ruler', ['file' => $this->path, '--division' => '0.5', '--box' => '200,10,190,80', '--json' => true])[1], true, 64, JSON_THROW_ON_ERROR);
        $this->assertLessThan($ruler['lines'], $half['lines']);
        $this->assertNull($half['magnification']);
        $this->assertStringContainsString('25 pixels a division', self::run_('picture:ruler', ['file' => $this->path, '--division' => '0.5'])[1]);

        file_put_contents($this->path, self::file($pictures->edge(120, 200, ['angle' => 0.1, 'sigma' => 1.5]), 'png'));
        [$code, $told] = self::run_('picture:edge', ['file' => $this->path, '--pitch' => '0.004', '--magnification' => '2', '--json' => true]);
        $edge = json_decode($told, true, 64, JSON_THROW_ON_ERROR);
        $this->assertSame([0, ['mtf50', 'mtf10', 'halfWidth', 'angleDeg', 'contrast', 'mtf50LpPerMm', 'mtf50LpPerMmInSubject']], [$code, array_keys($edge)]);
        $this->assertEqualsWithDelta(0.1227, $edge['mtf50'], 0.002);
        $this->assertEqualsWithDelta([$edge['mtf50'] / 0.004, $edge['mtf50'] / 0.002], [$edge['mtf50LpPerMm'], $edge['mtf50LpPerMmInSubject']], 1e-9);
    }

    /** @return array<string, array{array<string, mixed>, int, string}> */
    public static function faults(): array
    {
        return [
            'no division' => [[], 2, '--division'], 'no number' => [['--division' => 'x'], 2, '--division'], 'no box' => [['--division' => '1', '--box' => '1,2,3'], 2, '--box'],
            'beyond the picture' => [['--division' => '1', '--box' => '300,0,200,80'], 2, '400 by 100'], 'too small' => [['--division' => '1', '--box' => '0,0,70,60'], 1, '80 pixels'],
            'no file' => [['--division' => '1', 'file' => '/nowhere.png'], 2, 'no readable file'],
        ];
    }

    /** @param  array<string, mixed>  $options */
    #[DataProvider('faults')]
    public function test_what_cant_be_read_or_measured_says_why(array $options, int $code, string $why): void
    {
        file_put_contents($this->path, self::file((new PictureMaker(new RigMaker(4)))->ruler(400, 100, ['period' => 10.0, 'angle' => 0.1]), 'png'));
        [$exits, $told] = self::run_('picture:ruler', $options + ['file' => $this->path]);
        $this->assertSame($code, $exits, $told);
        $this->assertStringContainsString($why, $told);
    }

    public function test_what_is_no_picture_or_too_large_is_not_opened(): void
    {
        foreach (['', 'not a picture', "\x89PNG\r\n\x1a\n", (string) gzcompress('x')] as $bytes) {
            try {
                PictureFile::plane($bytes);
                $this->fail('It was opened.');
            } catch (CantMeasure $refused) {
                $this->assertStringContainsString('can be read', $refused->getMessage());
            }
        }
        // A PNG that says that it is 40,000 by 40,000 pixels.
        $huge = "\x89PNG\r\n\x1a\n".pack('N', 13).'IHDR'.pack('NNCCCCC', 40_000, 40_000, 8, 0, 0, 0, 0);
        $this->expectExceptionMessage('60 million');
        PictureFile::plane($huge.pack('N', crc32(substr($huge, 12))));
    }

    /** Colours count as bright as they look, in linear light. */
    public function test_colours_are_as_bright_as_they_are(): void
    {
        $picture = imagecreatetruecolor(3, 1);
        foreach ([[255, 0, 0], [0, 255, 0], [0, 0, 128]] as $x => [$red, $green, $blue]) {
            imagesetpixel($picture, $x, 0, (int) imagecolorallocate($picture, $red, $green, $blue));
        }
        ob_start();
        imagepng($picture);
        $plane = PictureFile::plane((string) ob_get_clean());
        $this->assertEqualsWithDelta([0.2126, 0.7152, 0.0722 * GreyPlane::linear(128)], $plane->values, 1e-9);
        $this->assertSame([2, 1], [PictureFile::plane(self::file($plane, 'png'), [1, 0, 2, 1])->width, $plane->height]);
    }

    /** @param  'png'|'jpeg'  $as */
    public static function file(GreyPlane $plane, string $as): string
    {
        $picture = imagecreatetruecolor(max(1, $plane->width), max(1, $plane->height));
        foreach ($plane->values as $n => $value) {
            $byte = (int) round(255.0 * ($value <= 0.0031308 ? 12.92 * $value : 1.055 * $value ** (1 / 2.4) - 0.055));
            imagesetpixel($picture, $n % $plane->width, intdiv($n, $plane->width), $byte << 16 | $byte << 8 | $byte);
        }
        ob_start();
        $as === 'png' ? imagepng($picture) : imagejpeg($picture, null, 80);

        return (string) ob_get_clean();
    }

    /**
     * @param  array<string, mixed>  $arguments
     * @return array{int, string}
     */
    private static function run_(string $command, array $arguments): array
    {
        $code = Artisan::call($command, $arguments);

        return [$code, Artisan::output()];
    }
}
