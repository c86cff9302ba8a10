<?php

declare(strict_types=1);

// Files of the books are given out by pages that ask who wants them; no folder is served.
return [
    'default' => 'local',
    'disks' => ['local' => ['driver' => 'local', 'root' => storage_path('app'), 'serve' => false]],
];
