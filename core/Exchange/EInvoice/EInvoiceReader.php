<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\EInvoice;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Exchange\Bank\XmlMessage;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\Kind;
use DOMElement;

/**
 * Reads invoices and credit notes of EN 16931 in both of its syntaxes: UBL 2.1 and UN/CEFACT cross industry invoice (CII). Names of
 * elements as OASIS and UN/CEFACT publish them, from memory.
 */
final class EInvoiceReader
{
    /** Codes of UNTDID 1001 that lessen what the buyer owes. */
    private const CREDITS = ['381', '396', '532', '83', '81', '261'];

    /** @param  string  $head the first bytes of a file */
    public static function recognises(string $head): bool
    {
        return preg_match(
            '/oasis:names:specification:ubl:schema:xsd:(Invoice|CreditNote)-2|uncefact:data:standard:CrossIndustryInvoice/',
            $head,
        ) === 1;
    }

    /** @throws Refusal when it cannot be read, or does not add up */
    public static function read(string $text): EInvoice
    {
        $xml = XmlMessage::load($text, 'invoice');
        $root = $xml->all('/*')[0];

        return $root->localName === 'CrossIndustryInvoice' ? self::cii($xml, $root) : self::ubl($xml, $root);
    }

    private static function ubl(XmlMessage $xml, DOMElement $root): EInvoice
    {
        $currency = self::currency($xml->text($root, 'DocumentCurrencyCode'));
        $buyer = 'AccountingCustomerParty/Party';
        $lines = [];
        foreach (['InvoiceLine' => 'InvoicedQuantity', 'CreditNoteLine' => 'CreditedQuantity'] as $name => $quantity) {
            foreach ($xml->all($name, $root) as $line) {
                $lines[] = new EInvoiceLine(
                    $xml->text($line, 'ID'),
                    $xml->text($line, 'Item/Name'),
                    $xml->text($line, $quantity),
                    $xml->text($line, 'Price/PriceAmount'),
                    self::amount($xml->text($line, 'LineExtensionAmount'), $currency),
                    $xml->text($line, 'Item/ClassifiedTaxCategory/Percent'),
                );
            }
        }
        foreach ($xml->all('AllowanceCharge', $root) as $place => $of) {
            $isCharge = $xml->text($of, 'ChargeIndicator') === 'true';
            $lines[] = self::onTheWhole(
                $place, $isCharge, $xml->text($of, 'AllowanceChargeReason'), self::amount($xml->text($of, 'Amount'), $currency),
                $xml->text($of, 'TaxCategory/Percent'),
            );
        }
        $total = fn (string $name): string => $xml->text($root, "LegalMonetaryTotal/{$name}");

        return self::invoice(
            $xml->text($root, 'ID'),
            $root->localName === 'CreditNote' ? '381' : $xml->text($root, 'InvoiceTypeCode'),
            [$xml->text($root, 'IssueDate'), $xml->text($root, 'DueDate') ?: $xml->text($root, 'PaymentMeans/PaymentDueDate')],
            $xml->text($root, 'BillingReference/InvoiceDocumentReference/ID') ?: $xml->text($root, 'BuyerReference'),
            new Buyer(
                self::texts($xml, $root, "{$buyer}/PartyIdentification/ID"),
                self::texts($xml, $root, "{$buyer}/PartyTaxScheme/CompanyID"),
                $xml->text($root, "{$buyer}/PartyLegalEntity/RegistrationName") ?: $xml->text($root, "{$buyer}/PartyName/Name"),
            ),
            [self::money($total('TaxInclusiveAmount'), $currency), self::money($total('TaxExclusiveAmount'), $currency)],
            $lines,
        );
    }

