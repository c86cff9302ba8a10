<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** A field is text, but for the few that are lists of the forms; anything else that a request makes an array of is discarded. */
final class PlainInput
{
    public const LISTS = [
        'tick',
        'amount',
        'bill_tick',
        'bill_amount',
        'cells',
        'discount',
        'instalment',
        'columns',
        'fixed',
        'field',
        'word',
        'meaning',
        'lines',
        'others',
        'kept',
        'kept_code',
        'kept_of',
        'part',
        'part_customer',
        'to',
        'to_amount',
        'to_side',
        'ids',
        'net',
        'quantity',
        'price',
        'free_text',
        'free_account',
        'free_rate',
        'free_net',
        'free_dimension',
        'worth',
        'leave',
        'take',
        'looked',
    ];

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        foreach ([$request->query, $request->request] as $input) {
            foreach ($input->all() as $name => $value) {
                if (is_array($value) && ! in_array($name, self::LISTS, true)) {
                    $input->remove((string) $name);
                }
            }
        }

        return $next($request);
    }
}
