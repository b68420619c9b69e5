<?php

declare(strict_types=1);

namespace App\Compare;

use App\Bench\RigStore;
use App\Models\Rig;
use App\Models\User;
use Illuminate\Validation\ValidationException;
use ZincThimble\Core\Report\Comparison;

/** One's own rigs by their numbers, as a comparison. */
final class ComparedRigs
{
    public function __construct(private readonly RigStore $store)
    {
    }

    /**
     * @param  list<int>  $ids  in the order of their letters
     * @return list<Rig>
     *
     * @throws ValidationException where one of them is somebody else's, or nobody's
     */
    public function rows(User $user, array $ids): array
    {
        $rows = $user->rigs()->with('parts')->whereKey($ids)->get()->keyBy('id');

        return array_map(static function (int $id) use ($rows): Rig {
            $row = $rows->get($id);

            return $row instanceof Rig ? $row : throw ValidationException::withMessages(['rigs' => 'One of these rigs isn’t yours, or is gone.']);
        }, $ids);
    }

    /**
     * @param  list<Rig>  $rows
     * @param  array<string, mixed>  $blanks  that have been validated
     *
     * @throws \ZincThimble\Core\Gear\InvalidFigure names a control that none of them has
     */
    public function compare(array $rows, array $blanks): Comparison
    {
        return Comparison::of(array_map($this->store->read(...), $rows), ComparisonBlanks::bringing($blanks), ComparisonBlanks::target($blanks), ComparisonBlanks::byHand($blanks));
    }
}
