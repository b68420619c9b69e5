<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Search\RigAsFound;
use Illuminate\Console\Command;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\File\KitFile;
use ZincThimble\Core\Finding\Finding;
use ZincThimble\Core\Finding\Phrase;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Item;
use ZincThimble\Core\Gear\Kit;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Plan\AsEngraved;
use ZincThimble\Core\Report\RigReport;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Search\Candidate;
use ZincThimble\Core\Search\Ranking;
use ZincThimble\Core\Search\Search;
use ZincThimble\Core\Search\SearchCriteria;
use ZincThimble\Core\Search\SearchKit;
use ZincThimble\Core\Search\SearchResult;

/**
 * Which rigs of a kit do what is wanted (rig file, version 1, "More files, and the command line"): exit 2 and one line per fault on standard
 * error for a file or a blank that can't be read, exit 1 where nothing does it.
 */
final class FindInKit extends Command
{
    use RigFiles;

    /** Blanks by option: the field of the wish. */
    private const NUMBERS = [
        'field' => 'fieldWidthMm', 'magnification' => 'magnification', 'distance' => 'workingDistanceMm', 'sensor-distance' => 'subjectDistanceMm', 'room' => 'leastRoomMm', 'stops' => 'mostStopsLost',
        'mass' => 'mostMassG', 'length' => 'mostLengthMm', 'price' => 'mostPrice', 'buying' => 'mostMissingPrice', 'focus-from' => 'focusFromMm', 'focus-to' => 'focusToMm', 'corner' => 'leastCorner',
        'depth' => 'depthMm', 'detail' => 'detailMm', 'subject-depth' => 'subjectDepthMm',
    ];

    protected $signature = 'kit:find {file : a .kit.json file}
        {--field= : mm of subject across the frame} {--magnification=} {--distance= : working distance to be met, mm} {--sensor-distance= : sensor to subject to be met, mm}
        {--room= : least working distance, mm} {--stops= : most stops lost} {--mass= : most, g} {--length= : most, sensor to front, mm} {--price= : most} {--buying= : what may be spent}
        {--support= : hand, braced or table} {--coupled : the camera works the aperture} {--uncoupled : it doesn’t} {--infinity : focuses at infinity too} {--flat : the subject is flat} {--under-water : through a port, with what is screwed to it}
        {--focus-from= : focuses from there on too, mm from the sensor} {--focus-to= : and up to there} {--corner= : least brightness, 0 to 1} {--depth= : least slice, mm} {--detail= : coarsest, mm}
        {--subject-depth= : mm} {--with=* : a part that must be in it, by name} {--without=* : a part that must not} {--camera=* : only on these cameras}
        {--order=ease : ease, room, light, mass or price} {--top=60 : rows} {--json : everything, unrounded}';

    protected $description = 'Finds the rigs of a kit that do what is wanted.';

    public function handle(): int
    {
        $file = $this->argument('file');
        $text = is_string($file) && is_file($file) ? file_get_contents($file) : false;
        if ($text === false) {
            return $this->fault('there is no such file');
        }
        try {
            $kit = KitFile::parse($text)->kit();
            $wanted = $this->wanted();
            $search = $this->search($kit, $wanted);
        } catch (FileInvalid $invalid) {
            foreach ($invalid->faults as $fault) {
                $this->fault($fault->pointer.': '.$fault->message);
            }

            return 2;
        } catch (InvalidFigure|\InvalidArgumentException $fault) {
            return $this->fault($fault->getMessage());
        }
        $found = $search->ask($wanted);
        $top = max(1, min(1000, (int) $this->text('top')));
        $rows = array_slice($found->rows, 0, $top);
        if ($this->option('json')) {
            $this->printJson($this->told($found, $rows));
        } else {
            $this->tell($found, $rows);
        }

        return $found->rows === [] ? 1 : 0;
    }

