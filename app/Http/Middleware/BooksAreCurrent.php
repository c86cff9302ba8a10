<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Ajuste\Core\Refusal;
use App\Support\Books;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** A page works on books of this version only; bringing others up to date is for the command that serves them. */
final readonly class BooksAreCurrent
{
    public function __construct(private Books $books) {}

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        try {
            $this->books->refuseOther();
        } catch (Refusal $refusal) {
            return response()->view('refusal', ['message' => $refusal->getMessage()], 503);
        }

        return $next($request);
    }
}
