<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Outings\PlanDocument;
use App\Outings\PlannedOuting;
use Illuminate\Console\Command;
use Symfony\Component\Console\Formatter\OutputFormatter;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\File\KitFile;
use ZincThimble\Core\File\OutingFile;
use ZincThimble\Core\File\Shapes;
use ZincThimble\Core\Finding\Phrase;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Outing\Assignment;
use ZincThimble\Core\Outing\OutingPlan;
use ZincThimble\Core\Outing\OutingPlanner;
use ZincThimble\Core\Outing\PlannedRig;
use ZincThimble\Core\Plan\BagGoal;
use ZincThimble\Core\Rig\Conditions;

/**
 * Plans an outing with a kit (rig file, version 1, "More files, and the command line"). Exits 0; 1 when some subject has no rig; 2 with one
 * line per fault on standard error when a file or an option can't be read.
 */
final class PlanOuting extends Command
{
    use RigFiles;

    protected $signature = 'outing:plan {outing : an .outing.json file} {kit : a .kit.json file} {--by= : mass, parts, rigs or price} {--json : everything, unrounded}';

    protected $description = 'Plan which rig for which subject, in which order, and what goes into the bag';

    public function handle(): int
    {
        $by = $this->option('by');
        $goal = is_string($by) ? BagGoal::tryFrom($by) : null;
        if ($by !== null && $goal === null) {
            return $this->faulty(['--by: is mass, parts, rigs or price']);
        }
        try {
            $outing = OutingFile::parse($this->text('outing', OutingFile::MOST_BYTES + 1));
            $kit = KitFile::parse($this->text('kit', Shapes::MAX_BYTES + 1))->kit();
            $plan = OutingPlanner::plan($kit, PlannedOuting::wanted($outing), Conditions::from($outing->fields->object('conditions')), $goal ?? BagGoal::from($outing->fields->stringOr('by', 'mass')));
        } catch (FileInvalid $invalid) {
            return $this->faulty(array_map(strval(...), $invalid->faults));
        } catch (InvalidFigure|\InvalidArgumentException $fault) {
            return $this->faulty([$fault->getMessage()]);
        }
        if ($this->option('json')) {
            $this->printJson(PlanDocument::of($plan));
        } else {
            $this->tell($plan);
        }

        return array_filter($plan->assignments, static fn (Assignment $each): bool => $each->letter === null) === [] ? 0 : 1;
    }

    /**
     * @param  int<1, max>  $most
     *
     * @throws \InvalidArgumentException
     */
    private function text(string $argument, int $most): string
    {
        $path = $this->argument($argument);
        if (! is_string($path) || ! is_file($path) || ! is_readable($path)) {
            throw new \InvalidArgumentException('/: there is no readable file '.(is_string($path) ? $path : ''));
        }

        return (string) file_get_contents($path, length: $most);
    }

    /** @param  list<string>  $faults */
    private function faulty(array $faults): int
    {
        foreach ($faults as $fault) {
            $this->output->getErrorStyle()->writeln(OutputFormatter::escape($fault));
        }

        return 2;
    }

    private function tell(OutingPlan $plan): void
    {
        foreach ($plan->assignments as $each) {
            $this->say(sprintf('%-3s %s', $each->letter ?? '–', $each->subject->name.($each->letter === null ? ': no rig from this kit does it' : '')));
            foreach ($each->buying as $buy) {
                $this->say('    would do: '.$buy->part->label());
            }
        }
        $this->say('');
        foreach ($plan->visits as $n => $visit) {
            $parts = array_values(array_filter($plan->rigs, static fn (PlannedRig $rig): bool => $rig->letter === $visit->letter))[0]->parts;
            $this->say(sprintf('%d. %s  %s', $n + 1, $visit->letter, implode(' + ', $parts)));
            $this->say(sprintf('   %s; joints undone %d, made %d', implode(', ', array_map(static fn (int $s): string => $plan->assignments[$s]->subject->name, $visit->subjects)), $visit->undone, $visit->made));
        }
        $this->say('');
        foreach ($plan->bag as $item) {
            $this->say(sprintf('%2d × %-32s %s%s', $item->count, $item->name, $item->massG === null ? 'mass not known' : Phrase::figure($item->massG, '')."\u{2009}g", $item->toBuy ? ' · to buy' : ''));
        }
        $this->say(sprintf('%d parts, %s%s', $plan->parts, Phrase::figure($plan->massG, '')."\u{2009}g", $plan->optimal ? '' : ', perhaps not the least'));
        foreach ($plan->leftOut as $what) {
            $this->say('Left out: '.$what.'.');
        }
    }

    private function say(string $line): void
    {
        $this->line(OutputFormatter::escape($line));
    }
}
