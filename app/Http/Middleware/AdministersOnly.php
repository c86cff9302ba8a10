<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\User;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Who looks after the people of the books. */
final class AdministersOnly
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        abort_unless(User::signedIn()->administers, 403, 'Only who looks after the people of these books may do this.');

        return $next($request);
    }
}