    private static function cii(XmlMessage $xml, DOMElement $root): EInvoice
    {
        $deal = 'SupplyChainTradeTransaction';
        $settlement = "{$deal}/ApplicableHeaderTradeSettlement";
        $buyer = "{$deal}/ApplicableHeaderTradeAgreement/BuyerTradeParty";
        $currency = self::currency($xml->text($root, "{$settlement}/InvoiceCurrencyCode"));
        $lines = [];
        foreach ($xml->all("{$deal}/IncludedSupplyChainTradeLineItem", $root) as $line) {
            $of = 'SpecifiedLineTradeSettlement';
            $lines[] = new EInvoiceLine(
                $xml->text($line, 'AssociatedDocumentLineDocument/LineID'),
                $xml->text($line, 'SpecifiedTradeProduct/Name'),
                $xml->text($line, 'SpecifiedLineTradeDelivery/BilledQuantity'),
                $xml->text($line, 'SpecifiedLineTradeAgreement/NetPriceProductTradePrice/ChargeAmount'),
                self::amount($xml->text($line, "{$of}/SpecifiedTradeSettlementLineMonetarySummation/LineTotalAmount"), $currency),
                $xml->text($line, "{$of}/ApplicableTradeTax/RateApplicablePercent"),
            );
        }
        foreach ($xml->all("{$settlement}/SpecifiedTradeAllowanceCharge", $root) as $place => $of) {
            $isCharge = $xml->text($of, 'ChargeIndicator/Indicator') === 'true';
            $lines[] = self::onTheWhole(
                $place, $isCharge, $xml->text($of, 'Reason'), self::amount($xml->text($of, 'ActualAmount'), $currency),
                $xml->text($of, 'CategoryTradeTax/RateApplicablePercent'),
            );
        }
        $day = static fn (string $text): string => preg_match(
            '/^(\d{4})(\d\d)(\d\d)$/',
            $text,
            $of,
        ) === 1 ? "{$of[1]}-{$of[2]}-{$of[3]}" : $text;
        $total = fn (string $name): string => $xml->text($root, "{$settlement}/SpecifiedTradeSettlementHeaderMonetarySummation/{$name}");

        return self::invoice(
            $xml->text($root, 'ExchangedDocument/ID'),
            $xml->text($root, 'ExchangedDocument/TypeCode'),
            [
                $day($xml->text($root, 'ExchangedDocument/IssueDateTime/DateTimeString')),
                $day($xml->text($root, "{$settlement}/SpecifiedTradePaymentTerms/DueDateDateTime/DateTimeString")),
            ],
            $xml->text($root, "{$settlement}/InvoiceReferencedDocument/IssuerAssignedID")
                ?: $xml->text($root, "{$deal}/ApplicableHeaderTradeAgreement/BuyerReference"),
            new Buyer(
                [...self::texts($xml, $root, "{$buyer}/ID"), ...self::texts($xml, $root, "{$buyer}/GlobalID")],
                self::texts($xml, $root, "{$buyer}/SpecifiedTaxRegistration/ID"),
                $xml->text($root, "{$buyer}/Name"),
            ),
            [self::money($total('GrandTotalAmount'), $currency), self::money($total('TaxBasisTotalAmount'), $currency)],
            $lines,
        );
    }

    /**
     * A total below zero is a credit, whatever its code says.
     *
     * @param array{string, string} $days of the document, and due or blank
     * @param array{?Money, ?Money} $totals with tax and without
     * @param list<EInvoiceLine> $lines
     *
     * @throws Refusal when it lacks a number, day or total
     */
    private static function invoice(
        string $number,
        string $code,
        array $days,
        string $reference,
        Buyer $buyer,
        array $totals,
        array $lines,
    ): EInvoice {
        [$gross, $net] = $totals;
        if ($number === '' || $gross === null || ! Day::isDay($days[0])) {
            throw new Refusal('The invoice has no number, no day or no total with tax. Ask for it again.');
        }
        $lessens = in_array($code, self::CREDITS, true) !== $gross->isNegative();
        $sign = $gross->isNegative() ? -1 : 1;
        $positive = static fn (?Money $of): ?Money => $of === null ? null : ($sign < 0 ? $of->negated() : $of);

        return new EInvoice(
            new EInvoiceHead($number, $lessens ? Kind::CreditNote : Kind::Invoice, $days[0], $days[1], $reference),
            $buyer,
            $gross->abs(),
            array_map(static fn (EInvoiceLine $of): EInvoiceLine => new EInvoiceLine(
                $of->name, $of->description, $of->quantity, $of->unitPrice, $sign < 0 ? $of->net->negated() : $of->net, $of->taxRate,
            ), $lines),
            $positive($net),
        );
    }

    private static function onTheWhole(int $place, bool $isCharge, string $reason, Money $amount, string $rate): EInvoiceLine
    {
        $what = $isCharge ? 'charge' : 'allowance';

        return new EInvoiceLine(
            $what.'-'.($place + 1), $reason === '' ? ucfirst($what) : $reason, '1', '', $isCharge ? $amount : $amount->negated(), $rate,
        );
    }

    /** @return list<string> */
    private static function texts(XmlMessage $xml, DOMElement $root, string $where): array
    {
        $texts = array_map(static fn (DOMElement $of): string => trim($of->textContent), $xml->all($where, $root));

        return array_values(array_filter($texts, static fn (string $text): bool => $text !== ''));
    }

    private static function currency(string $code): Currency
    {
        return Currency::isKnown($code) ? Currency::of($code) : throw new Refusal(
            "“{$code}” is no currency of ISO 4217. Ask for the invoice again.",
        );
    }

    /** @throws Refusal when it is blank, or no amount of the currency */
    private static function amount(string $text, Currency $currency): Money
    {
        return self::money($text, $currency) ?? throw new Refusal('A line of the invoice has no amount. Ask for it again.');
    }

    /**
     * @return ($text is '' ? null : Money)
     *
     * @throws Refusal when it is no amount of the currency
     */
    private static function money(string $text, Currency $currency): ?Money
    {
        return $text === '' ? null : Money::parse($text, $currency);
    }
}
