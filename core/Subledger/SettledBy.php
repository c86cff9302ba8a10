<?php

declare(strict_types=1);

namespace Ajuste\Core\Subledger;

/** By what a document was settled: a discount counts cash only, and its basis is the gross less what was credited (R4). */
enum SettledBy
{
    /** Money, or what stands for money: receipts, deposits, contra, balances brought forward. */
    case Cash;

    case Discount;

    /** Credit notes and accepted deductions: less is owed. */
    case Credit;

    /** Written off, or a difference in base currency only. */
    case Loss;
}
