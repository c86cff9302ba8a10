<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\RedirectResponse;
use Symfony\Component\HttpFoundation\Response;

/** What is asked for a part of a page is never answered with a page inside it: a redirect, a refusal or an error takes the whole window. */
final class WholePages
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        $forPart =
            $request->hasHeader('HX-Request') &&
            ! $request->hasHeader('HX-Boosted') &&
            ! $request->hasHeader('HX-History-Restore-Request');
        if (! $forPart) {
            return $response;
        }
        if ($response instanceof RedirectResponse) {
            $instead = response('', 200, ['HX-Redirect' => $response->getTargetUrl()]);
            foreach ($response->headers->getCookies() as $cookie) {
                $instead->headers->setCookie($cookie);
            }

            return $instead;
        }
        if (str_starts_with(ltrim(substr((string) $response->getContent(), 0, 200)), '<!DOCTYPE html')) {
            $response->headers->add(['HX-Retarget' => 'body', 'HX-Reswap' => 'innerHTML', 'HX-Push-Url' => 'false']);
        }

        return $response;
    }
}
