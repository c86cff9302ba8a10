<?php

declare(strict_types=1);

namespace Ajuste\Core\Pack;

/** The digests of the files of a close pack or a backup. */
final readonly class Manifest
{
    /** @param  array<string, string>  $digests SHA-256 by file */
    public function __construct(public array $digests) {}

    /** @param  array<string, string>  $contents by file */
    public static function of(array $contents): self
    {
        ksort($contents, SORT_STRING);

        return new self(array_map(static fn (string $content): string => hash('sha256', $content), $contents));
    }

    /**
     * @param self $of the files as they are, the manifest itself left out
     * @return list<string> what is another than this one says, in words
     */
    public function faults(self $of): array
    {
        $now = $of->digests;
        $faults = [];
        foreach ($this->digests as $file => $digest) {
            if (! isset($now[$file])) {
                $faults[] = "{$file} is missing.";
            } elseif ($now[$file] !== $digest) {
                $faults[] = "{$file} was altered.";
            }
        }
        foreach (array_keys(array_diff_key($now, $this->digests)) as $file) {
            $faults[] = "{$file} does not belong to the pack.";
        }

        return $faults;
    }
}
