<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Accounts\SessionGuard;
use App\Http\Requests\AddJoint;
use App\Http\Resources\GuideField;
use App\Http\Resources\GuideKind;
use App\Http\Resources\JointView;
use App\Http\Resources\PatternPart;
use App\Http\Resources\PatternView;
use App\Http\Resources\Trouble;
use App\Kit\OwnJoints;
use App\Kit\Patterns;
use App\Models\Joint;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use ZincThimble\Core\File\FieldGuide;
use ZincThimble\Core\Gear\Joint as CoreJoint;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Joint\StandardJoints;

/** What helps to put a kit in: the forms, the patterns, the joints. */
final class GuideController
{
    #[OA\Get(path: '/guide', operationId: 'guide', responses: [new OA\Response(response: 200, description: 'The form of every kind of part', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: GuideKind::class)))])]
    public function guide(): JsonResponse
    {
        return response()->json(array_map(static fn (Kind $kind): GuideKind => new GuideKind(
            $kind,
            ucfirst($kind->spoken()),
            $kind->inChain(),
            array_map(static function (array $each) use ($kind): GuideField {
                $guide = FieldGuide::of($kind, $each['name']);
                $field = $each['field'];

                return new GuideField(name: $each['name'], label: $guide['label'], unit: $guide['unit'], help: $guide['help'], type: $field->type->value, first: $each['first'], needed: $field->needed, least: $field->least, greatest: $field->greatest, words: $field->words);
            }, FieldGuide::form($kind)),
        ), Kind::cases()));
    }

    #[OA\Get(path: '/patterns', operationId: 'patterns', responses: [new OA\Response(response: 200, description: 'Generic parts to begin from', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: PatternView::class)))])]
    public function patterns(): JsonResponse
    {
        return response()->json(array_map(static fn (array $each): PatternView => new PatternView(
            $each['id'], $each['group'], $each['name'], $each['text'], $each['ask'], array_map(static fn (array $part): PatternPart => new PatternPart((object) $part), $each['parts']),
        ), Patterns::all()));
    }

    #[OA\Get(path: '/joints', operationId: 'listJoints', responses: [new OA\Response(response: 200, description: 'The shipped joints, and the person’s own', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: JointView::class)))])]
    public function joints(Request $request): JsonResponse
    {
        $user = SessionGuard::person($request);
        $own = $user->joints()->get()->map(self::joint(...))->all();

        return response()->json([...$own, ...array_map(static fn (array $each): JointView => new JointView(
            id: null, name: $each['name'], spoken: CoreJoint::parse($each['name'])->spoken(), type: $each['type'], use: $each['use'], registerMm: $each['registerMm'], throatMm: $each['throatMm'], diameterMm: $each['diameterMm'], pitchMm: $each['pitchMm'],
        ), StandardJoints::all())]);
    }

    #[OA\Post(path: '/joints', operationId: 'addJoint', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: AddJoint::class)), responses: [new OA\Response(response: 201, description: 'The joint', content: new OA\JsonContent(ref: JointView::class)), new OA\Response(response: 422, description: 'What is wrong', content: new OA\JsonContent(ref: Trouble::class))])]
    public function addJoint(AddJoint $request): JsonResponse
    {
        $user = SessionGuard::person($request);
        if ($user->joints()->count() >= 500) {
            throw ValidationException::withMessages(['name' => 'That is more joints than anybody owns.']);
        }
        $joint = new Joint(OwnJoints::checked($request->only(['name', 'use', 'registerMm', 'throatMm'])));
        try {
            DB::transaction(fn () => $user->joints()->save($joint));
        } catch (UniqueConstraintViolationException) {
            throw ValidationException::withMessages(['name' => 'You have a joint of that name.']);
        }

        return response()->json(self::joint($joint), 201);
    }

    #[OA\Delete(path: '/joints/{joint}', operationId: 'dropJoint', parameters: [new OA\PathParameter(name: 'joint', schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 204, description: 'Gone from the list; parts keep it')])]
    public function dropJoint(Joint $joint): Response
    {
        Gate::authorize('delete', $joint);
        $joint->delete();

        return response()->noContent();
    }

    private static function joint(Joint $joint): JointView
    {
        $core = CoreJoint::parse($joint->name);

        return new JointView(id: $joint->id, name: $joint->name, spoken: $core->spoken(), type: $core->isThread() ? 'thread' : 'bayonet', use: $joint->used_for, registerMm: $joint->register_mm, throatMm: $joint->throat_mm, diameterMm: $core->diameterMm, pitchMm: $core->pitchMm);
    }
}
