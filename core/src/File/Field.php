<?php

declare(strict_types=1);

namespace ZincThimble\Core\File;

/** One field of one kind of object in a version-1 file. */
final readonly class Field
{
    /** Code points that a text may have unless its field says fewer. */
    public const MOST_TEXT = 2000;

    /** Entries that a list within a part may have: stations, marks, modes, joints. */
    public const MOST_IN_LIST = 100;

    /** A number nearer to 0 than this, and not 0, means nothing in any unit of the format; it would only overflow what is divided by it. */
    public const LEAST_NUMBER = 1e-9;

    /**
     * @param  list<string>  $words  the words a choice allows
     * @param  list<self>  $fields  the fields of a nested object
     */
    private function __construct(
        public string $name,
        public FieldType $type,
        public bool $needed = false,
        public ?float $least = null,
        public ?float $greatest = null,
        /** Whether 0 is out of range. */
        public bool $notZero = false,
        public array $words = [],
        public array $fields = [],
    ) {
    }

    /** A number from least to greatest, both allowed. */
    public static function number(string $name, float $least, float $greatest): self
    {
        return new self($name, FieldType::Number, least: $least, greatest: $greatest);
    }

    /** A length, 0 to 3,000 mm. */
    public static function length(string $name): self
    {
        return self::number($name, 0.0, 3000.0);
    }

    /** A diameter or another length that can't be 0: from a micrometre to 3,000 mm. */
    public static function width(string $name): self
    {
        return self::number($name, 0.001, 3000.0);
    }

    /** A distance to a subject, from a micrometre to a kilometre. */
    public static function distance(string $name): self
    {
        return self::number($name, 0.001, 1_000_000.0);
    }

    /** A whole number from least to greatest, both allowed. */
    public static function integer(string $name, float $least, float $greatest): self
    {
        return new self($name, FieldType::Integer, least: $least, greatest: $greatest);
    }

    /** Text of at most so many code points, without control characters. */
    public static function text(string $name, int $most = self::MOST_TEXT): self
    {
        return new self($name, FieldType::Text, greatest: (float) $most);
    }

    /** A list of texts of at most so many code points. */
    public static function texts(string $name, int $most = self::MOST_TEXT): self
    {
        return new self($name, FieldType::Texts, greatest: (float) $most);
    }

    /** True or false. */
    public static function flag(string $name): self
    {
        return new self($name, FieldType::Flag);
    }

    /** One of these words. */
    public static function choice(string $name, string ...$words): self
    {
        return new self($name, FieldType::Choice, words: array_values($words));
    }

    /** A list of some of these words; a single word stands for a list of one. */
    public static function choices(string $name, string ...$words): self
    {
        return new self($name, FieldType::Choices, words: array_values($words));
    }

    /** A joint as files spell it. */
    public static function joint(string $name): self
    {
        return new self($name, FieldType::Joint);
    }

    /** A list of joints. */
    public static function joints(string $name): self
    {
        return new self($name, FieldType::Joints);
    }

    /** Names of measured fields, each with its half-width, 0 or more. */
    public static function halfWidths(string $name): self
    {
        return new self($name, FieldType::HalfWidths);
    }

    /** @param  list<self>  $fields */
    public static function object(string $name, array $fields): self
    {
        return new self($name, FieldType::Object, fields: $fields);
    }

    /** @param  list<self>  $fields */
    public static function objects(string $name, array $fields): self
    {
        return new self($name, FieldType::Objects, fields: $fields);
    }

    /** The same field, not to be left out. */
    public function needed(): self
    {
        return new self($this->name, $this->type, true, $this->least, $this->greatest, $this->notZero, $this->words, $this->fields);
    }

    /** The same field, that may be left out. */
    public function optional(): self
    {
        return new self($this->name, $this->type, false, $this->least, $this->greatest, $this->notZero, $this->words, $this->fields);
    }

    /** The same number, but not 0. */
    public function notZero(): self
    {
        return new self($this->name, $this->type, $this->needed, $this->least, $this->greatest, true, $this->words, $this->fields);
    }
}
