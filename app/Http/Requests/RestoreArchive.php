<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Http\UploadedFile;
use OpenApi\Attributes as OA;

/** Everything of an account, as it was exported. */
#[OA\Schema(schema: 'RestoreArchive', required: ['archive'], properties: [
    new OA\Property(property: 'archive', type: 'string', format: 'binary'),
])]
final class RestoreArchive extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['archive' => ['required', 'file', 'max:65536']];
    }

    /** Where the archive lies; '' where none came. */
    public function archivePath(): string
    {
        $file = $this->file('archive');

        return $file instanceof UploadedFile ? (string) $file->getRealPath() : '';
    }
}
