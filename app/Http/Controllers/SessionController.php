<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\SignedOut;
use App\Models\User;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\DemoBooks;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\View\View;

final class SessionController
{
    private const TRIES = 5;

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
        if ($isTheDemos || ! Auth::attempt([...$typed, 'disabled_at' => null])) {
            RateLimiter::hit($throttle);
            (new AuditTrail(new Actor('nobody', 'POST sign-in')))->record('sign-in refused', $typed['email']);

            return back()
                ->withInput($request->only('email'))
                ->withErrors(['email' => 'This address and password do not belong together.']);
        }
        RateLimiter::clear($throttle);
        $request->session()->regenerate();
        self::trail('sign in');
        SignedOut::bringBack($request);

        return redirect()->intended('/');
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
