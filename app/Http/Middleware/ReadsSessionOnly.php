<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Illuminate\Session\NullSessionHandler;
use Illuminate\Session\Store;
use Symfony\Component\HttpFoundation\Response;

/**
 * For requests that run beside others, as rehearsals do while one types: the session is read and not written back, since a late answer would
 * otherwise write over what a posting has meanwhile put there.
 */
final class ReadsSessionOnly
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        $session = $request->session();
        if ($session instanceof Store) {
            $session->setHandler(new NullSessionHandler);
        }

        return $response;
    }
}
