<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Exchange\Setting;
use stdClass;

/** A policy as the page shows it. */
final readonly class Policy
{
    /**
     * @param string $name as settings.csv has it
     * @param string $for the currency, run or way of payment that it is said for, or blank
     * @param list<stdClass> $versions those of the latest day first
     */
    public function __construct(
        public Setting $setting,
        public string $name,
        public string $for,
        public string $does,
        public string $value,
        public array $versions,
    ) {}

    /** A value in words: a picture by the beginning of its digest. */
    public function says(string $value): string
    {
        return match (true) {
            $value === '' => 'none',
            $this->setting === Setting::PaperLogo => 'picture '.substr($value, 0, 8),
            default => $value,
        };
    }

    /** `Residue limit, GBP` */
    public function title(): string
    {
        return ucfirst(str_replace('_', ' ', $this->setting->value)).($this->for === '' ? '' : ', '.str_replace('_', ' ', $this->for));
    }
}
