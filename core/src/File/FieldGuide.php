<?php

declare(strict_types=1);

namespace ZincThimble\Core\File;

use ZincThimble\Core\Gear\Kind;

/**
 * What each field of a part is called on a form, its unit, what it is for, and how to measure it with a ruler or read it
 * off the part. Every field of every kind has an entry (a test says so).
 */
final class FieldGuide
{
    /** Label, unit, and help. Fields that mean something else in one kind have an entry `kind.field`. */
    private const GUIDE = [
        'name' => ['Name', '', 'What you call it. Write it on a dab of tape on the part, so that a plan can say which.'],
        'count' => ['How many', '', 'How many of this same part you own. 0 is a part you may buy: Find uses it where you say what you would spend.'],
        'id' => ['Short name in files', '', 'Files refer to the part by this. Leave it alone and one is made.'],
        'marriedTo' => ['Kept on', '', 'A ring that always sits on one part: it comes along wherever that part goes.'],
        'note' => ['Note', '', 'Whose it is, where it lies, what is wrong with it.'],
        'rear' => ['Joint at the rear', '', 'The end towards the camera. A bayonet by its name, a thread by diameter and pitch: lay a ruler across, and count the turns in 10 mm (10 turns = pitch 1).'],
        'front' => ['Joint at the front', '', 'The end towards the subject. On a lens this is the filter thread; its diameter is often engraved after ⌀.'],
        'joint' => ['Lens mount', '', 'What the camera holds a lens by. “fixed” when the lens does not come off.'],
        'alsoRear' => ['Also at the rear', '', 'A second joint of the same end: a thread inside a bayonet.'],
        'alsoFront' => ['Also at the front', '', 'A second joint of the same end: a filter thread inside a hood bayonet.'],
        'rearSide' => ['Half at the rear', '', 'Male goes in, female takes in. Only when it is not the usual way: rears are male.'],
        'frontSide' => ['Half at the front', '', 'Male goes in, female takes in. Only when it is not the usual way: fronts are female, but those of reversing and coupling rings.'],
        'massG' => ['Weight', 'g', 'On kitchen scales, with its caps off.'],
        'price' => ['Price', '', 'What it cost you, or would cost again. Decides between rigs that do the same.'],
        'passes' => ['Passes on', '', 'What of the coupling gets through: electric contacts, or a lever that works the diaphragm. Look for gold pins, or a small rod that moves.'],
        'camera.passes' => ['Its mount works', '', 'What the camera works in a lens: electric contacts, or a lever.'],
        'outerMm' => ['Widest diameter', 'mm', 'Between two books standing on a ruler.'],
        'frontOuterMm' => ['Diameter at the front', 'mm', 'The metal around the front, not the glass. Decides how flat light can still come in.'],
        'rearOuterMm' => ['Diameter at the rear', 'mm', 'The metal around the rear end.'],
        'balanceMm' => ['Balances at', 'mm', 'Lay it on a pencil: from its rear end to where it neither tips this way nor that. The middle unless given.'],
        'footMm' => ['Foot at', 'mm', 'From its rear end to the middle of the tripod foot. Empty when it has none.'],
        'registerMm' => ['Register', 'mm', 'From the mount’s face to the sensor: the same for all cameras of one mount, so a list of mounts tells it.'],
        'lens.registerMm' => ['Made for a register of', 'mm', 'The register of the cameras this lens was made for; a list of mounts tells it. Of an enlarging lens that no list tells leave it empty: hold the lens so that a far window is sharp on paper, and measure from its flange to the paper.'],
        'sensor' => ['Sensor', '', 'Width and height of the picture area, and how many pixels: in the camera’s instructions.'],
        'sensor.widthMm' => ['Sensor width', 'mm', 'In the camera’s instructions, under sensor.'],
        'sensor.heightMm' => ['Sensor height', 'mm', 'In the camera’s instructions, under sensor.'],
        'sensor.columns' => ['Pixels across', '', 'Of the largest picture the camera makes.'],
        'sensor.rows' => ['Pixels down', '', 'Of the largest picture the camera makes.'],
        'modes' => ['Crop and video modes', '', 'Name, width, height and pixels of each smaller picture area.'],
        'gripOverhangMm' => ['Grip stands out by', 'mm', 'How far the grip or finder stands in front of the mount’s face: a ruler along the mount. A bellows rail meets it.'],
        'mountMomentNm' => ['Mount bears', 'Nm', 'The most its mount should carry: 1.0 for metal and 0.4 for plastic unless you know better.'],
        'throatMm' => ['Clear width of the mount', 'mm', 'The opening you look through into the camera, across its narrowest.'],
        'widthMm' => ['Width', 'mm', 'Of the body, for the drawing.'],
        'reference.widthMm' => ['Width', 'mm', 'Of the target.'],
        'heightMm' => ['Height', 'mm', 'Of the body, for the drawing.'],
        'depthMm' => ['Depth', 'mm', 'Mount’s face to the back of the body, for the drawing.'],
        'reference.depthMm' => ['Depth', 'mm', 'Of the target; 0 when it is flat.'],
        'coupling' => ['Without a coupled lens it', '', 'Whether it still meters, and still fires, with a bare tube on it. Try it: the setting may hide in a menu.'],
        'finderCoverage' => ['Finder shows', '', 'The share of the frame’s width that the finder shows, 0 to 1.'],
        'lengthMm' => ['Length', 'mm', 'From face to face, without what screws in: callipers, or the part on a flat table and a ruler beside it.'],
        'shoulder' => ['Has a shoulder', '', 'Whether it stops against a face when it is screwed home. Without one it can go in too far.'],
        'clearMm' => ['Clear diameter', 'mm', 'The narrowest opening you can look through. Wide dark corners come from here.'],
        'minMm' => ['Shortest', 'mm', 'From face to face, racked in all the way.'],
        'maxMm' => ['Longest', 'mm', 'From face to face, racked out all the way.'],
        'setMm' => ['Set to', 'mm', 'Where it usually stands.'],
        'pitchMm' => ['Grows per turn', 'mm', 'How much longer it gets in one whole turn.'],
        'rail.pitchMm' => ['Moves per turn', 'mm', 'How far one whole turn of the knob moves it: measure ten turns.'],
        'scaleZeroMm' => ['Scale reads 0 at', 'mm', 'The true face-to-face length at which the engraved scale reads 0. Set the scale to 50, measure, and take 50 off.'],
        'rearClearanceMm' => ['Room for a grip', 'mm', 'From its rear face to where the rail begins: so far a grip may stand out.'],
        'latch' => ['Works a lever by hand', '', 'A lever or cable on it that works the lens whose mount it sits on: at the far end of a reversed lens.'],
        'bellows.latch' => ['Works a lever by hand', '', 'A latch or cable at its front that works the lens’s lever.'],
        'taped' => ['Taped on', '', 'Held by tape, on a front that it doesn’t fit.'],
        'plateTurned' => ['Front plate turned', '', 'Turned round, its latch works the far end of a reversed lens.'],
        'maxSwingDeg' => ['Swings to', '°', 'The most its front swings to one side.'],
        'maxShiftMm' => ['Shifts to', 'mm', 'The most its front shifts to one side.'],
        'swingDeg' => ['Swing', '°', 'As it stands.'],
        'shiftMm' => ['Shift', 'mm', 'As it stands.'],
        'focalLengthMm' => ['Focal length', 'mm', 'Engraved on the front. Right to about 3 %; two pictures of a ruler settle it.'],
        'frontRimMm' => ['Mount to front rim', 'mm', 'From the mount’s face to the front-most metal, ring at infinity: stand the lens on its rear and lay a ruler beside it.'],
        'minFocusMm' => ['Closest focus', 'mm', 'From the sensor to the subject at the near end of the ring, as engraved. Alone it is enough: the greatest magnification follows from it.'],
        'minFocusFrontMm' => ['Closest focus from the front', 'mm', 'Of a lens without a sensor mark to measure from: from its front rim to the subject at the near end of the ring. One of the two is enough.'],
        'minMagnification' => ['Ring begins at', '×', 'Only of a lens whose ring begins closer than infinity, at 1 : 1 for instance. Its length is then measured where the ring begins.'],
        'pastInfinityMm' => ['Turns past infinity by', 'mm', 'How far the lens still moves in when its ring is turned on past infinity, as long lenses let it.'],
        'pupils' => ['Pupils', '', 'Both diameters, seen from over a metre: they give the pupil ratio.'],
        'pupils.entranceMm' => ['Pupil from the front', 'mm', 'The bright disc seen through the front from over a metre, against a ruler, wide open.'],
        'pupils.exitMm' => ['Pupil from behind', 'mm', 'The same seen through the rear.'],
        'shots' => ['Shots', '', 'Pictures of a ruler that were taken with it, each as measured. The figures are worked out from all of them.'],
        'trials' => ['Trials', '', 'The same edge at several stops: which one it is sharpest at, and how much it blurs of its own at each.'],
        'maxMagnification' => ['Greatest magnification', '×', 'By its own ring alone, in its data. Or photograph a ruler at the closest: sensor width over the millimetres seen.'],
        'focusing' => ['Focuses by', '', 'Unit: the whole lens moves out. Internal: the barrel keeps its length. Fixed: no ring of its own.'],
        'design' => ['Design', '', 'Symmetrical: most 40 to 60 mm and many macro lenses. Triplet: enlarging, projection. Telephoto: shorter than its focal length. Retrofocus: a wide one on a mirror camera. Wide: one on a short register.'],
        'principalGapMm' => ['Principal gap', 'mm', 'How far the front principal plane lies before the rear one. Nobody engraves it; a picture of a ruler with the lens reversed tells it.'],
        'pupilRatio' => ['Pupil ratio', '', 'Seen from over a metre: diameter of the pupil from behind over that from the front.'],
        'closeFocalLengthMm' => ['Focal length at the closest', 'mm', 'Of an internally focusing lens, where it is known.'],
        'closePrincipalGapMm' => ['Principal gap at the closest', 'mm', 'Of an internally focusing lens, where it is known.'],
        'closePupilRatio' => ['Pupil ratio at the closest', '', 'As the pupil ratio, with the ring at its near end.'],
        'closeEffectiveAperture' => ['Camera shows at the closest', 'f/', 'The f-number a camera that corrects it shows wide open at the near end of the ring.'],
        'rimTravelMm' => ['Rim moves out by', 'mm', 'How much longer an internally focusing lens gets from infinity to the closest.'],
        'rearProtrusionMm' => ['Rear stands out by', 'mm', 'How far glass or levers stand behind the mount’s face: ruler across the mount. Reversed, that meets the subject first.'],
        'frontGlassMm' => ['Front glass', 'mm', 'Clear diameter of the front element.'],
        'imageCircleMm' => ['Image circle', 'mm', 'The circle it covers at infinity: the diagonal of the format it was made for, if nothing else is known.'],
        'aperture' => ['Aperture', '', 'Widest and smallest f-number, and how it is worked.'],
        'aperture.widest' => ['Widest aperture', 'f/', 'The smallest number, engraved on the front as 1 : 2.8.'],
        'aperture.smallest' => ['Smallest aperture', 'f/', 'The greatest number on the ring, or the camera shows.'],
        'aperture.control' => ['Aperture worked by', '', 'A ring on the lens always works. A lever or pin needs a coupling. Electronic ones need contacts.'],
        'aperture.shows' => ['Camera shows', '', 'Whether the number shown already counts the extension (effective) or not (marked).'],
        'aperture.rest' => ['Uncoupled it stands', '', 'As the ring says, open, or closed: take it off and look.'],
        'reversed' => ['Reversed', '', 'Mounted by its filter thread.'],
        'marks' => ['Engraved on the ring', '', 'Each mark: where on the ring (0 infinity, 1 closest), and its distance or magnification.'],
        'flatField' => ['Flat field', '', 'Sharp from corner to corner of a flat thing: enlarging, copying and most macro lenses are.'],
        'bracketStep' => ['Bracketing turns it by', '', 'The share of the ring’s whole turn that the camera’s finest focus step moves it. Nobody engraves it: measure it once under Shots on the Bench.'],
        'stations' => ['Zoom stations', '', 'The fields that differ, at each focal length you know. One at either end is enough to begin.'],
        'measured' => ['Measured', '', 'Which figures were measured, and how far each may be off.'],
        'guessed' => ['Guessed', '', 'Which figures nobody knows yet: they are what lenses of that kind have, and each may be off by so much.'],
        'set' => ['Set', '', 'As it usually stands: ring, aperture, zoom.'],
        'powerD' => ['Power', 'dioptres', 'Engraved as +2, +4; or as its focal length in mm, 400, 200: type that, and it becomes +2.5, +5. Or 1000 over its focal length in mm: make a sharp picture of a far lamp on paper and measure from glass to paper.'],
        'elements' => ['Elements', '', 'One: a single glass. Two: a corrected pair; thicker and dearer.'],
        'thicknessMm' => ['Adds in front', 'mm', 'How much longer the lens gets with it screwed on.'],
        'planeFromFrontMm' => ['Its plane lies behind its front', 'mm', 'Half its thickness for a single glass, 0 for a pair, unless you know better.'],
        'sealed' => ['Sealed', '', 'With air inside: it keeps all of its power under water.'],
        'index' => ['Index of the glass', '', '1.52 for ordinary glass.'],
        'clipMinMm' => ['Clips on from', 'mm', 'The narrowest front it holds on to.'],
        'clipMaxMm' => ['Clips on up to', 'mm', 'The widest front it holds on to.'],
        'nominal' => ['Engraved magnification', '×', 'The first number on the barrel: 4, 10, 20.'],
        'na' => ['Numerical aperture', '', 'The number after the slash: 4 / 0.10.'],
        'workingDistanceMm' => ['Working distance', 'mm', 'From its tip to the subject in focus, as its data say (often WD on the barrel).'],
        'corrected' => ['Corrected for', '', 'Finite: engraved 160 or 170. Infinite: engraved ∞; it needs a lens behind it.'],
        'tubeMm' => ['Shoulder to image', 'mm', '150 unless given.'],
        'parfocalMm' => ['Shoulder to subject', 'mm', '45 unless given.'],
        'referenceMm' => ['Reference tube lens', 'mm', 'The focal length its magnification counts for: 200, 180 or 165.'],
        'factor' => ['Factor', '×', 'As engraved: 1.4, 2; of a wide converter below 1: 0.7.'],
        'gapMm' => ['Lens to glass', 'mm', 'From the front-most metal to the inside of the port.'],
        'glassMm' => ['Glass', 'mm', 'How thick the port is.'],
        'medium' => ['Index of the water', '', '1.333 for fresh, 1.34 for salt water.'],
        'travelMm' => ['Travel', 'mm', 'From one end to the other.'],
        'loadG' => ['Bears', 'g', 'The most it should carry.'],
        'guideNumber' => ['Guide number', 'm', 'At ISO 100, in metres: in its data. Those in feet: divide by 3.3.'],
        'recycleS' => ['Ready again after', 's', 'At full power, in its data; at less it takes less.'],
        'watts' => ['Power', 'W', 'As printed on the lamp.'],
        'lumensPerWatt' => ['Light per watt', 'lm', 'Lumens over watts, as printed on the box: 80 to 120 for a diode, 15 to 25 for a halogen lamp.'],
    ];

