<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Bench\RigStore;
use App\Devices\CameraDevice;
use App\Devices\DeviceLost;
use App\Devices\DeviceRefused;
use App\Devices\Devices;
use App\Devices\FrameCrop;
use App\Devices\GcodeRail;
use App\Devices\HttpCamera;
use App\Devices\ShutterSettings;
use App\Look\LookStore;
use App\Look\StackRuns;
use App\Models\Frame;
use App\Models\Look;
use App\Models\Part;
use App\Models\Rig;
use App\Models\StackRun;
use App\Models\User;
use App\Pictures\Labelled;
use App\Pictures\PictureFile;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Str;
use Symfony\Component\Process\Process;
use Tests\TestCase;
use ZincThimble\Core\Measure\Ruler;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\Uncertainty;

/** Look through: the made-up rail and camera as a process of their own, frames with their figures inside, a stack that loses none. */
final class LookApiTest extends TestCase
{
    private static ?Process $driver = null;

    private static int $rail = 0;

    private static int $camera = 0;

    private User $user;

    private Rig $rig;

    public static function setUpBeforeClass(): void
    {
        parent::setUpBeforeClass();
        [self::$rail, self::$camera] = [self::freePort(), self::freePort()];
        $folder = sys_get_temp_dir().'/devices-'.bin2hex(random_bytes(6));
        self::$driver = new Process(['php', '-d', 'opcache.enable_cli=1', '-d', 'opcache.jit=tracing', '-d', 'opcache.jit_buffer_size=64M', dirname(__DIR__, 2).'/artisan', 'devices:drive'], null, [
            'RAIL_PORT' => (string) self::$rail, 'CAMERA_PORT' => (string) self::$camera, 'DEVICES_PATH' => $folder, 'ZINC_DEVICE_PACE' => '0.001',
        ]);
        self::$driver->start();
        for ($n = 0; $n < 200 && @fsockopen('127.0.0.1', self::$camera) === false; $n++) {
            usleep(50_000);
        }
        self::assertTrue(self::$driver->isRunning(), self::$driver->getErrorOutput().self::$driver->getOutput());
    }

    public static function tearDownAfterClass(): void
    {
        self::$driver?->stop(2);
        parent::tearDownAfterClass();
    }

    private static function freePort(): int
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0');
        self::assertNotFalse($socket);
        $name = (string) stream_socket_get_name($socket, false);
        fclose($socket);

