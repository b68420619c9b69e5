<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Start\Body;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use ZincThimble\Core\Start\FirstAnswers;
use ZincThimble\Core\Start\LensKind;
use ZincThimble\Core\Start\Mount;

/** What somebody answers at the first visit, as the page's address holds it. Lengths in mm; what is left out is not known. */
#[OA\Schema(schema: 'AnswerFirst', required: ['body'], properties: [
    new OA\Property(property: 'body', type: 'string', enum: Body::class),
    new OA\Property(property: 'sensorMm', description: 'Width of another sensor', type: 'number'),
    new OA\Property(property: 'registerMm', description: 'Another register', type: 'number'),
    new OA\Property(property: 'lens', type: 'string', enum: LensKind::class),
    new OA\Property(property: 'mount', description: 'What the lens was made for', type: 'string', enum: Mount::class),
    new OA\Property(property: 'focalMm', type: 'number'),
    new OA\Property(property: 'longestMm', description: 'A zoom’s longer end', type: 'number'),
    new OA\Property(property: 'widest', type: 'number'),
    new OA\Property(property: 'closestMm', type: 'number'),
    new OA\Property(property: 'from', description: 'What that is measured from', type: 'string', enum: ['sensor', 'front']),
    new OA\Property(property: 'greatest', description: 'Greatest magnification by its own ring', type: 'number'),
    new OA\Property(property: 'rimMm', description: 'Mount to front rim', type: 'number'),
    new OA\Property(property: 'tubes', description: 'Lengths with commas between', type: 'string'),
    new OA\Property(property: 'tube', description: 'Place of the only one in use, from 0', type: 'integer'),
    new OA\Property(property: 'bellows', description: 'Shortest and longest with a comma between', type: 'string'),
    new OA\Property(property: 'helicoid', description: 'Shortest and longest with a comma between', type: 'string'),
    new OA\Property(property: 'turned', description: '1 = the lens is turned round', type: 'integer'),
    new OA\Property(property: 'closeUps', description: 'Dioptres with commas between', type: 'string'),
    new OA\Property(property: 'closeUp', description: 'Place of the only one in use, from 0', type: 'integer'),
    new OA\Property(property: 'otherMm', description: 'Focal length of a lens face to face with the first', type: 'number'),
])]
final class AnswerFirst extends FormRequest
{
    private const NUMBER = '\d{1,4}(?:\.\d{1,3})?';

    private const LIST = 'regex:/^'.self::NUMBER.'(?:,'.self::NUMBER.'){0,5}$/D';

    private const PAIR = 'regex:/^'.self::NUMBER.','.self::NUMBER.'$/D';

    /** Lengths that spacers have, dioptres that glasses have. */
    private const SPACER_MM = [0.1, 1000.0];

    private const CLOSE_UP_D = [0.1, 50.0];

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $number = static fn (float $least, float $greatest): array => ['bail', 'nullable', 'numeric', 'min:'.$least, 'max:'.$greatest];