    /** @throws InvalidFigure names the blank that can't be so */
    private function wanted(): SearchCriteria
    {
        $numbers = [];
        foreach (self::NUMBERS as $option => $field) {
            $value = $this->option($option);
            if ($value !== null && ! is_numeric($value)) {
                throw InvalidFigure::because($option, 'should be a number');
            }
            $numbers[$field] = is_numeric($value) ? (float) $value : null;
        }
        $support = $this->text('support');

        return new SearchCriteria(
            ...$numbers,
            infinity: (bool) $this->option('infinity'),
            automatic: $this->option('coupled') ? true : ($this->option('uncoupled') ? false : null),
            support: $support === '' ? null : $support,
            ranking: Ranking::tryFrom($this->text('order')) ?? throw InvalidFigure::because('order', 'is ease, room, light, mass or price'),
            flat: (bool) $this->option('flat'),
            underWater: (bool) $this->option('under-water'),
        );
    }

    private function search(Kit $kit, SearchCriteria $wanted): Search
    {
        $without = $this->named($kit, 'without');
        $cameras = $this->named($kit, 'camera');
        $chosen = SearchKit::of($kit->only(static fn (Camera|Item $thing): bool => $thing instanceof Camera ? $cameras === [] || in_array($thing, $cameras, true) : ! in_array($thing, $without, true)), $wanted->mostMissingPrice !== null);
        $with = array_values(array_filter($this->named($kit, 'with'), static fn (Camera|Item $thing): bool => $thing instanceof Part));

        return Search::of($chosen, Conditions::from(new Values([])))->using(...$with);
    }

    /** @return list<Camera|Item> of the kit, by the names given */
    private function named(Kit $kit, string $option): array
    {
        $names = $this->option($option);
        $things = [];
        foreach (is_array($names) ? $names : [] as $name) {
            $found = null;
            foreach ($kit->owned as $owned) {
                $is = $owned->thing instanceof Camera ? $owned->thing->name : ($owned->thing instanceof Part ? $owned->thing->label() : null);
                $found = $is === $name && ($owned->thing instanceof Camera) === ($option === 'camera') ? $owned->thing : $found;
            }
            $things[] = $found ?? throw new \InvalidArgumentException('--'.$option.': the kit has no “'.$name.'”');
        }

        return $things;
    }

    /**
     * @param  list<Candidate>  $rows
     * @return array<string, mixed>
     */
    private function told(SearchResult $found, array $rows): array
    {
        return [
            'considered' => $found->rigs, 'fulfil' => $found->fulfil, 'mayFulfil' => $found->mayFulfil, 'leftOut' => $found->leftOut,
            'rows' => array_map(fn (Candidate $row): array => [
                'file' => RigAsFound::document($row->rig), 'alike' => $row->alike, 'reading' => RigReport::of($row->rig)->toArray(), 'why' => self::why($row),
            ], $rows),
        ];
    }

    /** @param  list<Candidate>  $rows */
    private function tell(SearchResult $found, array $rows): void
    {
        $this->line(sprintf('%s of %s rigs of this kit do it.', number_format($found->fulfil), number_format($found->rigs)));
        foreach ($rows as $n => $row) {
            $rig = $row->rig;
            $parts = [];
            foreach ($rig->chain as $i => $part) {
                $set = AsEngraved::of($rig, $i);
                $parts[] = AsEngraved::name($part).($set === '' ? '' : ' ('.$set.')');
            }
            $this->line(sprintf('%3d  %s + %s', $n + 1, $rig->camera->name ?? 'Camera', implode(' + ', $parts)));
            $this->line('     '.implode(' · ', array_filter([
                $row->reading->workingDistanceMm === null ? null : Phrase::figure($row->reading->workingDistanceMm, 'mm').' away',
                $row->reading->magnification === null ? null : Phrase::figure($row->reading->magnification, 'x'),
                ...self::why($row),
            ])));
        }
        foreach ($found->leftOut as $what) {
            $this->line('Left out: '.$what.'.');
        }
    }

    /** @return list<string> */
    private static function why(Candidate $row): array
    {
        $lost = $row->reading->stopsLost;

        return [
            $row->rig->totals->joints.($row->rig->totals->joints === 1 ? ' joint' : ' joints'),
            ...($lost === null ? [] : [$lost >= 0.05 ? 'loses '.Phrase::figure($lost, 'stops') : 'loses no light']),
            ...array_map(static fn (Finding $finding): string => $finding->message(), $row->warnings),
        ];
    }

    private function text(string $option): string
    {
        $value = $this->option($option);

        return is_string($value) ? $value : '';
    }

    private function fault(string $what): int
    {
        fwrite(STDERR, $what."\n");

        return 2;
    }
}
