<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\User;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/** A person who was disabled while signed in is signed out with the next request. */
final class EndsDisabled
{
    public function handle(Request $request, Closure $next): Response
    {
        $user = Auth::user();
        if ($user instanceof User && $user->disabled_at !== null) {
            Auth::logout();
            $request->session()->invalidate();

            return redirect('/sign-in');
        }

        return $next($request);
    }
}
