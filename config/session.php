<?php

declare(strict_types=1);

return [
    'driver' => env('SESSION_DRIVER', 'database'),
    // In minutes: so long one may be away, and so long a session holds at most.
    'lifetime' => 30,
    'longest' => 12 * 60,
    'expire_on_close' => false,
    'encrypt' => false,
    // A file beside the books: a session of other books opens nothing here.
    'connection' => 'sessions',
    'table' => 'sessions',
    'lottery' => [2, 100],
    // Books below an address of their own have a cookie of their own.
    'cookie' => 'ajuste_session'.(env('AJUSTE_SLUG') ? '_'.env('AJUSTE_SLUG') : ''),
    'path' => env('AJUSTE_SLUG') ? '/b/'.env('AJUSTE_SLUG') : '/',
    'domain' => null,
    'secure' => null,
    'http_only' => true,
    'same_site' => 'lax',
];
