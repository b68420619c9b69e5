<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

use ZincThimble\Core\Rig\Conditions;

/**
 * What was worked out of a kit whatever anybody wishes of it, as bytes, so that the next question needs not work it out again: which rings
 * go together on each camera, front assemblies, and what each does to a ray. Parts are told by their place in the kit and by nothing
 * else: bytes are good for a kit of the same parts in the same order, and which kit that is, is for whoever keeps them to say.
 */
final class KeptKit
{
    /** Goes up whenever the bytes mean something else. */
    private const VERSION = 1;

    /** Most that is kept of one kit, bytes. */
    public const MOST_BYTES = 4_000_000;

    /** What a part's place is raised by where it stands turned round. */
    private const TURNED = 0x8000;

    /** Null where not all of it was worked out, or it is too much to keep. */
    public static function of(PreparedKit $prepared): ?string
    {
        $fronts = $prepared->allFronts();
        if ($fronts === null) {
            return null;
        }
        $at = [];
        foreach ($prepared->kit->parts as $i => $part) {
            $at[spl_object_id($part)] ??= $i;
        }
        foreach ($prepared->kit->turned as $i => $lens) {
            $at[spl_object_id($lens)] = $i | self::TURNED;
        }
        $parts = $sizes = $rings = $prices = $optics = [];
        $bytes = 0;
        foreach ($fronts as $front) {
            $sizes[] = count($front->parts);
            $rings[] = $front->rings;
            $prices[] = $front->priceToBuy;
            foreach ($front->parts as $part) {
                $parts[] = $at[spl_object_id($part)];
            }
            $of = [];
            foreach ($prepared->optics($front, count($fronts)) as $one) {
                $kept = $one->kept();
                $of[] = ['zoomMm' => $one->zoomMm, 'second' => $one->second, 'bytes' => $kept];
                $bytes += strlen($kept);
            }
            $optics[] = $of;
            if ($bytes > self::MOST_BYTES) {
                return null;
            }
        }
        $kept = serialize([
            'stacks' => array_map(static fn (Stacks $stacks): array => $stacks->kept(), $prepared->stacks),
            'parts' => Packed::small($parts), 'sizes' => Packed::small($sizes), 'rings' => Packed::bits($rings), 'prices' => Packed::floats($prices),
            'optics' => $optics,
        ]);

        return strlen($kept) > self::MOST_BYTES ? null : self::sealed($kept);
    }

    /** What `of` gave of the same kit under the same conditions; null where those bytes aren't whole, or of another version. */
    public static function back(string $kept, SearchKit $kit, Conditions $conditions): ?PreparedKit
    {
        $bytes = substr($kept, strlen(self::sealed('')));
        if ($kept !== self::sealed($bytes)) {
            return null;
        }
        /** @var array{stacks: list<array{leftOutAbove: ?int, columns: array<string, string>}>, parts: string, sizes: string, rings: string, prices: string, optics: list<list<array{zoomMm: array<int, ?float>, second: float, bytes: string}>>} $told */
        $told = unserialize($bytes, ['allowed_classes' => false]);
        $parts = Packed::smallOf($told['parts']);
        $rings = Packed::bitsOf($told['rings']);
        $prices = Packed::floatsOf($told['prices']);
        $fronts = [];
        $p = 0;
        foreach (Packed::smallOf($told['sizes']) as $f => $size) {
            $of = [];
            for ($n = 0; $n < $size; $n++) {
                $place = $parts[$p++];
                $of[] = ($place & self::TURNED) === 0 ? $kit->parts[$place] : $kit->turned[$place & ~self::TURNED];
            }
            if ($of !== []) {
                $fronts[] = new FrontAssembly($of, $rings[$f], $prices[$f]);
            }
        }

        return PreparedKit::back($kit, $conditions, $told['stacks'], $fronts, $told['optics']);
    }

    /** With what tells whether it is whole, and of this version. */
    private static function sealed(string $bytes): string
    {
        return hash('xxh128', self::VERSION.$bytes).$bytes;
    }
}
