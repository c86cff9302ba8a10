<?php

declare(strict_types=1);

namespace App\Files;

use Ajuste\Core\Exchange\FileKind;
use Ajuste\Core\Exchange\Mapping;
use Ajuste\Core\Refusal;
use Closure;

/** A file that was handed in, on disk, with the name that it came under. */
final readonly class SourceFile
{
    public function __construct(public string $name, public string $path, public ?FileKind $kind = null, public ?Mapping $mapping = null) {}

    /**
     * Has lines as a file for a while, such as rows that a person has decided about.
     *
     * @template T
     *
     * @param list<list<string>> $lines headings first
     * @param Closure(self): T $use
     * @return T
     *
     * @throws Refusal when there is no room for it
     */
    public static function ofLines(string $name, array $lines, FileKind $kind, ?Mapping $mapping, Closure $use): mixed
    {
        $path = tempnam(sys_get_temp_dir(), 'ajuste-lines-');
        $stream = $path === false ? false : fopen($path, 'wb');
        if ($path === false || $stream === false) {
            throw new Refusal('There is no room to write the rows.');
        }
        try {
            foreach ($lines as $line) {
                fputcsv($stream, $line, escape: '');
            }
            fclose($stream);

            return $use(new self($name, $path, $kind, $mapping));
        } finally {
            unlink($path);
        }
    }

    public function extension(): string
    {
        return strtolower(pathinfo($this->name, PATHINFO_EXTENSION));
    }
}
