<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\SecondFactor;
use App\Http\Middleware\EndsSessions;
use App\Http\SignedOut;
use App\Models\User;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\DemoBooks;
use App\Support\Moment;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\View\View;

final class SessionController
{
    private const TRIES = 5;

    private const HALF = 'password given';

    /** In seconds: so long one may look for the device with the code. */
    private const HALF_HOLDS = 300;

    public function create(): View|RedirectResponse
    {
        return User::query()->exists() ? view('sign-in') : redirect()->route('first-start');
    }

    public function store(Request $request): RedirectResponse
    {
        $typed = $request->validate(['email' => ['required', 'string', 'max:200'], 'password' => ['required', 'string', 'max:200']]);
        $throttle = 'sign-in|'.mb_strtolower($typed['email']).'|'.$request->ip();
        if (RateLimiter::tooManyAttempts($throttle, self::TRIES)) {
            return back()
                ->withInput($request->only('email'))
                ->withErrors(['email' => 'Too many tries. Wait '.RateLimiter::availableIn($throttle).' seconds and try again.']);
        }
        $isTheDemos = $typed['password'] === DemoBooks::PASSWORD && ! DemoBooks::areHere();
        if ($isTheDemos || ! Auth::validate([...$typed, 'disabled_at' => null])) {
            RateLimiter::hit($throttle);
            (new AuditTrail(new Actor('nobody', 'POST sign-in')))->record('sign-in refused', $typed['email']);

            return back()
                ->withInput($request->only('email'))
                ->withErrors(['email' => 'This address and password do not belong together.']);
        }
        RateLimiter::clear($throttle);
        $user = User::query()->where('email', $typed['email'])->firstOrFail();
        if ($user->person()->second_factor !== null) {
            $request->session()->put(self::HALF, [$user->id, time() + self::HALF_HOLDS]);

            return redirect()->route('sign-in.code');
        }

        return self::signIn($request, $user);
    }

    public function code(Request $request): View|RedirectResponse
    {
        return self::halfSignedIn($request) === null ? redirect('/sign-in') : view('people.code');
    }

    /** The second factor, or a recovery code. */
    public function checkCode(Request $request, SecondFactor $factor): RedirectResponse
    {
        $user = self::halfSignedIn($request);
        if ($user === null) {
            return redirect('/sign-in')->withErrors(['email' => 'That took too long. Sign in again.']);
        }
        $throttle = "code|{$user->id}";
        $isOpen = ! RateLimiter::tooManyAttempts($throttle, self::TRIES);
        if (! $isOpen || ! $factor->opens($user, $request->string('code')->toString())) {
            RateLimiter::hit($throttle, 300);
            (new AuditTrail(new Actor('nobody', 'POST sign-in/code')))->record('sign-in refused', $user->email, 'second factor');

            return redirect()->route('sign-in.code')->withErrors([
                'code' => $isOpen ? 'This code does not open, or was used already. Wait for the next one.'
                    : 'Too many tries. Wait '.RateLimiter::availableIn($throttle).' seconds and try again.',
            ]);
        }
        RateLimiter::clear($throttle);
        $request->session()->forget(self::HALF);

        return self::signIn($request, $user);
    }

    private static function signIn(Request $request, User $user): RedirectResponse
    {
        EndsSessions::begin($request, $user);
        $user->update(['signed_in_at' => Moment::now()]);
        self::trail('sign in');
        SignedOut::bringBack($request);

        return redirect()->intended('/');
    }

    /** Who has given the password, and not yet the code. */
    private static function halfSignedIn(Request $request): ?User
    {
        $half = $request->session()->get(self::HALF);
        [$id, $until] = is_array($half) ? $half : [0, 0];

        return $until >= time() ? User::query()->whereKey($id)->whereNull('disabled_at')->first() : null;
    }

    public function destroy(Request $request): RedirectResponse
    {
        if (Auth::check()) {
            self::trail('sign out');
        }
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return redirect('/sign-in');
    }

    private static function trail(string $what): void
    {
        (new AuditTrail(Actor::current()))->record($what, 'person '.Auth::id());
    }
}
