<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** A session that is over in the middle of the work: what was typed is kept, and is there again on the same page after signing in. */
final class SignedOut
{
    private const TYPED = 'typed before signing in';

    private const NEVER_KEPT = ['_token', 'password', 'present', 'code', 'key', 'seen'];

    public static function answer(Request $request): RedirectResponse
    {
        $session = $request->session();
        $page = self::page($request);
        if ($page !== '') {
            $session->put('url.intended', $page);
        }
        if (! $request->isMethod('GET')) {
            $session->put(self::TYPED, $request->except([...self::NEVER_KEPT, ...array_keys($request->allFiles())]));
        }
        if ($request->user() !== null) {
            return redirect()
                ->to($page !== '' ? $page : '/')
                ->withInput(self::typed($request))
                ->with('refusal', 'This page was from before you signed in anew. Nothing was posted; what you typed is here again.');
        }

        return redirect()->to('/sign-in');
    }

    /** To be called when a person has signed in. */
    public static function bringBack(Request $request): void
    {
        $typed = self::typed($request);
        if ($typed !== []) {
            $request->session()->flashInput($typed);
            $request->session()->flash('refusal', 'You were signed out meanwhile. Nothing was posted; what you typed is here again.');
        }
    }

    /** @return array<array-key, mixed> */
    private static function typed(Request $request): array
    {
        $typed = $request->session()->pull(self::TYPED);

        return is_array($typed) ? $typed : [];
    }

    /** The page of ours that the person was on. */
    private static function page(Request $request): string
    {
        $said = $request->headers->get('HX-Current-URL') ?? ($request->headers->get('referer') ?? '');
        $page = $request->isMethod('GET') && ! $request->hasHeader('HX-Request') ? $request->fullUrl() : $said;
        $ours = parse_url($page, PHP_URL_HOST) === $request->getHost() && ! str_contains($page, '/sign-in');

        return $ours ? $page : '';
    }
}
