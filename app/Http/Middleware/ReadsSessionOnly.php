<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Illuminate\Session\NullSessionHandler;
use Illuminate\Session\Store;
use Symfony\Component\HttpFoundation\Response;

/**
 * For requests that run beside others, as rehearsals do while one types and fragments while one moves through a list: the session is read
 * and not written back, since a late answer would
 * otherwise write over what a posting has meanwhile put there.
 */
final class ReadsSessionOnly
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        if ($request->isMethod('GET') && $request->header('HX-Target') === null) {
            return $response;
        }
        $session = $request->session();
        if ($session instanceof Store) {
            $session->setHandler(new NullSessionHandler());
        }

        return $response;
    }
}
