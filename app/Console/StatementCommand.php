<?php

declare(strict_types=1);

namespace App\Console;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Statement\Statement;
use Ajuste\Core\Statement\StatementLine;
use App\Queries\Settings;
use App\Queries\Statements;
use Illuminate\Support\Facades\DB;

final class StatementCommand extends BooksCommand
{
    protected $signature = 'ajuste:statement {customer} {--account=} {--from=} {--as-of=} {--json} {--pdf=}';

    protected $description = 'What a customer is told: balance brought forward, documents, balance and age, in each currency';

    public function handle(Settings $settings, Statements $statements): int
    {
        $number = $this->argument('customer');
        $id = DB::table('customers')->where('customer', $number)->value('id');
        if (! is_int($id)) {
            throw Refusal::notFound("There is no customer {$number}.");
        }
        $to = $this->asOf($settings);
        $from = $this->text('from');
        $found = $statements->of(
            $this->text('account') === null ? $settings->controlAccountOf($id) : $settings->controlAccount($this->text('account')),
            $id,
            $from === null ? $settings->calendar()->containing($to)->first : Day::of($from),
            $to,
        );
        $file = $this->text('pdf');
        if ($file !== null) {
            if (@file_put_contents($file, $statements->pdf($found)) === false) {
                throw new Refusal("“{$file}” cannot be written. Name another file.");
            }
            $this->line("Written to {$file}.");
        } elseif ($this->option('json')) {
            $this->json(array_map(self::said(...), $found));
        } else {
            array_map($this->show(...), $found);
        }

        return self::SUCCESS;
    }

    private function show(Statement $of): void
    {
        $said = self::said($of);
        $this->line("{$of->customer->number} {$of->customer->name}, {$of->currency->code}, {$of->from} to {$of->to}");
        $this->line("Brought forward {$said['forward']}");
        $this->table(['date', 'document', 'debit', 'credit', 'open'], $said['lines']);
        $this->table($said['buckets'], [$said['amounts']]);
        $this->line("Balance {$said['balance']}, of which contested {$said['contested']}");
        $this->line('Pay to '.($of->payTo ?: 'no account that is known').", reference {$of->reference}");
    }

    /**
     * @return array{
     *     customer: string, currency: string, forward: string, lines: list<array<string, string>>, balance: string,
     *     buckets: list<string>, amounts: list<string>, contested: string, pay_to: string, reference: string
     * }
     */
    private static function said(Statement $of): array
    {
        return [
            'customer' => $of->customer->number,
            'currency' => $of->currency->code,
            'forward' => $of->forward->decimal(),
            'lines' => array_map(static fn (StatementLine $line): array => [
                'date' => $line->date,
                'document' => $line->document,
                'debit' => $line->amount->isPositive() ? $line->amount->decimal() : '',
                'credit' => $line->amount->isPositive() ? '' : $line->amount->abs()->decimal(),
                'open' => $line->open->decimal(),
            ], $of->lines),
            'balance' => $of->balance->decimal(),
            'buckets' => $of->buckets(),
            'amounts' => array_map(static fn (Money $amount): string => $amount->decimal(), $of->amounts()),
            'contested' => $of->contested->decimal(),
            'pay_to' => $of->payTo,
            'reference' => $of->reference,
        ];
    }
}
