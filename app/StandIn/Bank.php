<?php

declare(strict_types=1);

namespace App\StandIn;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Calendar\Terms;
use Ajuste\Core\Exchange\Bank\BankBalance;
use Ajuste\Core\Exchange\Bank\BankEntry;
use Ajuste\Core\Exchange\Bank\BankLine;
use Ajuste\Core\Exchange\Bank\BankStatement;
use Ajuste\Core\Exchange\Bank\CamtWriter;
use Ajuste\Core\Exchange\Bank\Iban;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\EarlyPaymentDiscount;
use Ajuste\Core\Settlement\Payer;
use Ajuste\Core\Subledger\OpenItem;
use App\Queries\Positions;
use App\Queries\Settings;
use DOMDocument;
use DOMElement;
use DOMXPath;
use Illuminate\Support\Facades\DB;
use Random\Engine\Mt19937;
use Random\Randomizer;
use stdClass;

/**
 * A simulated bank that ships with Ajuste: it gives the statement of the business day after the last one. Customers pay what is due,
 * some of them less, more, or without saying for what. The same books and day give the same statement.
 */
final readonly class Bank
{
    /** The most that the account pays at once, in units of its currency. */
    private const MOST = 50_000.0;

    public function __construct(private Settings $settings, private Positions $positions, private BankDebits $debits) {}

    /**
     * The next statement as camt.053.
     *
     * @return array{string, string} file name and content
     *
     * @throws Refusal when no statement came before, or the next business day has not come yet
     */
    public function nextStatement(Account $control, string $today): array
    {
        $last =
            DB::table('bank_statements')
                ->whereNotNull('closing')
                ->where('currency', $this->settings->base()->code)
                ->orderByDesc('closing_date')
                ->orderByDesc('id')
                ->first() ?? throw new Refusal('The bank that ships with Ajuste goes on from the last statement. Hand in one first.');
        $day = self::businessDayAfter($last->closing_date);
        if ($day > $today) {
            throw new Refusal("The last statement is of {$last->closing_date}; the next business day, {$day}, has not come yet.");
        }
        $lines = $this->lines($control, $day);
        $opening = Money::ofMinor($last->closing, $this->settings->base());
        $closing = array_reduce($lines, static fn (Money $sum, BankLine $line): Money => $sum->plus($line->amount), $opening);
        $statement = new BankStatement(
            $last->bank_account,
            $this->settings->base(),
            "S-{$day}",
            array_map(static fn (BankLine $line): BankEntry => new BankEntry($line), $lines),
            new BankBalance($day, $opening),
            new BankBalance($day, $closing),
        );

        return ["statement-{$day}.xml", CamtWriter::statement($statement)];
    }

    /**
     * What the bank says to an order to pay or to collect, as pain.002: it takes everything whose account number holds and whose amount is
     * not beyond belief.
     */
    public function answer(string $order): string
    {
        $document = new DOMDocument();
        $document->loadXML($order, LIBXML_NONET);
        $path = new DOMXPath($document);
        $text = static fn (string $name, ?DOMElement $of = null): string => htmlspecialchars(
            trim((string) $path->evaluate("string(.//*[local-name()=\"{$name}\"])", $of ?? $document->documentElement)),
            ENT_XML1,
        );
        $kind = substr((string) $document->documentElement?->namespaceURI, -15);
        $transactions = '';
        foreach ($path->query('//*[local-name()="CdtTrfTxInf" or local-name()="DrctDbtTxInf"]') ?: [] as $transfer) {
            if (! ($transfer instanceof DOMElement)) {
                continue;
            }
            $refusal = match (true) {
                ! Iban::isValid($text('IBAN', $transfer)) => ['AC01', 'the account number does not hold'],
                (float) $text('InstdAmt', $transfer) > self::MOST => ['AM02', 'the amount is above what the account may pay'],
                default => null,
            };
            $transactions .=
                "<TxInfAndSts><OrgnlEndToEndId>{$text('EndToEndId', $transfer)}</OrgnlEndToEndId>".
                ($refusal === null
                    ? '<TxSts>ACSP</TxSts>'
                    : "<TxSts>RJCT</TxSts><StsRsnInf><Rsn><Cd>{$refusal[0]}</Cd></Rsn><AddtlInf>{$refusal[1]}</AddtlInf></StsRsnInf>").
                '</TxInfAndSts>';
        }

        return "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<Document ".
            "xmlns=\"urn:iso:std:iso:20022:tech:xsd:pain.002.001.10\"><CstmrPmtStsRpt><GrpHdr><MsgId>{$text(
                'MsgId',
            )}-S</MsgId><CreDtTm>{$text('CreDtTm')}</CreDtTm><InitgPty><Nm>{$text('Nm')}</Nm></InitgPty></GrpHdr><OrgnlGrpInfAndSts>".
            "<OrgnlMsgId>{$text('MsgId')}</OrgnlMsgId><OrgnlMsgNmId>{$kind}</OrgnlMsgNmId></OrgnlGrpInfAndSts>".
            "<OrgnlPmtInfAndSts><OrgnlPmtInfId>{$text('PmtInfId')}</OrgnlPmtInfId>{$transactions}</OrgnlPmtInfAndSts>".
            "</CstmrPmtStsRpt></Document>\n";
    }

    /** @return list<BankLine> */
    private function lines(Account $control, string $day): array
    {
        $chance = new Randomizer(new Mt19937((int) str_replace('-', '', $day)));
        $movements = [
            ...$this->customersPay($control, $day, $chance),
            ...$this->refundsPaid($day),
            ...$this->paymentsReturned(),
            ...$this->debits->credited($day),
            ...$this->debits->returned($day),
            $this->movement(new Payer('Cierzo Energy Supply', '', 'Electricity, mill 2'), -$chance->getInt(40_000, 90_000)),
            $this->movement(new Payer('', '', 'Account keeping'), -1_250),
        ];
        $name = 'BV'.str_replace('-', '', substr($day, 2));

        return array_map(
            static fn (BankMovement $movement, int $place): BankLine => $movement->line($day, "{$name}-".($place + 1)),
            $movements,
            array_keys($movements),
        );
    }

    private function movement(Payer $payer, int $minor, string $endToEnd = ''): BankMovement
    {
        return new BankMovement($payer, Money::ofMinor($minor, $this->settings->base()), $endToEnd);
    }

    /** @return list<BankMovement> */
    private function customersPay(Account $control, string $day, Randomizer $chance): array
    {
        $movements = [];
        $add = function (string $party, string $text, int $amount) use (&$movements): void {
            $movements[] = $this->movement(new Payer($party, '', $text), $amount);
        };
        foreach ($this->payers($control, $day, $chance) as $place => [$name, $items]) {
            [$first, $second] = [$items[0], $items[1] ?? null];
            $open = $first->open->minor;
            match ($place % 7) {
                0 => $add($name, "Invoice {$first->document}", $open),
                1 => $second === null
                    ? $add($name, '', $open)
                    : $add(
                        $name,
                        "{$first->document}, {$second->document} less shortage and promotion, our advice follows",
                        $open + $second->open->minor - intdiv($open, 20) - intdiv($second->open->minor, 25),
                    ),
                2 => $add($name, 'with our thanks '.$first->document, $open + 5_000 + $chance->getInt(10, 300) * 100),
                3 => $add(mb_strtoupper($name).' SL', '', $this->lessDiscount($first, $day)),
                4 => $add(
                    '',
                    'PAYMENT '.$chance->getInt(100, 999).' ORDER '.$chance->getInt(1000, 9999),
                    $chance->getInt(20_000, 90_000),
                ),
                5 => $add($name, "on account {$first->document}", intdiv($open, 2)),
                default => $add(
                    $name,
                    $second === null ? $first->document : "{$first->document} + {$second->document}",
                    $open + ($second->open->minor ?? 0),
                ),
            };
        }

        return $movements;
    }

    /** @return list<BankMovement> refunds that were ordered and accepted */
    private function refundsPaid(string $day): array
    {
        $refunds = DB::table('refunds as r')
            ->join('refunds_ordered as o', 'o.refund_id', '=', 'r.id')
            ->join('items as i', 'i.root_id', '=', 'r.item_id')
            ->where('o.status', 'accepted')
            ->where('i.date', '<=', $day)
            ->whereNotIn('r.item_id', DB::table('item_reversals')->select('item_id'))
            ->whereNotExists(static fn ($query) => $query->from('money_lines as l')->whereColumn('l.end_to_end', 'i.document'))
            ->orderBy('r.id')
            ->get([
                'i.document',
                'r.payee',
                'r.iban',
                DB::raw(
                    '(SELECT -sum(t.base) FROM postings t JOIN accounts a ON a.id = t.account_id WHERE t.voucher_id = r.voucher_id '.
                        "AND a.role = 'payments_in_transit') AS paid",
                ),
            ]);

        return array_values(
            $refunds
                ->map(
                    fn (stdClass $refund): BankMovement => $this->movement(
                        new Payer($refund->payee, $refund->iban, "Refund {$refund->document}"),
                        -(int) $refund->paid,
                        $refund->document,
                    ),
                )
                ->all(),
        );
    }

    /** @return list<BankMovement> payments of earlier days that come back, each with its fee */
    private function paymentsReturned(): array
    {
        $movements = [];
        foreach ($this->comesBack() as $payment) {
            $text = "Returned, account closed: {$payment->end_to_end}";
            $payer = new Payer($payment->party, $payment->party_account, $text);
            $movements[] = $this->movement($payer, -(int) $payment->amount, $payment->end_to_end);
            $movements[] = $this->movement(new Payer('', '', "Fee for the return of {$payment->end_to_end}"), -350);
        }

        return $movements;
    }

    /** @return list<stdClass> payments of earlier days that come back: one in seven, by the payment's own name */
    private function comesBack(): array
    {
        return array_values(
            DB::table('money_lines as l')
                ->where('l.amount', '<', 0)
                ->whereIn('l.end_to_end', DB::table('refunds as f')->join('items as i', 'i.id', '=', 'f.item_id')->select('i.document'))
                ->whereNotExists(
                    static fn ($query) => $query
                        ->from('money_lines as r')
                        ->whereColumn('r.end_to_end', 'l.end_to_end')
                        ->where('r.amount', '>', 0),
                )
                ->orderBy('l.id')
                ->get(['l.end_to_end', 'l.amount', 'l.party', 'l.party_account'])
                ->filter(static fn (stdClass $line): bool => crc32($line->end_to_end) % 7 === 0)
                ->all(),
        );
    }

    /**
     * Customers with invoices due, in a random order, each with its oldest invoices.
     *
     * @return list<array{string, non-empty-list<OpenItem>}>
     */
    private function payers(Account $control, string $day, Randomizer $chance): array
    {
        $due = [];
        $collected = array_fill_keys(DB::table('mandates')->pluck('customer_id')->all(), true);
        foreach ($this->positions->open($control->id, $day) as [$customer, $item]) {
            if (
                ! isset($collected[$customer->id]) &&
                $item->isDebit() &&
                $item->open->currency->code === $this->settings->base()->code &&
                $item->open->minor > 10_000 &&
                $item->date < $day
            ) {
                $due[$customer->name][] = $item;
            }
        }
        ksort($due);
        $payers = [];
        foreach (self::twoAtSecond(array_map(strval(...), array_slice($chance->shuffleArray(array_keys($due)), 0, 9)), $due) as $name) {
            $items = $due[$name];
            usort(
                $items,
                static fn (OpenItem $one, OpenItem $other): int => [$one->dueDate, $one->document] <=> [$other->dueDate, $other->document],
            );
            $payers[] = [(string) $name, $items];
        }

        return $payers;
    }

    /**
     * The second payer pays two invoices short: one who has two takes that place.
     *
     * @param list<string> $names
     * @param array<string, non-empty-list<OpenItem>> $due
     * @return list<string>
     */
    private static function twoAtSecond(array $names, array $due): array
    {
        foreach ($names as $place => $name) {
            if ($place > 0 && count($due[$name]) > 1) {
                return [$names[0], $name, ...array_values(array_diff(array_slice($names, 1), [$name]))];
            }
        }

        return $names;
    }

    private function lessDiscount(OpenItem $item, string $day): int
    {
        try {
            $offer = $item->head->terms === '' ? null : EarlyPaymentDiscount::of(Terms::parse($item->head->terms), $item->date);
        } catch (Refusal) {
            $offer = null;
        }

        return $item->open->minor - ($offer?->holdsOn($day) === true ? $offer->whole($item->open->minor) : 0);
    }

    private static function businessDayAfter(string $day): string
    {
        do {
            $day = Day::plus($day, 1);
        } while ((Day::number($day) + 3) % 7 > 4); // Saturday and Sunday

        return $day;
    }
}
