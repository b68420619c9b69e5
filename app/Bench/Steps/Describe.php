<?php

declare(strict_types=1);

namespace App\Bench\Steps;

use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Rig\LightSource;
use ZincThimble\Core\Rig\Rig as CoreRig;
use ZincThimble\Core\Rig\ShootingPlan;
use ZincThimble\Core\Rig\ShotsBy;

/** Says what is photographed and how it is looked at, held to the shapes of the files. */
#[OA\Schema(description: 'Says what is photographed and how it is looked at, held to the shapes of the files.', required: ['action', 'document'], properties: [new OA\Property(property: 'action', description: 'Which step it is', type: 'string', enum: ['describe'])])]
final readonly class Describe extends Step
{
    public const ACTION = StepAction::Describe;

    public function __construct(
        #[OA\Property(description: 'Conditions, subject or both, as a rig file has them', type: 'object', additionalProperties: true)]
        public \stdClass $document,
        #[OA\Property(description: 'Only what is said changes, however deep; null takes a field away (RFC 7396). Otherwise each is replaced whole', type: 'boolean')]
        public bool $merge = false,
    ) {
    }

    public static function rules(): array
    {
        return ['document' => ['required', 'array:conditions,subject'], 'merge' => ['nullable', 'boolean:strict']];
    }

    public static function from(array $fields, \stdClass $sent): static
    {
        $document = $sent->document ?? null;

        return new self($document instanceof \stdClass ? $document : new \stdClass, ($fields['merge'] ?? null) === true);
    }

    protected function change(StepContext $bench, CoreRig $rig): StepOutcome
    {
        $given = get_object_vars($this->document);
        if ($given === []) {
            throw ValidationException::withMessages(['document' => 'Say what of subject or conditions is to change.']);
        }
        /** @var \stdClass $document */
        $document = json_decode(json_encode(RigFile::document($rig), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION), false, 64, JSON_THROW_ON_ERROR);
        foreach ($given as $name => $value) {
            $document->{$name} = $this->merge ? self::merged($document->{$name} ?? null, $value) : $value;
        }

        $changed = RigFile::read($document);

        return new StepOutcome($changed, match (true) {
            array_key_exists('subject', $given) => 'describe the subject',
            $changed->conditions->document->object('plan')->fields !== $rig->conditions->document->object('plan')->fields => self::planned($rig->conditions->plan, $changed->conditions->plan),
            default => 'change the conditions',
        });
    }

    /** RFC 7396: what is an object changes field by field, everything else is put in its place. A field that is null is none to whoever reads the document. */
    private static function merged(mixed $before, mixed $change): mixed
    {
        if (! $change instanceof \stdClass) {
            return $change;
        }
        $merged = $before instanceof \stdClass ? clone $before : new \stdClass;
        foreach (get_object_vars($change) as $name => $value) {
            $merged->{$name} = self::merged($merged->{$name} ?? null, $value);
        }

        return $merged;
    }

    private static function planned(ShootingPlan $before, ShootingPlan $after): string
    {
        return match (true) {
            $after->light !== null && $after->light !== $before->light => 'plan with '.match ($after->light) {
                LightSource::There => 'the light there is',
                LightSource::Flash => 'a flash',
                LightSource::Lamp => 'a lamp',
                LightSource::Torch => 'a torch',
            },
            $after->by !== null && $after->by !== $before->by => 'plan '.match ($after->by) {
                ShotsBy::Single => 'one shot',
                ShotsBy::Rail => 'a stack by the rail',
                ShotsBy::Ring => 'a stack by the ring',
                ShotsBy::Bracketing => 'a stack by the camera’s steps',
            },
            default => 'change the plan',
        };
    }
}
