<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Accounts\Demonstration;
use App\Accounts\GuestsFrom;
use App\Accounts\SessionGuard;
use App\Http\Resources\Person;
use App\Http\Resources\Trouble;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** Who is here, and the one press that opens the demonstration. */
final class GuestController
{
    #[OA\Post(path: '/guest', operationId: 'openDemonstration', responses: [new OA\Response(response: 201, description: 'A guest with a copy of the demonstration', content: new OA\JsonContent(ref: Person::class))])]
    public function store(Request $request, Demonstration $demonstration): JsonResponse
    {
        $user = $request->user();
        if (! $user instanceof User) {
            $user = $demonstration->openFor((int) config('zinc.guest_hours'), GuestsFrom::hold($request));
            SessionGuard::guard()->login($user);
            $request->session()->regenerate();
        }

        return response()->json(Person::of($user), 201);
    }

    #[OA\Get(path: '/me', operationId: 'whoAmI', responses: [
        new OA\Response(response: 200, description: 'Who is signed in', content: new OA\JsonContent(ref: Person::class)),
        new OA\Response(response: 401, description: 'Nobody', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function show(Request $request): JsonResponse
    {
        $user = SessionGuard::person($request);

        return response()->json(Person::of($user));
    }

    #[OA\Post(path: '/sign-out', operationId: 'signOut', responses: [new OA\Response(response: 204, description: 'Signed out; a guest is removed with everything of theirs')])]
    public function destroy(Request $request): JsonResponse
    {
        $user = $request->user();
        SessionGuard::guard()->logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();
        if ($user instanceof User && $user->isGuest()) {
            $user->delete();
        }

        return response()->json(null, 204);
    }
}
