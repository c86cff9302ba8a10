<?php

declare(strict_types=1);

namespace App\Http\Pictures;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\BalanceHistory;

/** A customer's balance as a line of steps, a dot for each day with documents. */
final readonly class BalancePicture
{
    private const WIDTH = 690.0;

    private const HEIGHT = 110.0;

    public string $path;

    /** @var list<array{float, float, string, string}> x, y, day and what it says */
    public array $dots;

    public float $nil;

    public function __construct(public BalanceHistory $history, Currency $base)
    {
        $span = max(1, Day::between($history->first, $history->last));
        $range = max(1, $history->highest() - $history->lowest());
        $x = static fn (string $day): float => round(4 + self::WIDTH * Day::between($history->first, $day) / $span, 1);
        $y = static fn (int $balance): float => round(8 + self::HEIGHT * ($history->highest() - $balance) / $range, 1);
        $path = "M4 {$y($history->before)}";
        $dots = [];
        foreach ($history->days as $day => $balance) {
            $path .= "H{$x($day)}V{$y($balance)}";
            $money = Money::ofMinor($balance, $base);
            $dots[] = [$x($day), $y($balance), $day, $money->abs()->grouped().($balance < 0 ? ' Cr' : ' Dr')];
        }
        $this->path = $path.'H'.(4 + self::WIDTH);
        $this->dots = $dots;
        $this->nil = $y(0);
    }
}
