<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Foreign;

use Ajuste\Core\Subledger\Kind;

/**
 * What other systems call a document, in the words of the trade and their usual short forms, by language (common practice). A short form
 * that says one thing in one language and another in the next is read by the other words of its list.
 */
final class KindWords
{
    private const WORDS = [
        'en' => [
            'invoice' => 'invoice inv in bill si',
            'credit_note' => 'credit cn crn cm crm',
            'debit_note' => 'debit dn',
            'receipt' => 'receipt payment pmt pay rcpt rec rct remittance py pd',
            'refund' => 'refund repayment rf',
            'charge' => 'charge interest fee',
            'opening' => 'opening ob bf forward',
            'adjustment' => 'adjustment adj journal jnl correction je',
            'write_off' => 'writeoff wo',
            'discount' => 'discount',
            'deposit' => 'deposit prepayment advance',
            'transfer' => 'transfer',
        ],
        'es' => [
            'invoice' => 'factura fac fra fact fv',
            'credit_note' => 'abono credito rectificativa nc na ab',
            'debit_note' => 'cargo debito nd',
            'receipt' => 'cobro cob pago recibo ingreso cobranza rc',
            'refund' => 'devolucion reembolso',
            'charge' => 'intereses interes gastos',
            'opening' => 'apertura inicial',
            'adjustment' => 'ajuste asiento regularizacion',
            'write_off' => 'incobrable fallido',
            'discount' => 'descuento dto',
            'deposit' => 'anticipo',
            'transfer' => 'traspaso',
        ],
        'de' => [
            'invoice' => 'rechnung re rg rech rechn ausgangsrechnung ar debitorenrechnung',
            'credit_note' => 'gutschrift gs gu gut rechnungskorrektur stornorechnung',
            'debit_note' => 'belastung belastungsanzeige lastschriftanzeige',
            'receipt' => 'zahlung zahlungseingang ze za zahl eingang',
            'refund' => 'ruckzahlung rueckzahlung erstattung auszahlung',
            'charge' => 'mahngebuhr mahngebuehr zinsen verzugszinsen',
            'opening' => 'eroffnung eroeffnung eroffnungsbuchung saldovortrag vortrag eb',
            'adjustment' => 'korrektur umbuchung ub buchung',
            'write_off' => 'ausbuchung abschreibung forderungsausfall',
            'discount' => 'skonto nachlass',
            'deposit' => 'anzahlung vorauszahlung',
            'transfer' => 'ubertrag uebertrag',
        ],
        'fr' => [
            'invoice' => 'facture fa fac fact fc',
            'credit_note' => 'avoir av credit',
            'debit_note' => 'debit',
            'receipt' => 'paiement reglement rgl regl reg rg encaissement',
            'refund' => 'remboursement',
            'charge' => 'frais interets',
            'opening' => 'nouveau an initial ouverture',
            'adjustment' => 'ajustement od ecriture',
            'write_off' => 'perte irrecouvrable',
            'discount' => 'escompte remise',
            'deposit' => 'acompte avance',
            'transfer' => 'transfert',
        ],
        'it' => [
            'invoice' => 'fattura ft fatt',
            'credit_note' => 'credito nc ndc ncr ncre',
            'debit_note' => 'debito ndd',
            'receipt' => 'incasso pagamento pag inc',
            'refund' => 'rimborso',
            'charge' => 'interessi spese',
            'opening' => 'iniziale apertura',
            'adjustment' => 'rettifica giroconto',
            'write_off' => 'stralcio perdita',
            'discount' => 'sconto abbuono',
            'deposit' => 'acconto',
            'transfer' => 'trasferimento',
        ],
        'pt' => [
            'invoice' => 'fatura fat ft fac',
            'credit_note' => 'credito nc ncr',
            'debit_note' => 'debito nd',
            'receipt' => 'recebimento recibo rc re rec pagamento pag',
            'refund' => 'restituicao',
            'charge' => 'juros encargos',
            'opening' => 'abertura inicial',
            'adjustment' => 'regularizacao acerto',
            'write_off' => 'incobravel',
            'discount' => 'desconto',
            'deposit' => 'adiantamento sinal',
            'transfer' => 'transferencia',
        ],
        'nl' => [
            'invoice' => 'factuur verkoopfactuur vf vkf fact',
            'credit_note' => 'creditnota creditfactuur credit cn',
            'debit_note' => 'debetnota debitnota',
            'receipt' => 'betaling ontvangst bet ontv',
            'refund' => 'terugbetaling',
            'charge' => 'rente kosten aanmaningskosten',
            'opening' => 'beginsaldo openingsbalans beginbalans',
            'adjustment' => 'correctie memoriaal memo',
            'write_off' => 'afschrijving oninbaar',
            'discount' => 'korting betalingskorting',
            'deposit' => 'aanbetaling vooruitbetaling',
            'transfer' => 'overboeking',
        ],
    ];

