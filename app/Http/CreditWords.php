<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Credit\CreditWatch;
use Ajuste\Core\Credit\PromiseState;

/** What is to be said of a customer's or a document's limit, promises and securities, in few words. */
final class CreditWords
{
    /** @return list<string> the worst first; none where nothing is to be said */
    public static function of(?CreditWatch $watch): array
    {
        $words = [];
        $over = $watch?->owed?->over();
        if ($over !== null) {
            $words[] = "over limit by {$over->grouped()}";
        }
        foreach ($watch?->in(PromiseState::Broken) ?? [] as $of) {
            $words[] = "promise of {$of->amount->grouped()} by ".Say::shortDay($of->payBy).' broken';
        }
        foreach ($watch?->in(PromiseState::Waits) ?? [] as $of) {
            $words[] = "promised {$of->amount->grouped()} by ".Say::shortDay($of->payBy);
        }
        foreach ($watch?->holding() ?? [] as $of) {
            $words[] = "secured {$of->amount->grouped()}";
        }

        return $words;
    }
}
