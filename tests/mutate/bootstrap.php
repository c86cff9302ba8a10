<?php

declare(strict_types=1);

/* The autoloader, with one file of the core replaced by its mutant. */

require dirname(__DIR__, 2).'/vendor/autoload.php';
spl_autoload_register(
    static function (string $class): void {
        $file = dirname(__DIR__, 2).'/core/'.str_replace(['Ajuste\\Core\\', '\\'], ['', '/'], $class).'.php';
        if (str_starts_with($class, 'Ajuste\\Core\\') && $file === getenv('MUTATED')) {
            require getenv('MUTANT');
        }
    },
    true,
    true,
);
