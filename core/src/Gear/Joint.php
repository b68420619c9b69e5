<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/**
 * The standard of a joint: a named bayonet, a screw thread, a clip, tape, or the seat of a lens that does not come off.
 *
 * Written `tern`, `thread:42x1`, `thread:39x26tpi`, `clip`, `improvised`, `fixed` (rig file, version 1).
 */
final readonly class Joint
{
    private const INCH_MM = 25.4;

    private function __construct(
        public string $name,
        public JointType $type,
        /** Thread diameter in mm; null when the joint is no thread. */
        public ?float $diameterMm,
        /** Thread pitch in mm; null when the joint is no thread. */
        public ?float $pitchMm,
    ) {
    }

    /** @throws InvalidFigure names `joint` when the text is no joint */
    public static function parse(string $text): self
    {
        $text = trim($text);
        if ($text === 'clip') {
            return new self($text, JointType::Clip, null, null);
        }
        if ($text === 'improvised') {
            return new self($text, JointType::Improvised, null, null);
        }
        if ($text === 'fixed') {
            return new self($text, JointType::Fixed, null, null);
        }
        if (str_starts_with($text, 'thread:')) {
            return self::parseThread($text);
        }
        if (preg_match('/^[\p{L}\p{N}][\p{L}\p{N} ._+-]{0,59}$/u', $text) !== 1) {
            throw InvalidFigure::because('joint', 'a joint is a name, thread:DxP, clip, improvised or fixed');
        }

        return new self($text, JointType::Bayonet, null, null);
    }

    /** Whether both are the same standard. Threads are compared by their measures, not by their spelling. */
    public function sameStandard(self $other): bool
    {
        if ($this->type !== $other->type) {
            return false;
        }
        if ($this->type === JointType::Thread) {
            return abs((float) $this->diameterMm - (float) $other->diameterMm) < 1e-6
                && abs((float) $this->pitchMm - (float) $other->pitchMm) < 1e-6;
        }

        return $this->name === $other->name;
    }

    /** Same diameter, different pitch: they start, bind and are ruined (handbook, "The parts"). */
    public function looksLike(self $other): bool
    {
        return $this->type === JointType::Thread && $other->type === JointType::Thread
            && abs((float) $this->diameterMm - (float) $other->diameterMm) < 0.05
            && ! $this->sameStandard($other);
    }

    /** Whether it is a screw thread of a diameter and a pitch. */
    public function isThread(): bool
    {
        return $this->type === JointType::Thread;
    }

    /** As people say it: `tern`, `M42×1`, `39 × 26 tpi`. */
    public function spoken(): string
    {
        if ($this->type !== JointType::Thread) {
            return $this->name;
        }
        $size = substr($this->name, strlen('thread:'));

        return str_ends_with($size, 'tpi')
            ? str_replace('x', ' × ', substr($size, 0, -3)).' tpi'
            : 'M'.str_replace('x', '×', $size);
    }

    private static function parseThread(string $text): self
    {
        $decimal = '(\d{1,4}(?:\.\d{1,4})?)';
        if (preg_match('/^thread:'.$decimal.'x'.$decimal.'(tpi)?$/', $text, $found) !== 1) {
            throw InvalidFigure::because('joint', 'a thread is written thread:DxP in mm, or thread:DxNtpi');
        }
        $diameter = (float) $found[1];
        $second = (float) $found[2];
        if ($diameter <= 0.0 || $second <= 0.0) {
            throw InvalidFigure::because('joint', 'a thread has a diameter and a pitch above 0');
        }
        $pitch = isset($found[3]) ? self::INCH_MM / $second : $second;

        return new self($text, JointType::Thread, $diameter, $pitch);
    }
}