        return [
            'body' => ['bail', 'required', 'string', Rule::enum(Body::class)],
            'sensorMm' => $number(1.0, 200.0), 'registerMm' => $number(1.0, 200.0),
            'lens' => ['bail', 'nullable', 'string', Rule::enum(LensKind::class)], 'mount' => ['bail', 'nullable', 'string', Rule::enum(Mount::class)],
            'focalMm' => $number(1.0, 2000.0), 'longestMm' => $number(1.0, 2000.0), 'widest' => $number(0.5, 64.0), 'closestMm' => $number(5.0, 20_000.0),
            'from' => ['bail', 'nullable', 'string', Rule::in(['sensor', 'front'])], 'greatest' => $number(0.01, 10.0), 'rimMm' => $number(1.0, 600.0),
            'tubes' => ['bail', 'nullable', 'string', 'max:60', self::LIST, self::within(self::SPACER_MM, 'A tube is 0.1 to 1,000 mm long.')],
            'tube' => ['bail', 'nullable', 'integer', 'min:0', 'max:5'],
            'bellows' => ['bail', 'nullable', 'string', self::PAIR, self::within(self::SPACER_MM, 'Bellows are 0.1 to 1,000 mm long.')],
            'helicoid' => ['bail', 'nullable', 'string', self::PAIR, self::within(self::SPACER_MM, 'A helicoid is 0.1 to 1,000 mm long.')],
            'turned' => ['bail', 'nullable', 'integer', 'min:0', 'max:1'],
            'closeUps' => ['bail', 'nullable', 'string', 'max:60', self::LIST, self::within(self::CLOSE_UP_D, 'A close-up lens has 0.1 to 50 dioptres.')],
            'closeUp' => ['bail', 'nullable', 'integer', 'min:0', 'max:5'], 'otherMm' => $number(1.0, 2000.0),
        ];
    }

    /** @return array<string, string> as they stand beside a blank */
    public function messages(): array
    {
        return [
            'numeric' => 'A number, please.', 'min' => 'At least :min.', 'max' => 'At most :max.', 'closestMm.min' => 'At least 5 mm.', 'closestMm.max' => 'At most 20 m.',
            'regex' => 'Numbers with commas between, please.', 'tubes.max' => 'At most six.', 'closeUps.max' => 'At most six.', 'body.required' => 'Which body?',
        ];
    }

    public function body(): Body
    {
        return Body::from($this->string('body')->toString());
    }

    /** @throws ValidationException where a tube or a glass is said to be in use that isn't there */
    public function answers(): FirstAnswers
    {
        $built = $this->body()->builtIn();
        $tubes = $this->numbers('tubes');
        $glasses = $this->numbers('closeUps');

        return new FirstAnswers(
            camera: $this->body()->camera($this->figure('sensorMm'), $this->figure('registerMm')),
            builtIn: $built,
            kind: LensKind::tryFrom($this->string('lens')->toString()) ?? ($built === null ? LensKind::Usual : LensKind::Zoom),
            mount: Mount::tryFrom($this->string('mount')->toString()) ?? Mount::Own,
            focalLengthMm: $this->figure('focalMm'),
            longestMm: $this->figure('longestMm'),
            widest: $this->figure('widest'),
            closestMm: $this->figure('closestMm'),
            fromFront: $this->input('from') === 'front',
            greatest: $this->figure('greatest'),
            rimMm: $this->figure('rimMm'),
            tubesMm: $tubes,
            tube: $this->place('tube', $tubes),
            bellowsMm: $this->ends('bellows'),
            helicoidMm: $this->ends('helicoid'),
            turned: $this->integer('turned') === 1,
            closeUpsD: $glasses,
            closeUp: $this->place('closeUp', $glasses),
            otherMm: $this->figure('otherMm'),
        );
    }

    private function figure(string $name): ?float
    {
        return $this->filled($name) ? $this->float($name) : null;
    }

    /** @return list<float> */
    private function numbers(string $name): array
    {
        return $this->filled($name) ? array_map(floatval(...), explode(',', $this->string($name)->toString())) : [];
    }

    /** @return ?array{float, float} the lesser first */
    private function ends(string $name): ?array
    {
        $ends = $this->numbers($name);

        return count($ends) === 2 ? [min($ends), max($ends)] : null;
    }

    /** @param  list<float>  $of */
    private function place(string $name, array $of): ?int
    {
        if (! $this->filled($name)) {
            return null;
        }
        $place = $this->integer($name);

        return isset($of[$place]) ? $place : throw ValidationException::withMessages([$name => 'There is none at that place.']);
    }

    /** @param  array{float, float}  $bounds */
    private static function within(array $bounds, string $message): \Closure
    {
        return static function (string $attribute, mixed $value, \Closure $fail) use ($bounds, $message): void {
            foreach (explode(',', is_string($value) ? $value : '') as $number) {
                if ((float) $number < $bounds[0] || (float) $number > $bounds[1]) {
                    $fail($message);

                    return;
                }
            }
        };
    }
}
