<?php

declare(strict_types=1);

namespace App\Outings;

use App\Http\Resources\LedgerHint;
use App\Http\Resources\LedgerLineView;
use App\Http\Resources\LedgerPoint;
use App\Http\Resources\LedgerView;
use App\Models\Entry;
use App\Models\User;
use ZincThimble\Core\File\EntryDocument;
use ZincThimble\Core\Outing\Ledger;
use ZincThimble\Core\Outing\LedgerFigure;
use ZincThimble\Core\Outing\LedgerLine;
use ZincThimble\Core\Outing\LoggedFigures;
use ZincThimble\Core\Outing\Residual;

/** The ledger as its screen gets it. */
final class LedgerViews
{
    /** Entries that it is made of, the newest. */
    public const MOST = 500;

    public function __construct(private readonly Log $log)
    {
    }

    public function of(User $user): LedgerView
    {
        [$rows, $more] = $this->log->measured($user, self::MOST);
        $documents = array_map(static fn (Entry $row): EntryDocument => EntryDocument::read($row->document), $rows);
        $ledger = Ledger::of(array_map(static fn (Entry $row, EntryDocument $entry): LoggedFigures => new LoggedFigures($entry->rig, EntryViews::values($row->measured), EntryViews::values($row->predicted)), $rows, $documents));
        $line = static fn (LedgerLine $each): LedgerLineView => new LedgerLineView($each->figure->value, $each->lens, $each->count, $each->medianError, $each->medianSigned, $each->stated, $each->inside);

        return new LedgerView(
            entries: count($rows), more: $more,
            points: array_reverse(array_map(static fn (Residual $each): LedgerPoint => new LedgerPoint(
                entry: $rows[$each->entry]->id, outing: $rows[$each->entry]->outing_id, day: $rows[$each->entry]->day, subject: $rows[$each->entry]->subject, figure: $each->figure->value,
                measured: $each->measured, predicted: $each->predicted, halfWidth: $each->halfWidth, inside: $each->isInside(), lenses: $each->lenses,
            ), $ledger->residuals)),
            lines: array_map($line, $ledger->lines), byLens: array_map($line, $ledger->byLens), hints: $this->hints($ledger, $rows, $documents),
        );
    }

    /**
     * A lens is offered until it has the shot.
     *
     * @param  list<Entry>  $rows
     * @param  list<EntryDocument>  $documents
     * @return list<LedgerHint>
     */
    private function hints(Ledger $ledger, array $rows, array $documents): array
    {
        $hints = [];
        foreach ($ledger->pointsAt() as $lens => $at) {
            $row = $rows[$at];
            $shot = ShotOfEntry::of($documents[$at], EntryRig::of($documents[$at], $row->outing?->kit), $row->outing->name ?? '');
            if (! $shot instanceof ShotOfEntry || $shot->isTaken()) {
                continue;
            }
            foreach ($ledger->residuals as $each) {
                if ($each->entry === $at && $each->figure === LedgerFigure::Magnification) {
                    $hints[] = new LedgerHint((string) $lens, $row->outing_id, $row->id, $row->day, $each->measured, $each->predicted, $each->halfWidth ?? 0.0);
                }
            }
        }

        return $hints;
    }
}
