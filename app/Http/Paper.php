<?php

declare(strict_types=1);

namespace App\Http;

use App\Support\Pdf;
use Symfony\Component\HttpFoundation\Response;

/** A view as a PDF to be downloaded. */
final class Paper
{
    /**
     * @param view-string $view
     * @param array<string, mixed> $data
     */
    public static function pdf(string $view, array $data, string $name): Response
    {
        return Download::send(Pdf::of($view, $data), "{$name}.pdf", 'application/pdf');
    }
}
