<?php

declare(strict_types=1);

return [
    'default' => 'books',
    'connections' => [
        'books' => [
            'driver' => 'sqlite',
            'database' => env('AJUSTE_BOOKS') ?: storage_path('books/books.sqlite'),
            'prefix' => '',
            'foreign_key_constraints' => true,
            'busy_timeout' => 15000,
            'journal_mode' => 'WAL',
            'synchronous' => 'FULL',
            'transaction_mode' => 'IMMEDIATE',
            // 64 MB of pages: indexes of a large import stay in memory.
            'pragmas' => ['cache_size' => -65536, 'temp_store' => 'MEMORY'],
        ],
    ],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],
];
