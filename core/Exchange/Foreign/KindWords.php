<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Foreign;

use Ajuste\Core\Subledger\Kind;

/** What other systems call a document, in the words of the trade and their usual short forms (common practice). */
final class KindWords
{
    private const WORDS = [
        'invoice' => 'invoice|inv|in|sales invoice|customer invoice|ar invoice|tax invoice|bill|si|'
            .'factura|fac|fra|fact|fv|factura de venta|factura venta|'
            .'rechnung|re|rg|rech|rechn|ausgangsrechnung|ar|debitorenrechnung|dr rechnung|'
            .'facture|fa|facture client|facture de vente|fc|'
            .'fattura|ft|fatt|fattura di vendita|fattura emessa|'
            .'fatura|fat|'
            .'factuur|verkoopfactuur|vf|vkf',
        'credit_note' => 'credit note|credit memo|credit|cn|crn|cm|crm|c n|sales credit|credit invoice|'
            .'abono|nota de abono|nota de credito|nota credito|factura rectificativa|rectificativa|nc|na|ab|'
            .'gutschrift|gs|gu|gut|rechnungskorrektur|stornorechnung|'
            .'avoir|av|note de credit|facture d avoir|'
            .'nota di credito|nota credito cliente|ndc|'
            .'creditnota|creditfactuur|credit nota',
        'debit_note' => 'debit note|debit memo|dn|d n|nota de cargo|nota de debito|nota debito|belastung|'
            .'belastungsanzeige|lastschriftanzeige|'
            .'note de debit|nota di debito|ndd|debetnota|debitnota',
        'receipt' => 'receipt|payment|pmt|pay|rcpt|rec|rct|cash receipt|customer payment|payment received|remittance|py|pd|'
            .'cobro|cob|pago|recibo|ingreso|cobranza|'
            .'zahlung|zahlungseingang|ze|za|zahl|eingang|'
            .'paiement|reglement|rgl|reg|encaissement|rg client|'
            .'incasso|pagamento|pag|inc|'
            .'recebimento|rc|'
            .'betaling|ontvangst|bet|ontv',
        'refund' => 'refund|customer refund|repayment|rf|devolucion|reembolso|ruckzahlung|rueckzahlung|erstattung|'
            .'auszahlung|remboursement|rimborso|'
            .'restituicao|terugbetaling',
        'charge' => 'charge|interest|finance charge|fee|late fee|reminder fee|intereses|interes de demora|gastos|'
            .'mahngebuhr|mahngebuehr|zinsen|'
            .'verzugszinsen|frais|interets|interessi|spese|juros|encargos|rente|kosten|aanmaningskosten',
        'opening' => 'opening|opening balance|ob|balance forward|brought forward|b f|bf|saldo inicial|apertura|'
            .'asiento de apertura|eroffnung|'
            .'eroeffnung|eroffnungsbuchung|saldovortrag|vortrag|eb|eb wert|report a nouveau|a nouveau|an|solde initial|ouverture|'
            .'saldo iniziale|saldo de abertura|abertura|beginsaldo|openingsbalans|beginbalans',
        'adjustment' => 'adjustment|adj|journal|jnl|journal entry|correction|je|ajuste|asiento|regularizacion|'
            .'korrektur|umbuchung|ub|buchung|ajustement|'
            .'od|operation diverse|ecriture|rettifica|giroconto|regularizacao|correctie|memoriaal|memo',
        'write_off' => 'write off|writeoff|wo|bad debt|incobrable|fallido|ausbuchung|abschreibung|forderungsausfall|'
            .'passage en perte|creance irrecouvrable|'
            .'stralcio|perdita su crediti|incobravel|afschrijving|oninbaar',
        'discount' => 'discount|cash discount|settlement discount|descuento|pronto pago|dto|skonto|nachlass|escompte|'
            .'remise|sconto|abbuono|desconto|'
            .'korting|betalingskorting',
        'deposit' => 'deposit|down payment|prepayment|advance|anticipo|anzahlung|vorauszahlung|acompte|avance|acconto|adiantamento|sinal|'
            .'aanbetaling|vooruitbetaling',
        'transfer' => 'transfer|traspaso|ubertrag|uebertrag|transfert|trasferimento|transferencia|overboeking',
    ];

    /** Null where the word is not known. */
    public static function kind(string $word): ?Kind
    {
        /** @var ?array<string, Kind> $known */
        static $known = null;
        if ($known === null) {
            $known = [];
            foreach (self::WORDS as $kind => $words) {
                foreach (explode('|', $words) as $of) {
                    $known[$of] ??= Kind::from($kind);
                }
            }
        }

        return Kind::tryFrom(trim($word)) ?? $known[PlainWords::of($word)] ?? null;
    }
}
