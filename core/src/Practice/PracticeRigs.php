<?php

declare(strict_types=1);

namespace ZincThimble\Core\Practice;

use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\CloseUpLens;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Kit;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Spacer;
use ZincThimble\Core\Joint\Mating;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Setting;

/** The plain rigs of a kit that questions are made of: a lens on a tube or two, turned round, with a close-up lens. Joints hold. */
final class PracticeRigs
{
    /** So many of each are looked at: in a kit of thousands the first that join are among them. */
    private const MOST_CAMERAS = 3;

    private const MOST_PARTS = 24;

    /** Rigs of one sort, at the most. */
    private const MOST = 120;

    /** @var list<Rig> a lens the usual way round behind it nothing or fixed spacers, a tube at least */
    public array $tubed = [];

    /** @var list<Rig> the lens directly on the camera, or on an adapter */
    public array $plain = [];

    /** @var list<Rig> */
    public array $turned = [];

    /** @var list<Rig> a plain one with a close-up lens */
    public array $glazed = [];

    private function __construct(private readonly Kit $kit, private readonly Conditions $conditions)
    {
    }

    public static function of(Kit $kit, Conditions $conditions): self
    {
        $self = new self($kit, $conditions);
        $lenses = array_slice(array_values(array_filter($kit->ofClass(Lens::class), static fn (Lens $lens): bool => ! $lens->reversed && ! $lens->isZoom())), 0, self::MOST_PARTS);
        foreach (array_slice($kit->cameras(), 0, self::MOST_CAMERAS) as $camera) {
            if ($camera->isBuiltIn()) {
                continue;
            }
            foreach ($self->stacks($camera) as $stack) {
                foreach ($lenses as $lens) {
                    $self->put($camera, $stack, $lens);
                }
            }
        }

        return $self;
    }

    /**
     * What may stand between camera and lens: nothing, one fixed spacer, or two.
     *
     * @return list<list<Part>>
     */
    private function stacks(Camera $camera): array
    {
        $spacers = array_slice(array_values(array_filter($this->kit->ofClass(Spacer::class), static fn (Spacer $part): bool => $part->kind->isFixedSpacer() && $part->kind !== Kind::Hood && $part->kind !== Kind::Filter)), 0, self::MOST_PARTS);
        $stacks = [[]];
        foreach ($spacers as $i => $first) {
            if (! Mating::of($camera, null, $first)->holds()) {
                continue;
            }
            $stacks[] = [$first];
            foreach ($spacers as $k => $second) {
                if ($k !== $i && Mating::of($camera, $first, $second)->holds()) {
                    $stacks[] = [$first, $second];
                }
            }
        }

        return $stacks;
    }

    /** @param  list<Part>  $stack */
    private function put(Camera $camera, array $stack, Lens $lens): void
    {
        $behind = $stack[count($stack) - 1] ?? null;
        $isTubed = array_filter($stack, static fn (Part $part): bool => $part->kind === Kind::Tube) !== [];
        if (Mating::of($camera, $behind, $lens)->holds()) {
            $isTubed ? $this->add($this->tubed, $camera, [...$stack, $lens]) : $this->add($this->plain, $camera, [...$stack, $lens]);
            foreach ($isTubed ? [] : array_slice($this->kit->ofClass(CloseUpLens::class), 0, self::MOST_PARTS) as $glass) {
                if (count($this->glazed) < self::MOST && Mating::of($camera, $lens, $glass)->holds()) {
                    $this->add($this->glazed, $camera, [...$stack, $lens, $glass]);
                }
            }
        }
        $turned = $lens->turned();
        if (Mating::of($camera, $behind, $turned)->holds()) {
            $this->add($this->turned, $camera, [...$stack, $turned]);
        }
    }

    /**
     * @param  list<Rig>  $rigs
     * @param  list<Part>  $chain
     */
    private function add(array &$rigs, Camera $camera, array $chain): void
    {
        if (count($rigs) >= self::MOST) {
            return;
        }
        try {
            $rigs[] = Rig::of($camera, $chain, Setting::untouched(), $this->conditions);
        } catch (InvalidFigure) {
            // A lens whose figures can't be settled asks nothing.
        }
    }
}