    /** Words that say more together than each by itself. */
    private const TOGETHER = [
        'memos' => 'memo',
        'notes' => 'note',
        'credit memo' => 'crn',
        'cr memo' => 'crn',
        'credit invoice' => 'crn',
        'cr note' => 'crn',
        'c n' => 'crn',
        'd n' => 'dn',
        'debit memo' => 'dn',
        'dr note' => 'dn',
        'write off' => 'writeoff',
        'bad debt' => 'writeoff',
        'down payment' => 'deposit',
        'b f' => 'bf',
        'factura rectificativa' => 'rectificativa',
        'facture d avoir' => 'avoir',
        'facture avoir' => 'avoir',
        'finance charge' => 'charge',
        'late fee' => 'fee',
        'reminder fee' => 'fee',
        'customer refund' => 'refund',
        'journal entry' => 'journal',
        'asiento de apertura' => 'apertura',
        'pronto pago' => 'dto',
        'eb wert' => 'eb',
        'cash discount' => 'discount',
        'settlement discount' => 'discount',
        'betaling korting' => 'korting',
        'interes de demora' => 'interes',
    ];

    /** Words beside the one that says it. */
    private const BESIDE = 'a ar balance brought cash client cliente clientes clients creance crediti customer customers '
        .'d da de debiteur debitoren del di diverse do document dr emessa emitida en entry finance klant kunde kunden memo '
        .'memos n nota notas note notes operation passage received report saldo sale sales solde su tax the venda vendita '
        .'venta ventas vente verkoop';

    /** Of one, and of several. */
    private const ENDINGS = ['', 's', 'es', 'en', 'n'];

    private const SHORTEST_BEGINNING = 3;

    /** Null where the word is not known, or says different things in different languages. */
    public static function kind(string $word): ?Kind
    {
        $said = array_unique(array_column(self::meanings($word), 'value'));

        return Kind::tryFrom(trim($word)) ?? (count($said) === 1 ? Kind::from(reset($said)) : null);
    }

    /**
     * The meaning of those words of a list that say different things in different languages, in the language that knows most of them.
     *
     * @param list<string> $words
     * @return array<string, Kind> by plain word
     */
    public static function inList(array $words): array
    {
        $found = $knows = [];
        foreach (array_unique(array_map(PlainWords::of(...), $words)) as $word) {
            foreach (self::meanings($word) as $language => $kind) {
                $found[$language][$word] = $kind;
                [$any, $itself] = $knows[$language] ?? [0, 0];
                // A word itself says more than the beginning of one.
                $knows[$language] = [$any + 1, $itself + (isset(self::known($language)[$word]) ? 1 : 0)];
            }
        }
        $most = $knows === [] ? [] : array_keys($knows, max($knows), true);
        $kinds = [];
        foreach ($most as $language) {
            foreach ($found[$language] as $word => $kind) {
                $kinds[$word][$kind->value] = $kind;
            }
        }

        return array_map(static fn (array $of): Kind => reset($of), array_filter(
            $kinds,
            static fn (array $of, string $word): bool => count($of) === 1 && self::kind($word) === null,
            ARRAY_FILTER_USE_BOTH,
        ));
    }

    /**
     * Whether one of the words is that of an invoice.
     *
     * @param list<string> $words
     */
    public static function saysInvoice(array $words): bool
    {
        $isInvoice = static fn (string $word): bool => in_array(Kind::Invoice, self::meanings($word), true);

        return array_filter(array_unique($words), $isInvoice) !== [];
    }

    /** @return array<string, Kind> by language */
    private static function meanings(string $word): array
    {
        /** @var array<string, array<string, Kind>> $seen */
        static $seen = [];
        $plain = PlainWords::of($word);
        if (isset($seen[$plain])) {
            return $seen[$plain];
        }
        $together = ' '.$plain.' ';
        foreach (self::TOGETHER as $words => $one) {
            $together = str_replace(" {$words} ", " {$one} ", $together);
        }
        $words = array_values(array_diff(explode(' ', trim($together)), explode(' ', self::BESIDE))) ?: [$plain];
        $found = [];
        foreach (array_keys(self::WORDS) as $language) {
            $kinds = array_unique(array_map(static fn (string $of): string => self::inLanguage($language, $of)->value ?? '', $words));
            if (count($kinds) === 1 && $kinds !== ['']) {
                $found[$language] = Kind::from(reset($kinds));
            }
        }
        if (count($seen) < 5_000) {
            $seen[$plain] = $found;
        }

        return $found;
    }

    /** The word itself, one of several (`Invoices`), or the beginning of words that all say the same (`Fatt.`). */
    private static function inLanguage(string $language, string $word): ?Kind
    {
        $known = self::known($language);
        foreach (self::ENDINGS as $ending) {
            $one = $ending === '' || str_ends_with($word, $ending) ? substr($word, 0, strlen($word) - strlen($ending)) : '';
            if (isset($known[$one])) {
                return $known[$one];
            }
        }
        $begun = strlen($word) < self::SHORTEST_BEGINNING ? [] : array_unique(array_map(
            static fn (Kind $kind): string => $kind->value,
            array_filter($known, static fn (Kind $kind, string $whole): bool => str_starts_with($whole, $word), ARRAY_FILTER_USE_BOTH),
        ));

        return count($begun) === 1 ? Kind::from(reset($begun)) : null;
    }

    /** @return array<string, Kind> by word */
    private static function known(string $language): array
    {
        /** @var array<string, array<string, Kind>> $known */
        static $known = [];
        if (! isset($known[$language])) {
            $known[$language] = [];
            foreach (self::WORDS[$language] ?? [] as $kind => $words) {
                foreach (explode(' ', $words) as $word) {
                    $known[$language][$word] ??= Kind::from($kind);
                }
            }
        }

        return $known[$language];
    }
}
