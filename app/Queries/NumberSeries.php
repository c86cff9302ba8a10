<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Exchange\Setting;

/** How Ajuste numbers what it makes: by the letters that hold on a day, and one number after the other whatever the letters. */
final readonly class NumberSeries
{
    public function __construct(private Settings $settings) {}

    /**
     * @param Setting $series one of those that name letters
     * @param int $place of the document among all of its series, 1 the first
     */
    public function number(Setting $series, string $day, int $place): string
    {
        return sprintf('%s-%05d', $this->settings->on($day)->text($series), $place);
    }
}
