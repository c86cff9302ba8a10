<?php

declare(strict_types=1);

return [
    'default' => env('CACHE_STORE', 'file'),
    'stores' => [
        'file' => ['driver' => 'file', 'path' => storage_path('framework/cache/data'), 'lock_path' => storage_path('framework/cache/data')],
        // What is worked out in a copy of the books, which goes with the copy.
        'copy' => ['driver' => 'array', 'serialize' => false],
        'array' => ['driver' => 'array', 'serialize' => false],
    ],
    'prefix' => 'ajuste',
];