    /** What changes the answer most, per kind: asked first. Joints and names come by themselves. */
    private const FIRST = [
        'camera' => ['name', 'joint', 'registerMm', 'sensor.widthMm', 'sensor.heightMm', 'sensor.columns', 'sensor.rows'],
        'adapter' => ['name', 'rear', 'front', 'lengthMm'],
        'tube' => ['name', 'rear', 'front', 'lengthMm', 'passes'],
        'reversing-ring' => ['name', 'rear', 'front', 'lengthMm'],
        'coupling-ring' => ['name', 'rear', 'front', 'lengthMm'],
        'step-ring' => ['name', 'rear', 'front', 'lengthMm'],
        'filter' => ['name', 'rear', 'front', 'lengthMm'],
        'hood' => ['name', 'rear', 'front', 'lengthMm'],
        'helicoid' => ['name', 'rear', 'front', 'minMm', 'maxMm'],
        'bellows' => ['name', 'rear', 'front', 'minMm', 'maxMm', 'scaleZeroMm', 'rearClearanceMm'],
        'lens' => ['name', 'rear', 'front', 'focalLengthMm', 'registerMm', 'minFocusMm', 'minFocusFrontMm', 'maxMagnification', 'frontRimMm', 'design', 'focusing', 'aperture.widest', 'aperture.smallest', 'aperture.control'],
        'close-up-lens' => ['name', 'rear', 'front', 'powerD', 'elements', 'thicknessMm'],
        'objective' => ['name', 'rear', 'nominal', 'na', 'workingDistanceMm', 'corrected'],
        'teleconverter' => ['name', 'rear', 'front', 'factor', 'lengthMm'],
        'afocal' => ['name', 'rear', 'factor', 'thicknessMm', 'clearMm'],
        'port' => ['name', 'rear', 'gapMm', 'glassMm', 'index'],
        'rail' => ['name', 'travelMm', 'pitchMm'],
        'tripod' => ['name', 'loadG'],
        'stand' => ['name', 'loadG'],
        'flash' => ['name', 'guideNumber', 'recycleS'],
        'lamp' => ['name', 'watts', 'lumensPerWatt'],
        'reference' => ['name', 'widthMm', 'depthMm'],
    ];

