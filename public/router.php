<?php

declare(strict_types=1);

// For PHP's own web server: files in public/ as they are, everything else to the application.
$path = urldecode((string) parse_url((string) $_SERVER['REQUEST_URI'], PHP_URL_PATH));
if ($path !== '/' && is_file(__DIR__.$path) && ! str_ends_with($path, '.php')) {
    return false;
}
$_SERVER['SCRIPT_FILENAME'] = __DIR__.'/index.php';
$_SERVER['SCRIPT_NAME'] = '/index.php';
$_SERVER['PHP_SELF'] = '/index.php';
require __DIR__.'/index.php';
