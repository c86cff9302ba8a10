<?php

declare(strict_types=1);

return [
    // Where the source files of imports are kept, beside the books.
    'files' => dirname(env('AJUSTE_BOOKS') ?: storage_path('books/books.sqlite')).'/files',

    // Files that are larger together, in bytes, are read as work beside the pages.
    'long_files' => 5 * 1024 * 1024,

    // Largest file that is read, in bytes, and largest archive when unpacked.
    'largest_file' => 256 * 1024 * 1024,
    'largest_upload' => 64 * 1024 * 1024,
];
