<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Support\Actor;
use App\Support\AuditTrail;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/** What a person takes out of the books as a file is in the trail. */
final class DownloadsInTrail
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        $as = (string) $response->headers->get('Content-Disposition');
        if ($response->isOk() && Auth::check() && preg_match('/^attachment;.*filename="?([^";]+)/', $as, $file) === 1) {
            (new AuditTrail(Actor::current()))->record('download', $file[1], details: ['address' => $request->getRequestUri()]);
        }

        return $response;
    }
}