        return (int) substr($name, (int) strrpos($name, ':') + 1);
    }

    protected function setUp(): void
    {
        parent::setUp();
        config(['zinc.devices.rail_port' => self::$rail, 'zinc.devices.camera_port' => self::$camera, 'zinc.devices.pace' => 0.001]);
        $this->user = $this->guest();
        $this->actingAs($this->user);
        $this->rig = $this->rigOf($this->user, 'Tower clock tooth');
    }

    private function at(string $what = ''): string
    {
        return "/api/rigs/{$this->rig->id}/look".($what === '' ? '' : '/'.$what);
    }

    public function test_what_stands_before_it_is_told_and_set(): void
    {
        $look = $this->getJson($this->at())->assertOk()->assertJson(['hidden' => false, 'closed' => false, 'lost' => false, 'trouble' => null, 'run' => null, 'frames' => []])->json();
        $this->assertContains($look['target']['kind'], ['subject', 'seed']);
        $set = $this->putJson($this->at(), ['target' => 'ruler', 'closed' => true, 'exposureStops' => 1.5])->assertOk()->json();
        $this->assertSame(['ruler', true, 1.5, null], [$set['target']['kind'], $set['closed'], $set['exposureStops'], $set['stackFrames']]);
        $this->assertGreaterThan(0, $set['target']['divisionMm']);
        $this->assertStringContainsString('flat', $set['stackTrouble']);
        foreach ([['target' => 'grid'], ['closed' => 'yes'], ['exposureStops' => 5.01], ['exposureStops' => '1'], ['lost' => 1]] as $wrong) {
            $this->putJson($this->at(), $wrong)->assertUnprocessable();
        }
    }

    public function test_the_finder_shows_a_picture_and_the_rail_goes_in_its_own_steps(): void
    {
        $this->putJson($this->at(), ['target' => 'seed'])->assertOk();
        $at = (float) $this->getJson($this->at())->json('railMm');
        $unit = (float) $this->getJson($this->at())->json('unitMm');
        $picture = $this->postJson($this->at('live'), ['railMm' => $at + 3.4 * $unit, 'width' => 300])->assertOk()->assertHeader('Content-Type', 'image/jpeg');
        $this->assertEqualsWithDelta($at + 3 * $unit, (float) $picture->headers->get('Rail-Mm'), 1e-4);
        [$width, $height] = (array) getimagesizefromstring((string) $picture->getContent());
        $this->assertLessThanOrEqual(300, $width);
        $this->assertGreaterThan(200, $width);
        $this->assertEqualsWithDelta($width / 1.5, $height, 2.0);
        $this->assertEqualsWithDelta($at + 3 * $unit, $this->getJson($this->at())->json('railMm'), 1e-4);
        // Another place is another picture; the end of the rail is told, and it stays where it is.
        $other = $this->postJson($this->at('live'), ['railMm' => $at + 40 * $unit, 'width' => 300])->getContent();
        $this->assertNotSame($picture->getContent(), $other);
        $this->postJson($this->at('live'), ['railMm' => 2900])->assertUnprocessable()->assertJsonPath('message', fn (string $why): bool => str_contains($why, 'beyond its end'));
        $this->assertEqualsWithDelta($at + 40 * $unit, $this->getJson($this->at())->json('railMm'), 1e-4);
        $this->postJson($this->at('live'), ['railMm' => -1])->assertUnprocessable();
        $this->postJson($this->at('live'), ['width' => 901])->assertUnprocessable();
    }

    public function test_a_frame_has_its_figures_inside_and_says_that_it_is_made_up(): void
    {
        $look = $this->putJson($this->at(), ['target' => 'ruler'])->json();
        $this->postJson($this->at('live'), ['railMm' => $look['middleMm']])->assertOk();
        $key = (string) Str::uuid();
        $frame = $this->postJson($this->at('frames'), ['key' => $key])->assertOk()->json();
        $this->assertSame(['ruler', null, $look['target']['divisionMm'], $look['crop']['width'], $look['crop']['height']], [$frame['target'], $frame['run'], $frame['divisionMm'], $frame['width'], $frame['height']]);
        $this->assertSame($frame['id'], $this->postJson($this->at('frames'), ['key' => $key])->json('id'), 'the same key is the same frame');
        $png = $this->get($this->at("frames/{$frame['id']}"))->assertOk()->assertHeader('Content-Type', 'image/png');
        $this->assertStringContainsString($frame['name'], (string) $png->headers->get('Content-Disposition'));
        $words = Labelled::read((string) $png->getContent());
        $this->assertSame(LookStore::MADE_UP, $words['Description']);
        $told = json_decode($words['Comment'], true, 64, JSON_THROW_ON_ERROR);
        $this->assertSame([true, 'ruler', $frame['width'], $look['columns']], [$told['madeUp'], $told['target'], $told['crop']['width'], $told['columns']]);
        // And it is what its figures say: the ruler in it tells the magnification.
        $ruler = Ruler::in(PictureFile::plane((string) $png->getContent()));
        $this->assertEqualsWithDelta(1.0, $ruler->pixelsPerDivision * $told['pitchMm'] / $told['divisionMm'] / $this->magnification(), 1e-3);
        $this->assertEqualsWithDelta($this->magnification(), $told['magnification'], 1e-9);
        $this->deleteJson($this->at("frames/{$frame['id']}"))->assertOk()->assertJsonPath('frames', []);
        $this->get($this->at("frames/{$frame['id']}"))->assertNotFound();
    }

    public function test_a_frame_of_a_hidden_lens_doesnt_tell_its_magnification(): void
    {
        $this->putJson($this->at(), ['target' => 'ruler', 'hidden' => true])->assertOk();
        $look = $this->getJson($this->at())->json();
        $this->postJson($this->at('live'), ['railMm' => $look['middleMm']])->assertOk();
        $frame = $this->postJson($this->at('frames'), ['key' => (string) Str::uuid()])->json();
        $png = (string) $this->get($this->at("frames/{$frame['id']}"))->getContent();
        $told = json_decode(Labelled::read($png)['Comment'], true, 64, JSON_THROW_ON_ERROR);
        $this->assertNull($told['magnification']);
        $ruler = Ruler::in(PictureFile::plane($png));
        $this->assertNotEqualsWithDelta(1.0, $ruler->pixelsPerDivision * $told['pitchMm'] / $told['divisionMm'] / $this->magnification(), 1e-5);
    }

    public function test_a_stack_takes_every_frame_once_in_order(): void
    {
        $look = $this->putJson($this->at(), ['target' => 'tooth'])->assertOk()->json();
        $this->assertGreaterThan(2, $look['stackFrames']);
        $run = $this->postJson($this->at('runs'))->assertOk()->json();
        $this->assertSame($look['stackFrames'], $run['frames']);
        $done = $this->getJson($this->at())->json('run');
        $this->assertSame(['done', $run['frames'], $run['frames'], null], [$done['state'], $done['taken'], $done['frames'], $done['reason']]);
        $this->assertEquals(0, $done['secondsLeft']);
        $this->isWhole(StackRun::query()->findOrFail($run['id']));
        // Another one makes room: the frames of the one before go with it.
        $second = $this->postJson($this->at('runs'))->assertOk()->json('id');
        $this->assertNull(StackRun::query()->find($run['id']));
        $this->assertSame($run['frames'], Frame::query()->where('stack_run_id', $second)->count());
    }

    public function test_paused_it_stands_still_and_goes_on_where_it_stood(): void
    {
        Queue::fake();
        $this->putJson($this->at(), ['target' => 'tooth'])->assertOk();
        $run = $this->postJson($this->at('runs'))->assertOk()->json('id');
        $this->postJson($this->at('runs'))->assertUnprocessable();
        $runs = $this->app->make(StackRuns::class);
        $runs->next($run);
        $runs->next($run);
        $this->postJson($this->at('live'), ['railMm' => 10])->assertUnprocessable()->assertJsonPath('message', fn (string $why): bool => str_contains($why, 'Pause it'));
        $this->putJson($this->at("runs/{$run}"), ['do' => 'pause'])->assertOk()->assertJson(['state' => 'paused', 'taken' => 2]);
        $runs->next($run);
        $this->assertSame(2, StackRun::query()->findOrFail($run)->taken);
        // Somebody moved the rail by hand meanwhile.
        $this->postJson($this->at('live'), ['railMm' => 90])->assertOk();
        $this->putJson($this->at("runs/{$run}"), ['do' => 'go on'])->assertOk()->assertJsonPath('state', 'running');
        for ($n = 0; $n < 200 && StackRun::query()->findOrFail($run)->state === 'running'; $n++) {
            $runs->next($run);
        }
        $this->isWhole(StackRun::query()->findOrFail($run));
        $this->putJson($this->at("runs/{$run}"), ['do' => 'go on'])->assertOk()->assertJsonPath('state', 'done');
        $this->putJson($this->at("runs/{$run}"), ['do' => 'again'])->assertUnprocessable();
    }

    public function test_whoever_dies_after_the_exposure_leaves_a_frame_that_is_taken_up_and_not_taken_twice(): void
    {
        Queue::fake();
        $this->putJson($this->at(), ['target' => 'tooth'])->assertOk();
        $run = $this->postJson($this->at('runs'))->assertOk()->json('id');
        $this->app->make(StackRuns::class)->next($run);
        // It dies when the camera has taken the second frame and before anybody has written that down.
        $dying = new class extends Devices
        {
            public function camera(string $table): CameraDevice
            {
                return new class($this->madeUp($table)) implements CameraDevice
                {
                    public function __construct(private readonly HttpCamera $camera)
                    {
                    }

                    public function live(ShutterSettings $settings, int $width): string
                    {
                        return $this->camera->live($settings, $width);
                    }

                    public function take(string $key, ShutterSettings $settings, FrameCrop $crop): string
                    {
                        $this->camera->take($key, $settings, $crop);
                        throw new \Error('killed');
                    }
                };
            }
        };
        try {
            (new StackRuns($dying, $this->app->make(LookStore::class)))->next($run);
            $this->fail('It should have died.');
        } catch (\Error $killed) {
            $this->assertSame('killed', $killed->getMessage());
        }
        $this->assertSame([1, 'running', 1], [StackRun::query()->findOrFail($run)->taken, StackRun::query()->findOrFail($run)->state, Frame::query()->where('stack_run_id', $run)->count()]);
        // Nobody is at work on it: whoever looks takes it up.
        DB::table('stack_runs')->where('id', $run)->update(['updated_at' => now()->subMinutes(2)]);
        Queue::fake();
        $this->getJson($this->at())->assertOk();
        Queue::assertPushed(\App\Look\TakeFrame::class, 1);
        $this->getJson($this->at())->assertOk();
        Queue::assertPushed(\App\Look\TakeFrame::class, 1);
        for ($n = 0; $n < 200 && StackRun::query()->findOrFail($run)->state === 'running'; $n++) {
            $this->app->make(StackRuns::class)->next($run);
        }
        $this->isWhole(StackRun::query()->findOrFail($run));
    }

    public function test_a_lost_connection_is_tried_again_and_then_said_and_it_goes_on_where_it_stood(): void
    {
        Queue::fake();
        $this->putJson($this->at(), ['target' => 'tooth'])->assertOk();
        $run = $this->postJson($this->at('runs'))->assertOk()->json('id');
        $runs = $this->app->make(StackRuns::class);
        $runs->next($run);
        $this->putJson($this->at(), ['lost' => true])->assertOk()->assertJsonPath('lost', true);
        for ($n = 1; $n < 5; $n++) {
            $runs->next($run);
            $this->getJson($this->at())->assertJsonPath('run.state', 'running')->assertJsonPath('run.reason', 'The rail doesn’t answer.');
        }
        $runs->next($run);
        $this->getJson($this->at())->assertJsonPath('run.state', 'failed')->assertJsonPath('run.taken', 1);
        $this->postJson($this->at('live'), [])->assertStatus(424);
        $this->postJson($this->at('frames'), ['key' => (string) Str::uuid()])->assertStatus(424);
        $this->putJson($this->at(), ['lost' => false])->assertOk();
        $this->putJson($this->at("runs/{$run}"), ['do' => 'go on'])->assertJsonPath('state', 'running');
        for ($n = 0; $n < 200 && StackRun::query()->findOrFail($run)->state === 'running'; $n++) {
            $runs->next($run);
        }
        $this->isWhole(StackRun::query()->findOrFail($run));
    }

    public function test_the_rail_speaks_in_lines_and_has_play(): void
    {
        $this->putJson($this->at(), ['target' => 'seed'])->assertOk();
        $table = Look::query()->where('rig_id', $this->rig->id)->firstOrFail()->table_name;
        $talk = static function (string ...$lines): array {
            $socket = stream_socket_client('tcp://127.0.0.1:'.self::$rail);
            self::assertNotFalse($socket);
            $answers = [];
            foreach ($lines as $line) {
                fwrite($socket, $line."\n");
                $answers[] = trim((string) fgets($socket));
            }
            fclose($socket);

            return $answers;
        };
        $this->assertSame(['error: say which table first: (table NAME)', 'error: there is no such table'], $talk('G1 X1', '(table nobodyhasit)'));
        $answers = $talk("(table {$table})", 'G21', 'g90', 'G1 X12.5 F600', 'G4 P1', 'X13', 'G91', 'G1 X-1', 'G1', 'G7 X1', 'M3', 'G1 X2 X3', 'nonsense', 'M2', 'G90', 'G1 X-0.5');
        $this->assertStringStartsWith('ok X', $answers[0]);
        $this->assertSame(['ok X12.50000', 'ok X12.50000', 'ok X13.00000', 'ok X13.00000', 'ok X12.00000'], array_slice($answers, 3, 5));
        $this->assertSame(['error: X is missing', 'error: G7 isn’t known here', 'error: no release is plugged in: the camera is asked for frames', 'error: one X a line', 'error: this line can’t be read', 'ok X12.00000'], array_slice($answers, 8, 6));
        $this->assertStringContainsString('beyond its end', $answers[15]);
        // The same by the client, which says what went wrong in its own words.
        $rail = new GcodeRail('127.0.0.1', self::$rail, $table);
        $this->assertEqualsWithDelta([20.0, 20.0], [$rail->moveTo(20.0, 1200.0), $rail->position()], 1e-6);
        try {
            $rail->moveTo(5000.0, 1200.0);
            $this->fail();
        } catch (DeviceRefused $why) {
            $this->assertStringContainsString('beyond its end', $why->getMessage());
        }
        $this->expectException(DeviceLost::class);
        (new GcodeRail('127.0.0.1', self::freePort(), $table))->position();
    }

    public function test_the_camera_answers_in_http(): void
    {
        $ask = static function (string $method, string $path, string $body = '', string $more = ''): array {
            $socket = stream_socket_client('tcp://127.0.0.1:'.self::$camera);
            self::assertNotFalse($socket);
            fwrite($socket, "{$method} {$path} HTTP/1.1\r\nHost: camera\r\n{$more}Content-Length: ".strlen($body)."\r\n\r\n{$body}");
            $answer = (string) stream_get_contents($socket);

            return [(int) substr($answer, 9, 3), (string) substr($answer, (int) strpos($answer, "\r\n\r\n") + 4)];
        };
        $this->assertSame(404, $ask('GET', '/')[0]);
        $this->assertSame(422, $ask('GET', '/tables/nobodyhasit')[0]);
        $this->assertSame([422, 413], [$ask('PUT', '/tables/short', '{}')[0], $ask('PUT', '/tables/nobodyhasit', '', "X: y\r\nContent-Length: 9999999\r\n")[0]]);
        $this->assertSame(422, $ask('PUT', '/tables/nobodyhasit', json_encode(['rig' => ['format' => 'x'], 'target' => ['kind' => 'seed']], JSON_THROW_ON_ERROR))[0]);
        $this->putJson($this->at(), ['target' => 'seed'])->assertOk();
        $table = Look::query()->where('rig_id', $this->rig->id)->firstOrFail()->table_name;
        [$status, $told] = $ask('GET', "/tables/{$table}");
        $this->assertSame([200, true], [$status, json_decode($told, true)['connection']]);
        foreach ([['key' => ''], ['key' => 'k', 'crop' => ['x' => -1, 'y' => 0, 'width' => 9, 'height' => 9]], ['key' => 'k', 'crop' => ['x' => 0, 'y' => 0, 'width' => 5000, 'height' => 3000]], []] as $wrong) {
            $this->assertSame(422, $ask('POST', "/tables/{$table}/exposures", json_encode($wrong, JSON_THROW_ON_ERROR))[0]);
        }
        $this->assertSame([404, 404], [$ask('POST', "/tables/{$table}/nothing")[0], $ask('DELETE', "/tables/{$table}")[0]]);
    }

    public function test_it_exposes_by_the_light_tab(): void
    {
        $this->getJson($this->at())->assertOk()->assertJsonPath('isMetered', true);
        $this->postJson("/api/rigs/{$this->rig->id}/steps", ['revision' => $this->rig->refresh()->revision, 'step' => ['action' => 'describe', 'document' => ['conditions' => ['ev' => 9, 'iso' => 400] + (array) $this->rig->conditions]]])->assertOk();
        $look = $this->getJson($this->at())->assertOk()->assertJson(['isMetered' => false])->json();
        $light = $this->getJson("/api/rigs/{$this->rig->id}/light")->assertOk()->json('figures');
        $this->assertEqualsWithDelta([$light['exposureS'], 400], [$look['exposureS'], $look['iso']], 1e-9);
    }

    public function test_nobody_elses_rig_is_looked_through_and_frames_stay_with_their_rig(): void
    {
        $this->putJson($this->at(), ['target' => 'seed'])->assertOk();
        $frame = $this->postJson($this->at('frames'), ['key' => (string) Str::uuid()])->assertOk()->json('id');
        $other = $this->rigOf($this->user, 'Lichen disc');
        $this->get("/api/rigs/{$other->id}/look/frames/{$frame}")->assertNotFound();
        $this->deleteJson("/api/rigs/{$other->id}/look/frames/{$frame}")->assertNotFound();
        $this->actingAs($this->guest());
        $this->get($this->at("frames/{$frame}"))->assertNotFound();
        $this->putJson($this->at(), ['target' => 'seed'])->assertNotFound();
        $this->assertSame(1, Frame::query()->count());
    }

    public function test_frames_that_are_too_many_go_the_oldest_first(): void
    {
        config(['zinc.most_frames' => 3]);
        $this->putJson($this->at(), ['target' => 'seed'])->assertOk();
        $ids = [];
        for ($n = 0; $n < 5; $n++) {
            $ids[] = $this->postJson($this->at('frames'), ['key' => (string) Str::uuid()])->assertOk()->json('id');
        }
        $this->assertSame(array_slice($ids, 2), Frame::query()->orderBy('id')->pluck('id')->all());
    }

    public function test_a_lens_that_nobody_knows_is_found_out_by_two_pictures_and_the_third_is_predicted(): void
    {
        $this->rig = $this->rigOf($this->user, 'Lichen disc');
        $this->getJson($this->at())->assertOk()->assertJson(['hidden' => true, 'target' => ['kind' => 'ruler']]);
        $before = $this->halfWidth();
        // On 24 mm of tubes, then on 15.
        $this->shot();
        $this->removed(1);
        $this->shot();
        // And on 9: taken back, and the other one taken off.
        $this->postJson("/api/rigs/{$this->rig->id}/undo", ['revision' => $this->rig->refresh()->revision])->assertOk();
        $this->removed(0);
        $predicted = (float) Reading::of($this->core())->magnification;
        $half = $this->halfWidth();
        $this->assertLessThan($before / 3.0, $half);
        $truth = $this->seen()['magnification'];
        $this->assertEqualsWithDelta($truth, $predicted, $half);
    }

    public function test_tasks_are_judged_by_where_things_truly_stand_and_counted(): void
    {
        $this->postJson($this->at('task'))->assertUnprocessable();
        foreach ([[], ['task' => null], ['task' => 'win'], ['task' => ['focus']]] as $wrong) {
            $this->putJson($this->at('task'), $wrong)->assertUnprocessable();
        }
        // Focus it: begun out of focus, done on the tooth.
        $look = $this->putJson($this->at('task'), ['task' => 'focus'])->assertOk()->assertJson(['task' => 'focus', 'target' => ['kind' => 'tooth']])->json();
        $this->assertLessThan($look['middleMm'] - $look['deepMm'] / 2 - 1.9, $look['railMm']);
        $judged = $this->postJson($this->at('task'))->assertOk()->assertJson(['done' => false])->json();
        $this->assertStringContainsString('before', $judged['pattern']);
        $this->postJson($this->at('live'), ['railMm' => $look['middleMm']])->assertOk();
        $judged = $this->postJson($this->at('task'))->assertOk()->assertJson(['done' => true])->json();
        $this->assertSame(['task' => 'focus', 'tried' => 2, 'done' => 1], $judged['tasks'][0]);
        $this->deleteJson($this->at('task'))->assertOk()->assertJson(['task' => null]);
        $this->postJson($this->at('task'))->assertUnprocessable();
    }

    public function test_a_stack_is_judged_by_its_frames_whoever_took_them(): void
    {
        Queue::fake();
        // What was taken before counts for nothing.
        $this->putJson($this->at(), ['target' => 'tooth'])->assertOk();
        $this->postJson($this->at('frames'), ['key' => (string) Str::uuid()])->assertOk();
        $this->travelTo(now()->addMinute());
        $this->putJson($this->at('task'), ['task' => 'stack'])->assertOk();
        $this->postJson($this->at('task'))->assertOk()->assertJson(['done' => false, 'pattern' => 'No frame has been taken since.']);
        $run = $this->postJson($this->at('runs'))->assertOk()->json('id');
        for ($n = 0; $n < 200 && StackRun::query()->findOrFail($run)->state === 'running'; $n++) {
            $this->app->make(StackRuns::class)->next($run);
            if ($n === 1) {
                $this->postJson($this->at('task'))->assertOk()->assertJson(['done' => false]);
            }
        }
        $this->isWhole(StackRun::query()->findOrFail($run));
        $judged = $this->postJson($this->at('task'))->assertOk()->assertJson(['done' => true])->json();
        $this->assertSame(count(StackRun::query()->findOrFail($run)->positions), (int) $judged['numbers']['n']);
        // One of them gone, the gap is there and as wide as that leaves it.
        Frame::query()->where('stack_run_id', $run)->where('number', 2)->delete();
        $judged = $this->postJson($this->at('task'))->assertOk()->assertJson(['done' => false])->json();
        $this->assertGreaterThan(0, $judged['numbers']['gap']);
        $this->assertSame(['task' => 'stack', 'tried' => 4, 'done' => 1], $judged['tasks'][3]);
    }

    public function test_life_size_and_the_sharpest_stop_are_those_of_the_lens_as_it_truly_is(): void
    {
        $this->putJson($this->at('task'), ['task' => 'life-size'])->assertOk()->assertJson(['task' => 'life-size', 'hidden' => true, 'target' => ['kind' => 'ruler']]);
        $judged = $this->postJson($this->at('task'))->assertOk()->json();
        $truth = $this->seen()['magnification'];
        $this->assertEqualsWithDelta(1.0, $judged['numbers']['m'] / $truth, 0.002);
        $this->assertSame(abs(log($truth)) <= log(1.03), $judged['done']);
        $look = $this->putJson($this->at('task'), ['task' => 'sharpest-stop'])->assertOk()->assertJson(['task' => 'sharpest-stop', 'hidden' => true, 'target' => ['kind' => 'edge']])->json();
        $done = 0;
        foreach ($look['stops'] as $stop) {
            $rig = $this->rig->refresh();
            $core = $this->core();
            $this->postJson("/api/rigs/{$rig->id}/steps", ['revision' => $rig->revision, 'step' => ['action' => 'set', 'travel' => (int) $core->workingLens().'.aperture', 'value' => $stop]])->assertOk();
            $done += $this->postJson($this->at('task'))->assertOk()->json('done') ? 1 : 0;
        }
        $this->assertGreaterThanOrEqual(1, $done);
        $this->assertLessThan(count($look['stops']), $done);
        // Switched back to what is known of it, only diffraction is left: the narrowest, which is set now, isn't it.
        $this->putJson($this->at(), ['hidden' => false])->assertOk();
        $judged = $this->postJson($this->at('task'))->assertOk()->assertJson(['done' => false])->json();
        $this->assertStringContainsString('wider', $judged['pattern']);
        $rig = $this->rig->refresh();
        $this->postJson("/api/rigs/{$rig->id}/steps", ['revision' => $rig->revision, 'step' => ['action' => 'set', 'travel' => (int) $this->core()->workingLens().'.aperture', 'value' => $look['stops'][0]]])->assertOk();
        $this->postJson($this->at('task'))->assertOk()->assertJson(['done' => true]);
    }

    private function core(): \ZincThimble\Core\Rig\Rig
    {
        return $this->app->make(RigStore::class)->read(Rig::query()->with('parts')->findOrFail($this->rig->id));
    }

    private function halfWidth(): float
    {
        return (float) Uncertainty::of($this->core())->halfWidth('magnification');
    }

    private function removed(int $index): void
    {
        $this->postJson("/api/rigs/{$this->rig->id}/steps", ['revision' => $this->rig->refresh()->revision, 'step' => ['action' => 'remove', 'index' => $index]])->assertOk();
    }

    /** @return array<string, mixed> a frame of the ruler, measured as the screen does it */
    private function seen(): array
    {
        $look = $this->getJson($this->at())->json();
        $this->postJson($this->at('live'), ['railMm' => $look['middleMm']])->assertOk();
        $frame = $this->postJson($this->at('frames'), ['key' => (string) Str::uuid()])->assertOk()->json();
        $png = (string) $this->get($this->at("frames/{$frame['id']}"))->getContent();
        $box = imagecrop(self::image($png), ['x' => 0, 'y' => 400, 'width' => $frame['width'], 'height' => 160]);
        self::assertNotFalse($box);
        ob_start();
        imagepng($box);

        return $this->post("/api/kits/{$this->rig->kit_id}/pictures", [
            'what' => 'ruler', 'divisionMm' => (string) $frame['divisionMm'], 'width' => $look['columns'], 'height' => $look['rows'], 'box' => UploadedFile::fake()->createWithContent('box.png', (string) ob_get_clean()),
        ], ['Accept' => 'application/json'])->assertOk()->json();
    }

    private static function image(string $png): \GdImage
    {
        $image = imagecreatefromstring($png);
        self::assertNotFalse($image);

        return $image;
    }

    private function shot(): void
    {
        $found = $this->seen();
        $shot = $this->getJson($this->at())->json('shot');
        $part = Part::query()->findOrFail($shot['part']);
        $this->postJson("/api/kits/{$this->rig->kit_id}/parts/{$part->id}/measure", ['version' => $part->version, 'keep' => true, 'shots' => [[
            'camera' => $shot['camera'], 'reversed' => $shot['reversed'], 'spacersMm' => $shot['spacersMm'], 'focus' => $shot['focus'], 'magnification' => $found['magnification'], 'magnificationHalfWidth' => $found['magnificationHalfWidth'],
        ]]])->assertOk();
    }

    private function magnification(): float
    {
        return (float) Reading::of($this->app->make(RigStore::class)->read($this->rig->load('parts')))->magnification;
    }

    private function isWhole(StackRun $run): void
    {
        $this->assertSame('done', $run->state);
        $frames = Frame::query()->where('stack_run_id', $run->id)->orderBy('id')->get(Frame::TOLD);
        $this->assertSame(range(0, count($run->positions) - 1), $frames->pluck('number')->all(), 'every number once, in order');
        foreach ($frames as $n => $frame) {
            $this->assertEqualsWithDelta($run->positions[$n], $frame->figures['railMm'], 1e-4);
            $this->assertSame($n + 1, $frame->figures['frame']);
        }
    }
}
