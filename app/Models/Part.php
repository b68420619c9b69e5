<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\JsonDocument;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\SoftDeletes;
use ZincThimble\Core\File\Field;
use ZincThimble\Core\File\FieldType;
use ZincThimble\Core\File\KitItem;
use ZincThimble\Core\File\Shapes;
use ZincThimble\Core\Gear\Kind;

/**
 * One thing of a kit. The document is the whole part as its file has it; the columns repeat what is searched or
 * constrained.
 *
 * @property int $id
 * @property int $kit_id
 * @property string $kind
 * @property ?string $ref
 * @property ?string $name
 * @property int $position
 * @property int $count
 * @property ?string $rear
 * @property ?string $front
 * @property ?float $mass_g
 * @property ?float $price
 * @property \stdClass $document
 * @property int $version
 * @property Kit $kit
 * @property ?\Carbon\CarbonInterface $created_at
 * @property ?\Carbon\CarbonInterface $updated_at
 * @property ?\Carbon\CarbonInterface $deleted_at
 */
final class Part extends Model
{
    use SoftDeletes;

    /** The key by which a rig's part names its row here. Files don't have it: who sends it names nothing. */
    public const REFERENCE = 'kitPart';

    protected $fillable = [
        'kind', 'ref', 'name', 'position', 'count', 'rear', 'front', 'length_mm', 'min_mm', 'max_mm', 'register_mm',
        'focal_length_mm', 'principal_gap_mm', 'clear_mm', 'power_d', 'mass_g', 'price', 'document',
    ];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['document' => JsonDocument::class, 'mass_g' => 'float', 'price' => 'float'];
    }

    /** @return BelongsTo<Kit, $this> */
    public function kit(): BelongsTo
    {
        return $this->belongsTo(Kit::class);
    }

    public function kindOf(): Kind
    {
        return Kind::from($this->kind);
    }

    /** The part as its file has it: a snapshot that a step of the history keeps. */
    public function state(): \stdClass
    {
        return (object) ['kind' => $this->kind, 'position' => $this->position, 'fields' => $this->document];
    }

    /**
     * The checked fields as the core reads them: what it knows as arrays, unknown keys as they are.
     *
     * @param  ?\stdClass  $of  another state of the document; null = as it stands
     * @return array<string, mixed>
     */
    public function fields(?\stdClass $of = null): array
    {
        $fields = get_object_vars($of ?? $this->document);
        foreach (Shapes::part($this->kindOf()) as $field) {
            if (isset($fields[$field->name]) && in_array($field->type, [FieldType::Object, FieldType::Objects, FieldType::HalfWidths], true)) {
                $fields[$field->name] = json_decode(json_encode($fields[$field->name], JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR), true, 64, JSON_THROW_ON_ERROR);
            }
        }

        return $fields;
    }

    /**
     * What the columns of a part say of the fields of its file.
     *
     * @return array<string, mixed>
     */
    public static function columns(KitItem $item, int $position): array
    {
        // Columns say what the kind means by its fields: a name of another kind's is kept in the document alone.
        $own = array_fill_keys(array_map(static fn (Field $field): string => $field->name, [...Shapes::inKit(), ...Shapes::part($item->kind)]), true);
        $fields = array_intersect_key($item->fields, $own);

        return [
            'kind' => $item->kind->value,
            'ref' => $fields['id'] ?? null,
            'name' => $fields['name'] ?? null,
            'position' => $position,
            'count' => $fields['count'] ?? 1,
            'rear' => $fields['rear'] ?? null,
            'front' => $fields['front'] ?? $fields['joint'] ?? null,
            'length_mm' => $fields['lengthMm'] ?? null,
            'min_mm' => $fields['minMm'] ?? null,
            'max_mm' => $fields['maxMm'] ?? null,
            'register_mm' => $fields['registerMm'] ?? null,
            'focal_length_mm' => $fields['focalLengthMm'] ?? null,
            'principal_gap_mm' => $fields['principalGapMm'] ?? null,
            'clear_mm' => $fields['clearMm'] ?? null,
            'power_d' => $fields['powerD'] ?? null,
            'mass_g' => $fields['massG'] ?? null,
            'price' => $fields['price'] ?? null,
            'document' => (object) array_diff_key($item->fields, [self::REFERENCE => 0]),
        ];
    }
}
