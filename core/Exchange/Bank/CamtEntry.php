<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Bank;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Money\Rounding;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\Payer;
use DOMElement;

/** One entry of a camt message, with the payments below it where their amounts are given. */
final readonly class CamtEntry
{
    /** Where a transaction says what it pays. */
    private const REMITTANCE = [
        'RmtInf/Ustrd',
        'RmtInf/Strd/CdtrRefInf/Ref',
        'RmtInf/Strd/RfrdDocInf/Nb',
        'RmtInf/Strd/AddtlRmtInf',
        'AddtlTxInf',
    ];

    /** @param  Money  $amount of the entry, below zero where money went out */
    public function __construct(private XmlMessage $xml, private DOMElement $entry, private Money $amount) {}

    /** @throws Refusal when it has no day */
    public function read(): BankEntry
    {
        $details = $this->xml->all('NtryDtls/TxDtls', $this->entry);
        $only = count($details) === 1 ? $details[0] : null;
        $charges = $this->charges($this->entry) ?? ($only === null ? null : $this->charges($only));
        $whole = $this->line($this->amount, $charges, $only, $details);

        return count($details) > 1 ? new BankEntry($whole, $this->details($details)) : new BankEntry($whole);
    }

    /**
     * The payments below the entry. Where they are given before what the bank took off them, each bears its own charges, or its share of
     * the
     * entry's (largest remainder).
     *
     * @param non-empty-list<DOMElement> $details
     * @return list<BankLine> none where their amounts are not given or do not make the entry
     */
    private function details(array $details): array
    {
        $currency = $this->amount->currency;
        $amounts = array_map($this->detailAmount(...), $details);
        $own = array_map(fn (DOMElement $detail): ?Money => $this->charges($detail), $details);
        $given = array_filter($amounts, static fn (?Money $amount): bool => $amount !== null);
        $off = Money::sum($given, $currency)->minus($this->amount);
        $ofEntry = $this->charges($this->entry);
        if (count($given) < count($details)) {
            return [];
        }
        if (! $off->isZero() && $ofEntry !== null && $off->equals($ofEntry)) {
            $weights = array_map(static fn (?Money $amount): int => $amount?->abs()->minor ?? 0, $amounts);
            $own =
                array_sum($weights) === 0
                    ? $own
                    : array_map(
                        static fn (int $share): ?Money => $share === 0 ? null : Money::ofMinor($share, $currency),
                        Rounding::split($off->minor, $weights),
                    );
        }
        $taken = $off->isZero() ? [] : $own;
        $sum = Money::sum(array_filter($taken, static fn (?Money $charges): bool => $charges !== null), $currency);
        $lines = [];
        foreach ($off->equals($sum) ? $details : [] as $place => $detail) {
            $amount = $given[$place]->minus($taken[$place] ?? Money::zero($currency));
            $lines[] = $this->line($amount, $own[$place] ?? null, $detail, [$detail]);
        }

        return $lines;
    }

    /** @param  list<DOMElement>  $all the details whose texts belong to the line */
    private function line(Money $amount, ?Money $charges, ?DOMElement $detail, array $all): BankLine
    {
        $booking = $this->day('BookgDt') ?: $this->day('ValDt') ?: throw new Refusal('An entry of the statement has no date.');
        $own = $detail === null ? '' : $this->xml->text($detail, 'Refs/AcctSvcrRef');

        return new BankLine(
            $booking,
            $this->day('ValDt') ?: $booking,
            $amount,
            new BankReferences(
                $own ?: $this->xml->text($this->entry, 'AcctSvcrRef'),
                $detail === null ? '' : $this->xml->text($detail, 'Refs/EndToEndId'),
            ),
            $this->payer($amount, $detail, $all),
            $charges,
            in_array($this->xml->text($this->entry, 'RvslInd'), ['true', '1'], true) ||
                ($detail !== null && $this->xml->all('RtrInf', $detail) !== []),
            $detail === null ? '' : $this->xml->text($detail, 'RtrInf/Rsn/Cd'),
        );
    }

    /** @param  list<DOMElement>  $all */
    private function payer(Money $amount, ?DOMElement $detail, array $all): Payer
    {
        $side = $amount->isNegative() ? 'Cdtr' : 'Dbtr';
        $first = function (string ...$places) use ($detail): string {
            foreach ($places as $where) {
                if ($detail !== null && $this->xml->text($detail, $where) !== '') {
                    return $this->xml->text($detail, $where);
                }
            }

            return '';
        };
        $texts = [];
        foreach ($all as $one) {
            foreach (self::REMITTANCE as $where) {
                foreach ($this->xml->all($where, $one) as $text) {
                    $texts[] = trim($text->textContent);
                }
            }
        }
        $texts[] = $texts === [] ? $this->xml->text($this->entry, 'AddtlNtryInf') : '';

        return new Payer(
            $first("RltdPties/Ultmt{$side}/Nm", "RltdPties/Ultmt{$side}/Pty/Nm", "RltdPties/{$side}/Nm", "RltdPties/{$side}/Pty/Nm"),
            $first("RltdPties/{$side}Acct/Id/IBAN", "RltdPties/{$side}Acct/Id/Othr/Id"),
            implode("\n", array_unique(array_filter($texts, static fn (string $text): bool => $text !== ''))),
        );
    }

    /** What one payment below the entry comes to, in the entry's currency; null where that is not given. */
    private function detailAmount(DOMElement $detail): ?Money
    {
        foreach (['Amt', 'AmtDtls/TxAmt/Amt'] as $where) {
            $amount = $this->xml->all($where, $detail)[0] ?? null;
            if ($amount !== null && $amount->getAttribute('Ccy') === $this->amount->currency->code) {
                $money = Money::parse(trim($amount->textContent), $this->amount->currency);
                $side = $this->xml->text($detail, 'CdtDbtInd');

                return ($side === '' ? $this->amount->isNegative() : $side === 'DBIT') ? $money->negated() : $money;
            }
        }

        return null;
    }

    /**
     * What the bank took off the amount, in the entry's currency: records that say they are not included are no part of it, one in favour
     * of
     * the account lessens it. Null where nothing was taken off.
     */
    private function charges(DOMElement $of): ?Money
    {
        $sum = Money::zero($this->amount->currency);
        foreach ($this->xml->all('Chrgs', $of) as $charges) {
            $records = $this->xml->all('Rcrd', $charges);
            $total = $this->xml->all('TtlChrgsAndTaxAmt', $charges)[0] ?? null;
            $plain = $records === [] || array_filter($records, fn (DOMElement $record): bool => $this->isSpecial($record)) === [];
            // The total has the tax in it; where a record is not included or given back, the records have the word.
            $parts = $total !== null && $plain ? [[$charges, $total]] : $this->withAmounts($records === [] ? [$charges] : $records);
            foreach ($parts as [$part, $amount]) {
                if ($amount->getAttribute('Ccy') === $this->amount->currency->code && ! $this->isBeside($part)) {
                    $money = Money::parse(trim($amount->textContent), $this->amount->currency);
                    $sum = $this->xml->text($part, 'CdtDbtInd') === 'CRDT' ? $sum->minus($money) : $sum->plus($money);
                }
            }
        }

        return $sum->isPositive() ? $sum : null;
    }

    /**
     * @param non-empty-list<DOMElement> $records
     * @return list<array{DOMElement, DOMElement}> each with its amount
     */
    private function withAmounts(array $records): array
    {
        $pairs = [];
        foreach ($records as $record) {
            $amounts = $this->xml->all('Amt', $record);
            if ($amounts !== []) {
                $pairs[] = [$record, $amounts[0]];
            }
        }

        return $pairs;
    }

    private function isSpecial(DOMElement $record): bool
    {
        return $this->isBeside($record) || $this->xml->text($record, 'CdtDbtInd') === 'CRDT';
    }

    private function isBeside(DOMElement $record): bool
    {
        return in_array($this->xml->text($record, 'ChrgInclInd'), ['false', '0'], true);
    }

    private function day(string $name): string
    {
        $text = $this->xml->text($this->entry, "{$name}/Dt") ?: $this->xml->text($this->entry, "{$name}/DtTm");

        return $text === '' ? '' : Day::of(substr($text, 0, 10));
    }
}
