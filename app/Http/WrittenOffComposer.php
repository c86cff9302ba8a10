<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\Customer;
use App\Queries\LostDebts;
use Illuminate\View\View;

/** What was written off of the payer of a receipt, and may come in with it. */
final readonly class WrittenOffComposer
{
    public function __construct(private LostDebts $lost) {}

    public function compose(View $view): void
    {
        $payer = $view->getData()['payer'] ?? null;
        $all = $payer instanceof Customer ? $this->lost->writtenOff($payer->id) : [];
        $view->with('writtenOff', array_values(array_filter($all, static fn (object $of): bool => $of->left->isPositive())));
    }
}
