<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\Customer;
use App\Queries\LostDebts;
use App\Queries\StatementLine;
use Illuminate\View\View;
use stdClass;

/** What was written off of the payer of a receipt, and may come in with it. */
final readonly class WrittenOffComposer
{
    public function __construct(private LostDebts $lost) {}

    public function compose(View $view): void
    {
        ['payer' => $payer, 'line' => $line] = [...['payer' => null, 'line' => null], ...$view->getData()];
        $all = $payer instanceof Customer && $line instanceof StatementLine ? $this->lost->writtenOff($payer->id) : [];
        $left = array_values(array_filter($all, static fn (stdClass $of): bool => $of->left->isPositive()));
        $view->with('writtenOff', $left);
        $view->with('isMeant', $line instanceof StatementLine && self::isMeant($line, $left));
    }

    /**
     * Whether the money may be for it: it is what was written off, or its document is quoted.
     *
     * @param list<stdClass> $writtenOff
     */
    private static function isMeant(StatementLine $line, array $writtenOff): bool
    {
        foreach ($writtenOff as $of) {
            if ($of->left->equals($line->amount) || str_contains($line->text(), $of->debt)) {
                return true;
            }
        }

        return false;
    }
}
