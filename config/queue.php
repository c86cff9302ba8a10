<?php

declare(strict_types=1);

// Long work waits in a file beside the books, so that its progress takes no lock of theirs.
return [
    'default' => env('QUEUE_CONNECTION', 'database'),
    'connections' => [
        'sync' => ['driver' => 'sync'],
        'database' => [
            'driver' => 'database',
            'connection' => 'work',
            'table' => 'jobs',
            'queue' => 'default',
            'retry_after' => 86_400, // one worker at a time; what a killed one held is released when the next one starts
        ],
    ],
    'failed' => ['driver' => null],
];
