<?php

declare(strict_types=1);

namespace ZincThimble\Core\File;

use ZincThimble\Core\Rig\Rig;

/** Rigs side by side as one open file, version 1: whole rig documents, and what they are brought to. */
final readonly class ComparisonFile
{
    public const FORMAT = 'zinc-thimble/comparison';

    /**
     * @param  non-empty-list<Rig>  $rigs
     * @param  array<string, mixed>  $asked  the blanks, by name: whoever asks knows which can be
     */
    public function __construct(public ?string $name, public array $rigs, public array $asked)
    {
    }

    /** Whether a document says of itself that it is one. */
    public static function isOne(mixed $document): bool
    {
        return $document instanceof \stdClass && ($document->format ?? null) === self::FORMAT;
    }

    /**
     * @param  int  $most  rigs that there may be
     *
     * @throws FileInvalid with every fault and its place
     */
    public static function read(mixed $document, int $most): self
    {
        if (! $document instanceof \stdClass || ! self::isOne($document) || ($document->version ?? null) !== 1) {
            throw FileInvalid::at('/format', 'should be '.self::FORMAT.', version 1');
        }
        $given = $document->rigs ?? null;
        $faults = [];
        if (! is_array($given) || $given === [] || count($given) > $most) {
            throw FileInvalid::at('/rigs', 'should be a list of 1 to '.$most.' rigs');
        }
        $rigs = [];
        foreach (array_values($given) as $n => $rig) {
            try {
                $rigs[] = RigFile::read($rig);
            } catch (FileInvalid $invalid) {
                array_push($faults, ...array_map(static fn (Fault $fault): Fault => new Fault('/rigs/'.$n.$fault->pointer, $fault->message), $invalid->faults));
            }
        }
        $name = $document->name ?? null;
        $asked = $document->asked ?? new \stdClass;
        if ($name !== null && (! is_string($name) || trim($name) === '')) {
            $faults[] = new Fault('/name', 'should be text');
        }
        if (! $asked instanceof \stdClass) {
            $faults[] = new Fault('/asked', 'should be one JSON object');
        }
        if ($faults !== [] || $rigs === []) {
            throw $faults === [] ? FileInvalid::at('/rigs', 'can not be read') : new FileInvalid($faults);
        }

        $blanks = [];
        foreach ($asked instanceof \stdClass ? get_object_vars($asked) : [] as $blank => $value) {
            $blanks[(string) $blank] = $value;
        }

        return new self(is_string($name) ? $name : null, $rigs, $blanks);
    }

    public function write(): string
    {
        return Json::write(['format' => self::FORMAT, 'version' => 1] + ($this->name === null ? [] : ['name' => $this->name])
            + ['asked' => (object) $this->asked, 'rigs' => array_map(RigFile::document(...), $this->rigs)]);
    }
}
