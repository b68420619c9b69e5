<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Accounts\Confirmation;
use App\Accounts\SendAccountMail;
use App\Accounts\SessionGuard;
use App\Accounts\Sessions;
use App\Http\Requests\ConfirmAddress;
use App\Http\Resources\SessionView;
use App\Http\Resources\SignInView;
use App\Http\Resources\Trouble;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;

/** Where one is signed in, what happened at the door, and that the address is one's own. */
final class SessionController
{
    #[OA\Get(path: '/me/sessions', operationId: 'listSessions', responses: [new OA\Response(response: 200, description: 'Where you are signed in, the last used first', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: SessionView::class)))])]
    public function index(Request $request): JsonResponse
    {
        $here = $request->hasSession() ? $request->session()->getId() : '';
        $text = static fn (mixed $value): ?string => is_string($value) && $value !== '' ? $value : null;

        return response()->json(array_map(static fn (\stdClass $session): SessionView => new SessionView(
            Sessions::fingerprint((string) $session->id), $session->id === $here, $text($session->ip_address), $text($session->user_agent), Carbon::createFromTimestamp((int) $session->last_activity)->toIso8601String(),
        ), Sessions::of(SessionGuard::person($request))));
    }

    #[OA\Delete(path: '/me/sessions/{session}', operationId: 'endSession', parameters: [new OA\PathParameter(name: 'session', schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 204, description: 'Ended'), new OA\Response(response: 404, description: 'There is no such session of yours', content: new OA\JsonContent(ref: Trouble::class))])]
    public function end(Request $request, string $session): Response
    {
        if (! Sessions::end(SessionGuard::person($request), $session)) {
            abort(404);
        }

        return response()->noContent();
    }

    #[OA\Get(path: '/me/sign-ins', operationId: 'listSignIns', responses: [new OA\Response(response: 200, description: 'What happened at the door of your account, the newest first', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: SignInView::class)))])]
    public function log(Request $request): JsonResponse
    {
        $rows = DB::table('sign_ins')->where('user_id', SessionGuard::person($request)->id)->orderByDesc('id')->limit(50)->get()->all();

        return response()->json(array_values(array_map(static fn (\stdClass $row): SignInView => new SignInView((string) $row->what, $row->ip_address, $row->user_agent, Carbon::parse((string) $row->created_at)->toIso8601String()), $rows)));
    }

    #[OA\Post(path: '/confirm', operationId: 'confirmAddress', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: ConfirmAddress::class)), responses: [new OA\Response(response: 204, description: 'The address is confirmed'), new OA\Response(response: 422, description: 'The link is too old or not whole', content: new OA\JsonContent(ref: Trouble::class))])]
    public function confirm(ConfirmAddress $request): Response
    {
        if (! Confirmation::take($request->integer('user'), $request->integer('until'), $request->string('signature')->toString())) {
            throw ValidationException::withMessages(['signature' => 'This link is more than a week old, or not complete. Sign in and ask for a new one.']);
        }

        return response()->noContent();
    }

    #[OA\Post(path: '/me/confirmation', operationId: 'askConfirmation', responses: [new OA\Response(response: 204, description: 'A letter is on its way')])]
    public function letter(Request $request): Response
    {
        $user = SessionGuard::person($request);
        if (! $user->isGuest()) {
            dispatch(SendAccountMail::signedUp($user));
        }

        return response()->noContent();
    }
}
