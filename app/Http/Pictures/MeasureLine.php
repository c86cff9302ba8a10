<?php

declare(strict_types=1);

namespace App\Http\Pictures;

/** A measure over several months as a small line; months without a value are stepped over. */
final readonly class MeasureLine
{
    public string $path;

    public float $x;

    public float $y;

    public string $last;

    /** @param  list<?string>  $values oldest first, decimals */
    public function __construct(public string $words, array $values)
    {
        $known = array_filter($values, static fn (?string $value): bool => $value !== null);
        $numbers = array_map(static fn (?string $value): float => (float) $value, $known);
        [$least, $most] = $numbers === [] ? [0.0, 1.0] : [min($numbers), max($numbers)];
        $span = max(0.1, $most - $least);
        $points = [];
        foreach ($numbers as $place => $value) {
            $points[] = [round(4 + (192 * $place) / max(1, count($values) - 1), 1), round(44 - (40 * ($value - $least)) / $span, 1)];
        }
        $this->path = $points === [] ? '' : 'M'.implode('L', array_map(static fn (array $of): string => "{$of[0]} {$of[1]}", $points));
        [$this->x, $this->y] = $points === [] ? [0.0, 0.0] : $points[count($points) - 1];
        $this->last = $known === [] ? 'nothing to divide by' : str_replace('-', '−', (string) $known[array_key_last($known)]);
    }
}
