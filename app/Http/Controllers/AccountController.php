<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Accounts\Belongings;
use App\Accounts\Confirmation;
use App\Accounts\Passwords;
use App\Accounts\SendAccountMail;
use App\Accounts\SessionGuard;
use App\Accounts\Sessions;
use App\Accounts\SignInLog;
use App\Http\Requests\ChangePassword;
use App\Http\Requests\DeleteAccount;
use App\Http\Requests\ForgottenPassword;
use App\Http\Requests\RenameAccount;
use App\Http\Requests\ResetPassword;
use App\Http\Requests\SignIn;
use App\Http\Requests\SignUp;
use App\Http\Resources\Person;
use App\Http\Resources\Trouble;
use App\Models\Kit;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Password as Broker;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;

/** Accounts: sign up, in and out, passwords, everything out and in, and the end of it. */
final class AccountController
{
    /** Accounts that may claim one address and are tried at signing in. */
    private const CLAIMS = 3;

    #[OA\Post(path: '/sign-up', operationId: 'signUp', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: SignUp::class)), responses: [
        new OA\Response(response: 201, description: 'An account, signed in; a guest keeps everything of theirs', content: new OA\JsonContent(ref: Person::class)),
        new OA\Response(response: 422, description: 'What is wrong', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function signUp(SignUp $request): JsonResponse
    {
        $guest = $request->user();
        if ($guest instanceof User && ! $guest->isGuest()) {
            throw ValidationException::withMessages(['email' => 'You are signed in already.']);
        }
        $valid = $request->account();
        // Whether somebody has an account of that address is told to nobody but in a letter to it.
        $user = DB::transaction(function () use ($guest, $valid): User {
            if ($guest instanceof User) {
                $guest->update($valid + ['guest_until' => null, 'guest_own' => false, 'opened_from' => null]);

                return $guest;
            }
            $user = User::query()->create($valid);
            $user->kits()->save(new Kit(['name' => 'My kit', 'extra' => new \stdClass]));

            return $user;
        });
        $user->refresh();
        SessionGuard::guard()->login($user);
        $request->session()->regenerate();
        SignInLog::note($user, 'signed up', $request);
        dispatch(SendAccountMail::signedUp($user));

        return response()->json(Person::of($user), 201);
    }

    #[OA\Post(path: '/sign-in', operationId: 'signIn', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: SignIn::class)), responses: [
        new OA\Response(response: 200, description: 'Signed in', content: new OA\JsonContent(ref: Person::class)),
        new OA\Response(response: 422, description: 'Not with this address and password', content: new OA\JsonContent(ref: Trouble::class)),
        new OA\Response(response: 429, description: 'Too many tries', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function signIn(SignIn $request): JsonResponse
    {
        $guest = $request->user();
        $user = self::matching($request->email(), $request->password(), $request);
        if ($user === null) {
            throw ValidationException::withMessages(['email' => 'No account has this address and password.']);
        }
        if ($guest instanceof User) {
            Belongings::bring($guest, $user);
        }
        SessionGuard::guard()->login($user);
        $request->session()->regenerate();
        SignInLog::note($user, 'signed in', $request);

        return response()->json(Person::of($user));
    }

    #[OA\Post(path: '/forgotten', operationId: 'forgottenPassword', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: ForgottenPassword::class)), responses: [new OA\Response(response: 204, description: 'If there is such an account, a letter is on its way')])]
    public function forgotten(ForgottenPassword $request): Response
    {
        dispatch(SendAccountMail::forgotten($request->email()));

        return response()->noContent();
    }

    #[OA\Post(path: '/reset', operationId: 'resetPassword', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: ResetPassword::class)), responses: [
        new OA\Response(response: 204, description: 'The new password is set; every session is ended'),
        new OA\Response(response: 422, description: 'The link is used or too old', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function reset(ResetPassword $request): Response
    {
        $status = Broker::broker()->reset($request->link(), function (User $user, string $password) use ($request): void {
            $user->password = $password;
            $user->setRememberToken(Str::random(60));
            $user->save();
            Sessions::endAll($user);
            SignInLog::note($user, 'password reset', $request);
            // Who came by a letter has shown that letters come through; somebody else may have shown it since.
            Confirmation::take(...Confirmation::shown($user));
            dispatch(SendAccountMail::passwordChanged($user));
        });
        if ($status !== Broker::PASSWORD_RESET) {
            throw ValidationException::withMessages(['token' => 'This link has been used, or is more than an hour old. Ask for a new one.']);
        }

        return response()->noContent();
    }

    #[OA\Put(path: '/me', operationId: 'changeAccount', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: RenameAccount::class)), responses: [new OA\Response(response: 200, description: 'Who you are now', content: new OA\JsonContent(ref: Person::class))])]
    public function rename(RenameAccount $request): JsonResponse
    {
        $user = self::owner($request);
        $user->update(['name' => $request->name()]);

        return response()->json(Person::of($user));
    }

    #[OA\Put(path: '/me/password', operationId: 'changePassword', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: ChangePassword::class)), responses: [new OA\Response(response: 204, description: 'Changed; other sessions are ended'), new OA\Response(response: 422, description: 'What is wrong', content: new OA\JsonContent(ref: Trouble::class))])]
    public function password(ChangePassword $request): Response
    {
        $user = self::owner($request);
        self::confirm($user, $request->current(), 'current');
        $user->password = $request->password();
        $user->save();
        // Everybody else is out, and who knew this session's id too.
        Sessions::endAll($user, $request->session()->getId());
        SessionGuard::guard()->login($user);
        $request->session()->regenerate(true);
        SignInLog::note($user, 'password changed', $request);
        dispatch(SendAccountMail::passwordChanged($user));

        return response()->noContent();
    }

    #[OA\Delete(path: '/me', operationId: 'deleteAccount', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: DeleteAccount::class)), responses: [new OA\Response(response: 204, description: 'The account and everything in it are gone'), new OA\Response(response: 422, description: 'What is wrong', content: new OA\JsonContent(ref: Trouble::class))])]
    public function delete(DeleteAccount $request): Response
    {
        $user = self::owner($request);
        self::confirm($user, $request->password(), 'password');
        SessionGuard::guard()->logout();
        Sessions::endAll($user);
        $user->delete();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return response()->noContent();
    }

    private static function owner(Request $request): User
    {
        $user = $request->user();
        if (! $user instanceof User || $user->isGuest()) {
            throw ValidationException::withMessages(['account' => 'A guest has no account to change. Make one first; everything here comes along.']);
        }

        return $user;
    }

    private static function confirm(User $user, string $password, string $field): void
    {
        if (! Hash::check($password, (string) $user->password)) {
            throw ValidationException::withMessages([$field => 'This is not your password.']);
        }
    }

    /**
     * The account of that address and password. The same work is done whether there are none, one or several that claim the address:
     * three hashes are tried, and what happened is noted for the first.
     */
    private static function matching(string $email, string $password, Request $request): ?User
    {
        $query = User::query()->where('email', $email);
        $query->orderByRaw('email_confirmed_at is null, id');
        $query->limit(self::CLAIMS);
        $claims = $query->get()->all();
        $found = null;
        for ($n = 0; $n < self::CLAIMS; $n++) {
            $user = $claims[$n] ?? null;
            if (Hash::check($password, $user->password ?? self::nobody()) && $user !== null) {
                $found ??= $user;
            }
        }
        if ($found !== null && Hash::needsRehash((string) $found->password)) {
            $found->update(['password' => $password]);
        }
        if ($found === null && isset($claims[0])) {
            SignInLog::note($claims[0], 'refused', $request);
        }

        return $found;
    }

    /** The hash of a password that nobody has, as dear to try as any. */
    private static function nobody(): string
    {
        $hash = Cache::rememberForever('hash of nobody', static fn (): string => Hash::make(Str::random(40)));

        return is_string($hash) ? $hash : '';
    }
}
