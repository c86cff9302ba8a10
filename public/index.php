<?php

declare(strict_types=1);

use App\Support\Shelf;
use Illuminate\Http\Request;

define('LARAVEL_START', microtime(true));
require __DIR__.'/../vendor/autoload.php';
if (! Shelf::turn($_SERVER)) {
    http_response_code(404);
    exit('There are no such books. Look at the list of books, or at the address.');
}
(require __DIR__.'/../bootstrap/app.php')->handleRequest(Request::capture());
