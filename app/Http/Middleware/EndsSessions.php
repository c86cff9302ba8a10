<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\SignedOut;
use App\Models\User;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/**
 * A person who was disabled while signed in, has another password since, or has been signed in for as long as one may, is signed out with
 * the next request, in whichever books of the shelf that is.
 */
final class EndsSessions
{
    /** Since when the session holds, in seconds since 1970. */
    public const SINCE = 'signed in since';

    /** A digest of the password's own. */
    private const WITH = 'signed in with';

    public static function begin(Request $request, User $user): void
    {
        Auth::login($user);
        $request->session()->regenerate();
        $request->session()->put(self::SINCE, time());
        self::keep($request, $user);
    }

    /** Whoever changes the own password stays. */
    public static function keep(Request $request, User $user): void
    {
        $request->session()->put(self::WITH, hash('sha256', $user->getAuthPassword()));
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $user = Auth::user();
        if (! $user instanceof User) {
            return $next($request);
        }
        $since = $request->session()->get(self::SINCE);
        $isOver = is_int($since) && time() - $since > config()->integer('session.longest') * 60;
        $with = $request->session()->get(self::WITH);
        $isOut = $user->disabled_at !== null || (is_string($with) && $with !== hash('sha256', $user->getAuthPassword()));
        if ($isOut || $isOver) {
            Auth::logout();
            $isOut ? $request->session()->invalidate() : $request->session()->forget(self::SINCE);

            return $isOver ? SignedOut::answer($request) : redirect('/sign-in');
        }

        return $next($request);
    }
}
