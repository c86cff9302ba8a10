<?php

declare(strict_types=1);

namespace App\Console;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Proposal\Settles;
use App\Queries\Proposals;
use App\Queries\ReceiptProposal;
use App\Queries\Settings;
use Symfony\Component\Console\Output\OutputInterface;

final class ProposeCommand extends BooksCommand
{
    protected $signature = 'ajuste:propose {--account=} {--as-of=} {--json}';

    protected $description = 'What every unapplied receipt could settle; nothing is posted';

    public function handle(Settings $settings, Proposals $proposals): int
    {
        $found = $proposals->forReceipts($settings->controlAccount($this->text('account')), $this->asOf($settings));
        if (! $this->option('json')) {
            $this->table(
                ['receipt', 'customer', 'amount', 'how', 'only', 'settles', 'difference', 'unapplied'],
                array_map($this->cells(...), iterator_to_array($found, false)),
            );

            return self::SUCCESS;
        }
        // One at a time, so that memory does not grow with the number of receipts.
        $before = '[';
        foreach ($found as $proposal) {
            $this->output->write(
                $before."\n".json_encode($this->data($proposal), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES),
                false,
                OutputInterface::OUTPUT_RAW,
            );
            $before = ',';
        }
        $this->output->write($before === '[' ? "[]\n" : "\n]\n", false, OutputInterface::OUTPUT_RAW);

        return self::SUCCESS;
    }

    /** @return array<string, mixed> */
    private function data(ReceiptProposal $of): array
    {
        $say = static fn (int $minor): string => Money::ofMinor($minor, $of->receipt->open->currency)->decimal();

        return [
            'receipt' => $of->receipt->document,
            'customer' => $of->customer,
            'amount' => $of->receipt->open->decimal(),
            'how' => $of->proposal->how->value,
            'only' => $of->proposal->only,
            'searched' => $of->proposal->searched->value,
            'difference' => $say($of->proposal->difference),
            'settles' => array_map(
                static fn (Settles $settles): array => [
                    'document' => $settles->item->document,
                    'side' => $settles->item->side->value,
                    'amount' => $say($settles->amount),
                    'discount' => $say($settles->discount),
                ],
                $of->proposal->settles,
            ),
            'unapplied' => $say($of->proposal->unapplied),
        ];
    }

    /** @return list<string> */
    private function cells(ReceiptProposal $of): array
    {
        $data = $this->data($of);
        $settles = implode(', ', array_map(static fn (Settles $settles): string => $settles->item->document, $of->proposal->settles));

        return [
            $of->receipt->document,
            $of->customer,
            $of->receipt->open->decimal(),
            $of->proposal->how->value,
            $of->proposal->only ? 'yes' : 'no',
            mb_strimwidth($settles, 0, 60, '…'),
            (string) $data['difference'],
            (string) $data['unapplied'],
        ];
    }
}
