<?php

declare(strict_types=1);

namespace ZincThimble\Core\File;

/** What a field of a file holds. */
enum FieldType: string
{
    case Number = 'number';
    case Integer = 'integer';
    case Text = 'text';
    case Flag = 'flag';
    /** One of a few words. */
    case Choice = 'choice';
    /** A list of some of a few words. */
    case Choices = 'choices';
    case Joint = 'joint';
    case Joints = 'joints';
    /** One nested object. */
    case Object = 'object';
    /** A list of nested objects. */
    case Objects = 'objects';
    /** A list of texts. */
    case Texts = 'texts';
    /** Names of measured fields, each with its half-width. */
    case HalfWidths = 'half-widths';
}
