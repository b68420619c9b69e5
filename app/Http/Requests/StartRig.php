<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Kit;
use App\Models\User;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;

/** What a new rig begins with. */
#[OA\Schema(schema: 'StartRig', properties: [
    new OA\Property(property: 'kit', description: 'Whose parts it is built from; the oldest kit unless named', type: 'integer', nullable: true),
    new OA\Property(property: 'camera', description: 'The kit’s first unless named', type: 'integer', nullable: true),
    new OA\Property(property: 'parts', description: 'Put on it, one after the other', type: 'array', items: new OA\Items(type: 'integer')),
])]
final class StartRig extends FormRequest
{
    private const ID = ['nullable', 'integer:strict', 'min:1', 'max:9000000000000'];

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['kit' => self::ID, 'camera' => self::ID, 'parts' => ['nullable', 'array', 'list', 'max:12'], 'parts.*' => ['integer:strict', 'min:1', 'max:9000000000000']];
    }

    /**
     * The kit of that person that is named, or the oldest; null = there is none at all.
     *
     * @throws ValidationException where the person has none of that number
     */
    public static function kitOf(User $user, ?int $id): ?Kit
    {
        $kit = $id === null ? $user->kits()->oldest('id')->first() : $user->kits()->whereKey($id)->first();

        return $kit instanceof Kit || $id === null ? $kit : throw ValidationException::withMessages(['kit' => 'You have no such kit.']);
    }

    /** @throws ValidationException as kitOf() does */
    public function kit(User $user): ?Kit
    {
        return self::kitOf($user, $this->input('kit') === null ? null : $this->integer('kit'));
    }

    /** null = whichever comes first */
    public function camera(): ?int
    {
        return $this->input('camera') === null ? null : $this->integer('camera');
    }

    /** @return list<int> */
    public function parts(): array
    {
        /** @var list<int> $parts */
        $parts = $this->input('parts') ?? [];

        return $parts;
    }
}
