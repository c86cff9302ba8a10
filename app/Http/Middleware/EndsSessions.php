<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\SignedOut;
use App\Models\User;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/** A person who was disabled while signed in, or has been signed in for as long as one may, is signed out with the next request. */
final class EndsSessions
{
    /** Since when the session holds, in seconds since 1970. */
    public const SINCE = 'signed in since';

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $user = Auth::user();
        if (! $user instanceof User) {
            return $next($request);
        }
        $since = $request->session()->get(self::SINCE);
        $isOver = is_int($since) && time() - $since > config()->integer('session.longest') * 60;
        if ($user->disabled_at !== null || $isOver) {
            Auth::logout();
            $user->disabled_at !== null ? $request->session()->invalidate() : $request->session()->forget(self::SINCE);

            return $isOver ? SignedOut::answer($request) : redirect('/sign-in');
        }

        return $next($request);
    }
}