    /** Fields that a form leaves out: how a part is set belongs to a rig, `id` to files. */
    private const NOT_ASKED = ['id', 'set', 'setMm', 'swingDeg', 'shiftMm', 'plateTurned', 'taped', 'reversed', 'measured', 'guessed', 'shots', 'trials'];

    /** @return array{label: string, unit: string, help: string} */
    public static function of(Kind $kind, string $field): array
    {
        return self::find($kind, $field) ?? throw new \LogicException("The field {$field} of {$kind->value} has no entry in the guide");
    }

    /**
     * The same of any field a file may have: one that the guide doesn't know goes by its own name.
     *
     * @return array{label: string, unit: string, help: string}
     */
    public static function orName(Kind $kind, string $field): array
    {
        return self::find($kind, $field) ?? ['label' => $field, 'unit' => '', 'help' => ''];
    }

    /** @return ?array{label: string, unit: string, help: string} */
    private static function find(Kind $kind, string $field): ?array
    {
        $entry = self::GUIDE[$kind->value.'.'.$field] ?? self::GUIDE[$field] ?? null;

        return $entry === null ? null : ['label' => $entry[0], 'unit' => $entry[1], 'help' => $entry[2]];
    }

    /**
     * The fields of a form for a part of that kind, nested ones with a dot, those asked first in front.
     *
     * @return list<array{name: string, first: bool, field: Field}>
     */
    public static function form(Kind $kind): array
    {
        $all = [];
        foreach ([...Shapes::part($kind), ...Shapes::inKit()] as $field) {
            if (in_array($field->name, self::NOT_ASKED, true)) {
                continue;
            }
            foreach ($field->type === FieldType::Object ? $field->fields : [null] as $inner) {
                $name = $field->name.($inner === null ? '' : '.'.$inner->name);
                $all[$name] = $inner ?? $field;
            }
        }
        $form = [];
        foreach (self::FIRST[$kind->value] as $name) {
            $form[] = ['name' => $name, 'first' => true, 'field' => $all[$name] ?? throw new \LogicException("{$kind->value} has no field {$name}")];
            unset($all[$name]);
        }
        foreach ($all as $name => $field) {
            $form[] = ['name' => $name, 'first' => false, 'field' => $field];
        }

        return $form;
    }
}
