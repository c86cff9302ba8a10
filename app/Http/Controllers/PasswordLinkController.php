<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\SignInLinks;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\View\View;

/** Setting a password by a link: after an invitation, or when the old one was forgotten. */
final class PasswordLinkController
{
    private const TRIES = 5;

    public function forgotten(): View
    {
        return view('people.forgotten');
    }

    public function send(Request $request, SignInLinks $links): RedirectResponse
    {
        $throttle = 'forgotten|'.$request->ip();
        if (! RateLimiter::tooManyAttempts($throttle, self::TRIES)) {
            RateLimiter::hit($throttle, 3_600);
            $links->sendForgotten($request->string('email')->toString(), url('/welcome'));
        }

        return redirect('/sign-in')->with(
            'said',
            'If this address belongs to a person of these books, a link is on its way to it. It holds for one hour.',
        );
    }

    public function show(string $token, SignInLinks $links): View
    {
        return view('people.welcome', ['token' => $token, 'person' => $links->person($token)]);
    }

    public function set(Request $request, string $token, SignInLinks $links): RedirectResponse
    {
        $links->setPassword($token, $request->string('password')->toString());

        return redirect('/sign-in')->with('said', 'The password is set. Sign in with it.');
    }
}
