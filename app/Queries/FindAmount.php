<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Proof\AmountFinder;
use Ajuste\Core\Proof\Book;
use Ajuste\Core\Proof\CauseLine;
use Ajuste\Core\Proof\ProofLine;

/** What in ledger and subledger of a control account may explain an amount. */
final readonly class FindAmount
{
    public function __construct(private Reports $reports) {}

    /** @param  string  $from first day that is looked at */
    public function find(Account $account, Money $amount, string $from, string $to): AmountFinder
    {
        $source = ProofLines::all($account->id);
        $lines = $items = [];
        foreach ($source->documents() as $document) {
            foreach ($document as $line) {
                if ($line->date >= $from && $line->date <= $to && ! $line->isOpening()) {
                    $lines[] = $line;
                    if ($line->book === Book::Subledger) {
                        $items[] = $line->id;
                    }
                }
            }
        }

        return new AmountFinder($amount->abs()->minor, $lines, $items === [] ? [] : $source->tax($items), $this->suspects($account, $to));
    }

    /** @return list<CauseLine> causes of the proof that are the amount, or together with one other make it */
    public function causes(Account $account, Money $amount, string $asOf): array
    {
        return array_values(
            array_filter(
                $this->reports->proof($account, $asOf)->lines,
                static fn (CauseLine $line): bool => abs($line->amount) === $amount->abs()->minor,
            ),
        );
    }

    /** @return array<string, true> */
    private function suspects(Account $account, string $asOf): array
    {
        $suspects = [];
        foreach ($this->reports->proof($account, $asOf)->lines as $cause) {
            foreach ([...$cause->postings, ...$cause->items] as $line) {
                $suspects[self::name($line)] = true;
            }
        }

        return $suspects;
    }

    private static function name(ProofLine $line): string
    {
        return "{$line->book->value} {$line->id}";
    }
}
