<?php

declare(strict_types=1);

return [
    // Where the source files of imports are kept, beside the books.
    'files' => dirname(env('AJUSTE_BOOKS') ?: storage_path('books/books.sqlite')).'/files',

    // Files that are larger together, in bytes, are read as work beside the pages.
    'long_files' => 5 * 1024 * 1024,

    // Runs of more lines than this, and packs of more items and postings, likewise.
    'long_runs' => 500,
    'long_packs' => 50_000,

    // Largest file that is read, in bytes, and largest archive when unpacked.
    'largest_file' => 256 * 1024 * 1024,
    'largest_upload' => 64 * 1024 * 1024,
];
