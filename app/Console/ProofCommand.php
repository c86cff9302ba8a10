<?php

declare(strict_types=1);

namespace App\Console;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Proof\CauseLine;
use Ajuste\Core\Proof\Proof;
use App\Queries\CarriedCauses;
use App\Queries\Reports;
use App\Queries\Settings;

final class ProofCommand extends BooksCommand
{
    protected $signature = 'ajuste:proof {--account=} {--as-of=} {--json}';

    protected $description = 'Control account against customers, with the causes of the difference';

    public function handle(Settings $settings, Reports $reports, CarriedCauses $carried): int
    {
        $account = $settings->controlAccount($this->text('account'));
        $asOf = $this->asOf($settings);
        $proof = $reports->proof($account, $asOf);
        $causes = self::causes($proof, $settings->base());
        $say = static fn (int $minor): string => Money::ofMinor($minor, $settings->base())->decimal();
        $data = [
            'account' => $account->number,
            'as_of' => $asOf,
            'currency' => $settings->base()->code,
            'control' => $say($proof->control),
            'ledger_as_imported' => $say($proof->ledgerAsImported),
            'own_vouchers' => $say($proof->ownVouchers),
            'customers' => $say($proof->customers),
            'difference' => $say($proof->difference),
            'causes' => $causes,
            'unexplained' => $say($proof->unexplained($carried->of($account))),
        ];
        if ($this->option('json')) {
            $this->json($data);

            return self::SUCCESS;
        }
        $this->print($data, $account);

        return self::SUCCESS;
    }

    /** @return list<array{cause: string, amount: string, count: int, lines: list<array<string, string>>}> */
    private static function causes(Proof $proof, Currency $base): array
    {
        $say = static fn (int $minor): string => Money::ofMinor($minor, $base)->decimal();
        $causes = [];
        foreach ($proof->byCause() as $cause => $lines) {
            $causes[] = [
                'cause' => $cause,
                'amount' => $say($proof->amounts()[$cause]),
                'count' => count($lines),
                'lines' => array_map(
                    static fn (CauseLine $line): array => [
                        'document' => $line->document(),
                        'customer' => $line->customer(),
                        'entry' => $line->entry(),
                        'ledger' => $say($line->ledger),
                        'subledger' => $say($line->subledger),
                        'amount' => $say($line->amount),
                        'note' => $line->note,
                    ],
                    $lines,
                ),
            ];
        }

        return $causes;
    }

    /**
     * @param array{
     *     as_of: string, currency: string, control: string, ledger_as_imported: string, own_vouchers: string, customers: string,
     *     difference: string, causes: list<array{cause: string, amount: string, count: int, lines: list<array<string, string>>}>,
     *     unexplained: string
     * } $data
     */
    private function print(array $data, Account $account): void
    {
        $causes = $data['causes'];
        $this->table(
            ['Proof of '.$account->title(), "as of {$data['as_of']}, {$data['currency']}"],
            [
                ['control account', $data['control']],
                ['  ledger as imported', $data['ledger_as_imported']],
                ['  own vouchers', $data['own_vouchers']],
                ...array_map(static fn (array $cause): array => ["{$cause['cause']} ({$cause['count']})", $cause['amount']], $causes),
                ['customers', $data['customers']],
                ['difference', $data['difference']],
                ['unexplained', $data['unexplained']],
            ],
        );
        foreach ($causes as $cause) {
            $this->table(
                [$cause['cause'], 'customer', 'entry', 'ledger', 'subledger', 'amount', 'note'],
                array_map(array_values(...), $cause['lines']),
            );
        }
    }
}
