<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\User;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** A reader can post nothing. */
final class WriterOnly
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $user = $request->user();
        abort_unless(
            $user instanceof User && $user->role->mayWrite(),
            403,
            'A reader can look at everything and post nothing. Ask the preparer or the reviewer.',
        );

        return $next($request);
    }
}
