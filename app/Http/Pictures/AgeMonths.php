<?php

declare(strict_types=1);

namespace App\Http\Pictures;

use Ajuste\Core\Aging\AgedList;

/** What was open at each month's end, its ages upon each other: the youngest below. */
final readonly class AgeMonths
{
    public const HEIGHT = 220;

    public const STEP = 88;

    /** @var list<array{float, list<array{float, float, int, int}>}> left edge; and of each column its top, height, place and amount */
    public array $bars;

    /** @param  non-empty-list<AgedList>  $lists */
    public function __construct(public array $lists)
    {
        $sums = array_map(static fn (AgedList $of): int => array_sum(self::debits($of)), $lists);
        $most = max(1, ...$sums);
        $bars = [];
        foreach ($lists as $place => $list) {
            $y = (float) self::HEIGHT;
            $parts = [];
            foreach (self::debits($list) as $column => $amount) {
                $height = round((self::HEIGHT * $amount) / $most, 1);
                $y -= $height;
                $parts[] = [round($y, 1), $height, $column, $amount];
            }
            $bars[] = [$place * self::STEP + 8.0, $parts];
        }
        $this->bars = $bars;
    }

    /** @return list<int> */
    private static function debits(AgedList $list): array
    {
        return array_map(static fn (int $amount): int => max(0, $amount), $list->totals->amounts);
    }
}
