<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Bank;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use DOMElement;

/**
 * ISO 20022 messages of a bank: statements (camt.053), notifications (camt.054), versions 02 to 08, and reports of the running day
 * (camt.052), whose entries are pending. Elements are found by their names, whatever the namespace of the version.
 */
final readonly class CamtReader
{
    private const LARGEST = 64 * 1024 * 1024;

    public static function recognises(string $head): bool
    {
        return preg_match('/camt\.05[234]\.001\.\d\d|<(\w+:)?(BkToCstmrStmt|BkToCstmrDbtCdtNtfctn|BkToCstmrAcctRpt)\b/', $head) === 1;
    }

    private function __construct(private XmlMessage $xml) {}

    /**
     * @return non-empty-list<BankStatement|StatementPage>
     *
     * @throws Refusal when the text is no such message, or holds what is not read here
     */
    public static function read(string $text): array
    {
        if (strlen($text) > self::LARGEST) {
            throw new Refusal('The statement is larger than 64 MB. Ask the bank for shorter ones.');
        }
        $reader = new self(XmlMessage::load($text, 'statement'));
        $names = ['Stmt' => $reader->page(...), 'Ntfctn' => $reader->notification(...), 'Rpt' => $reader->report(...)];
        $read = [];
        foreach ($reader->xml->all('//*[local-name()="Stmt" or local-name()="Ntfctn" or local-name()="Rpt"]') as $element) {
            $read[] = $names[(string) $element->localName]($element);
        }

        return $read !== []
            ? $read
            : throw new Refusal('The message holds no statement. camt.052, camt.053 or camt.054 of ISO 20022 is expected.');
    }

    private function page(DOMElement $statement): StatementPage
    {
        $opening = $this->balance($statement, 'OPBD') ?? ($this->balance($statement, 'PRCD') ?? $this->balance($statement, 'OPAV'));
        $closing = $this->balance($statement, 'CLBD');
        $between = $this->between($statement);
        $opening ??= $between[0] ?? null;
        $closing ??= $between === [] ? null : $between[count($between) - 1];
        $code = $this->xml->text($statement, 'Acct/Ccy') ?: $closing->amount->currency->code ?? $this->currencyOfEntries($statement);

        return new StatementPage(
            $this->account($statement),
            Currency::of($code),
            $this->xml->text($statement, 'Id'),
            max(1, (int) $this->xml->text($statement, 'StmtPgntn/PgNb')),
            $this->entries($statement)[0],
            $opening,
            $closing,
        );
    }

    private function notification(DOMElement $notification): BankStatement
    {
        [$booked, $pending] = $this->entries($notification);
        $number = $this->xml->text($notification, 'Id');
        if ($booked === [] && $pending !== []) {
            throw new Refusal(
                "Notification {$number} of {$this->account(
                    $notification,
                )} holds pending entries only; they are not money yet. Hand in the ".'statement when the bank has booked them.',
            );
        }
        $code = $this->xml->text($notification, 'Acct/Ccy') ?: $this->currencyOfEntries($notification);

        return new BankStatement($this->account($notification), Currency::of($code), $number, $booked);
    }

    /** What a bank reports within the day is pending, whatever it says of the entry: the statement books it. */
    private function report(DOMElement $report): BankStatement
    {
        [$booked, $pending] = $this->entries($report);
        $lines = array_merge(...array_map(static fn (BankEntry $entry): array => $entry->movements(), $booked));
        $code = $this->xml->text($report, 'Acct/Ccy') ?: $this->currencyOfEntries($report);

        return new BankStatement(
            $this->account($report),
            Currency::of($code),
            $this->xml->text($report, 'Id'),
            [],
            pending: [...$lines, ...$pending],
        );
    }

    private function account(DOMElement $of): string
    {
        return $this->xml->text($of, 'Acct/Id/IBAN') ?: $this->xml->text($of, 'Acct/Id/Othr/Id');
    }

    private function currencyOfEntries(DOMElement $of): string
    {
        $amount = $this->xml->all('Ntry/Amt', $of)[0] ?? ($this->xml->all('Bal/Amt', $of)[0] ?? null);

        return $amount?->getAttribute('Ccy') ?: throw new Refusal('The statement names no currency.');
    }

    private function balance(DOMElement $statement, string $code): ?BankBalance
    {
        return $this->balances($statement, $code)[0] ?? null;
    }

    /** @return list<BankBalance> where this page begins and ends, if others come before or after it */
    private function between(DOMElement $statement): array
    {
        return array_map(
            static fn (BankBalance $balance): BankBalance => new BankBalance($balance->day, $balance->amount, true),
            $this->balances($statement, 'ITBD'),
        );
    }

    /** @return list<BankBalance> */
    private function balances(DOMElement $statement, string $code): array
    {
        $balances = [];
        foreach ($this->xml->all('Bal', $statement) as $balance) {
            if (($this->xml->text($balance, 'Tp/CdOrPrtry/Cd') ?: $this->xml->text($balance, 'Tp/Cd')) === $code) {
                $day = substr($this->xml->text($balance, 'Dt/Dt') ?: $this->xml->text($balance, 'Dt/DtTm'), 0, 10);
                $balances[] = new BankBalance(Day::of($day), $this->signed($balance));
            }
        }

        return $balances;
    }

    /** @return array{list<BankEntry>, list<BankLine>} booked and pending */
    private function entries(DOMElement $statement): array
    {
        $booked = $pending = [];
        foreach ($this->xml->all('Ntry', $statement) as $entry) {
            $status = $this->xml->text($entry, 'Sts/Cd') ?: $this->xml->text($entry, 'Sts');
            $read = $status === 'INFO' ? null : (new CamtEntry($this->xml, $entry, $this->signed($entry)))->read();
            match ($status) {
                '', 'BOOK' => ($booked[] = $read),
                'PDNG', 'FUTR' => array_push($pending, ...$read?->movements() ?? []),
                'INFO' => null, // for information: no movement
                default => throw new Refusal(
                    "An entry of {$this->xml->text($statement, 'Id')} has the status “{$status}”, which is the bank's own and not ".
                        'one of '.
                        'ISO 20022. Ask the bank for entries that are booked (BOOK).',
                ),
            };
        }

        return [array_values(array_filter($booked)), $pending];
    }

    private function signed(DOMElement $of): Money
    {
        $amount = $this->xml->all('Amt', $of)[0] ?? throw new Refusal('An entry or balance of the statement has no amount.');
        $money = Money::parse(trim($amount->textContent), $amount->getAttribute('Ccy'));

        return match ($this->xml->text($of, 'CdtDbtInd')) {
            'CRDT' => $money,
            'DBIT' => $money->negated(),
            default => throw new Refusal('An entry or balance of the statement does not say CRDT or DBIT.'),
        };
    }
}
