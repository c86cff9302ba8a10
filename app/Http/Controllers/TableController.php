<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Refusal;
use App\Http\Download;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Gives back as a file the rows of a table that a page shows, in the order, choice and columns in which it shows them. */
final class TableController
{
    public function __invoke(Request $request, string $format): Response
    {
        $rows = [];
        foreach ((array) json_decode($request->string('rows')->toString(), true) as $row) {
            $rows[] = array_values(array_map(static fn (mixed $cell): string => is_scalar($cell) ? (string) $cell : '', (array) $row));
        }
        if ($rows === []) {
            throw new Refusal('The table is empty; there is nothing to export.');
        }

        return Download::shown($rows, $request->string('name', 'table')->toString(), $format);
    }
}
