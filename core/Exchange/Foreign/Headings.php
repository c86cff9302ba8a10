<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Foreign;

use Ajuste\Core\Exchange\FileKind;

/**
 * Which column of a foreign list fills which field, by the words that the trade writes above it in English, Spanish, German, French,
 * Italian, Portuguese and Dutch (common practice).
 */
final class Headings
{
    /** Words by what they say, the surest first. Written plainly: small letters, no marks. */
    private const WORDS = [
        'document' => 'document|document no|document number|document nr|doc|doc no|doc nr|doc number|invoice|'
            .'invoice no|invoice number|invoice nr|'
            .'invoice id|inv no|inv nr|inv number|inv|bill no|voucher no|voucher|transaction no|transaction number|number|no|nr|'
            .'documento|n documento|num documento|numero documento|numero de documento|no documento|nro documento|'
            .'factura|n factura|num factura|'
            .'numero factura|numero de factura|no factura|comprobante|num|numero|'
            .'beleg|belegnummer|belegnr|beleg nr|rechnung|rechnungsnummer|rechnungsnr|rechnung nr|rechnungs nr|re nr|'
            .'dokument|dokumentnummer|'
            .'nummer|op nummer|'
            .'piece|no piece|n piece|numero piece|num piece|numero de piece|facture|no facture|n facture|'
            .'numero facture|numero de facture|num facture|'
            .'fattura|n fattura|numero fattura|num fattura|n doc|num doc|numero doc|nr documento|'
            .'fatura|n fatura|numero fatura|numero da fatura|num fatura|n doc|doc n|'
            .'factuur|factuurnummer|factuurnr|factuur nr|boekstuk|boekstuknummer|boekstuknr|stuknummer|documentnummer|bescheidnummer',
        'kind' => 'kind|type|document type|doc type|doc kind|transaction type|trans type|txn type|entry type|transaction|'
            .'tipo|tipo documento|tipo de documento|tipo doc|clase|clase de documento|operacion|'
            .'art|belegart|dokumentart|belegtyp|vorgang|buchungsart|dokumenttyp|'
            .'type de piece|type piece|nature|type document|type d ecriture|'
            .'tipologia|tipo movimento|causale|'
            .'tipo de movimento|'
            .'soort|documentsoort|boekingssoort|type document|documenttype',
        'customer' => 'customer|customer no|customer number|customer nr|customer id|customer code|cust no|cust id|'
            .'cust|client|client no|client code|'
            .'client id|debtor|debtor no|debtor number|debtor code|account no|account code|customer account|'
            .'cliente|codigo cliente|cod cliente|codigo de cliente|n cliente|num cliente|numero cliente|numero de cliente|deudor|'
            .'kunde|kunden nr|kundennr|kundennummer|kundenkonto|debitor|debitornr|debitoren nr|debitorennummer|debitorenkonto|debitorkonto|'
            .'code client|no client|n client|numero client|compte client|compte tiers|compte auxiliaire|tiers|'
            .'codice cliente|cod cli|codice|'
            .'codigo do cliente|n cliente|'
            .'klant|klantnr|klantnummer|klant nr|klantcode|debiteur|debiteurnr|debiteurnummer|debiteur nr|debiteurennummer|relatie',
        'name' => 'name|customer name|account name|client name|debtor name|company|company name|'
            .'nombre|nombre cliente|razon social|denominacion|nombre del cliente|'
            .'kundenname|firma|bezeichnung|kontobezeichnung|kontoname|name 1|'
            .'nom|nom client|raison sociale|intitule|libelle compte|libelle du compte|intitule du compte|'
            .'ragione sociale|nome|nome cliente|descrizione conto|denominazione|'
            .'nome do cliente|designacao|razao social|descricao da conta|'
            .'naam|klantnaam|bedrijfsnaam|omschrijving rekening|rekeningnaam|debiteurnaam',
        'date' => 'date|document date|doc date|invoice date|inv date|posting date|post date|transaction date|'
            .'trans date|txn date|entry date|booking date|'
            .'issue date|issued|dated|bill date|'
            .'fecha|fecha factura|fecha documento|fecha emision|fecha de emision|fecha doc|fecha de factura|fecha asiento|fecha operacion|'
            .'fecha contable|'
            .'datum|belegdatum|rechnungsdatum|buchungsdatum|buchungstag|beleg datum|re datum|'
            .'date piece|date de piece|date facture|date de facture|date comptable|date ecriture|date document|'
            .'date d ecriture|date operation|'
            .'data|data documento|data doc|data fattura|data registrazione|data emissione|data operazione|data contabile|'
            .'data fatura|data da fatura|data do documento|data de emissao|data emissao|data lancamento|data movimento|'
            .'factuurdatum|boekdatum|boekingsdatum|documentdatum|transactiedatum',
        'due_date' => 'due date|due|due on|date due|due by|payment due|maturity|maturity date|net due date|'
            .'vencimiento|fecha vencimiento|fecha de vencimiento|vence|vto|fecha vto|f vto|'
            .'fallig|faellig|fallig am|faellig am|falligkeit|faelligkeit|falligkeitsdatum|faelligkeitsdatum|'
            .'zahlbar bis|netto falligkeit|zahlungsziel|'
            .'nettofalligkeit|nettofaelligkeit|'
            .'echeance|date echeance|date d echeance|ech|'
            .'scadenza|data scadenza|data di scadenza|scad|'
            .'data vencimento|data de vencimento|vencimento|'
            .'vervaldatum|vervaldag|verval|uiterste betaaldatum|betalen voor',
        'currency' => 'currency|cur|ccy|curr|currency code|crcy|'
            .'moneda|divisa|'
            .'wahrung|waehrung|whg|wrg|wahrg|hauswahrung|belegwahrung|'
            .'devise|monnaie|code devise|'
            .'valuta|divisa|'
            .'moeda|'
            .'munt|muntcode|valutacode',
        'amount' => 'amount|gross amount|gross|total|total amount|invoice amount|document amount|original amount|'
            .'amount incl tax|amount in currency|'
            .'amount doc currency|amount in document currency|transaction amount|value|doc amount|amount due|'
            .'importe|importe total|importe original|total factura|importe factura|importe documento|monto|importe bruto|valor|'
            .'betrag|bruttobetrag|brutto|rechnungsbetrag|gesamtbetrag|belegbetrag|ursprungsbetrag|umsatz|betrag brutto|op betrag|'
            .'montant|montant ttc|total ttc|montant total|montant facture|montant initial|montant original|ttc|'
            .'importo|importo totale|importo originale|totale|totale documento|importo lordo|importo fattura|totale fattura|'
            .'valor total|valor do documento|montante|valor original|'
            .'bedrag|factuurbedrag|bedrag incl btw|totaalbedrag|bruto|oorspronkelijk bedrag|totaal',
        'base_amount' => 'base amount|amount in base|local amount|amount local currency|amount in local currency|'
            .'amount lc|functional amount|'
            .'importe base|importe moneda local|importe local|importe en euros|importe eur|'
            .'basisbetrag|betrag hauswahrung|betrag in hauswahrung|betrag hw|hauswahrungsbetrag|betrag eur|'
            .'montant base|montant devise locale|contre valeur|contrevaleur|montant en euros|montant eur|'
            .'importo base|importo in euro|importo valuta locale|controvalore|importo eur|'
            .'valor base|contravalor|valor em euros|valor eur|'
            .'basisbedrag|bedrag eur|bedrag in euro|bedrag in basisvaluta',
        '+open' => 'open|open amount|outstanding|outstanding amount|balance due|amount open|open balance|remaining|'
            .'remaining amount|amount outstanding|'
            .'amount remaining|unpaid|open item|'
            .'pendiente|importe pendiente|saldo pendiente|saldo abierto|'
            .'offen|offener betrag|offen betrag|restbetrag|offener posten|op saldo|saldo offen|'
            .'solde|solde du|reste a payer|reste du|montant ouvert|solde ouvert|restant du|'
            .'aperto|importo aperto|residuo|saldo aperto|da incassare|importo residuo|'
            .'em aberto|valor em aberto|valor pendente|por liquidar|saldo em aberto|'
            .'openstaand|openstaand bedrag|restant|nog te betalen|open bedrag|openstaand saldo',
        'debit' => 'debit|dr|debits|debit amount|amount debit|debe|importe debe|cargo|cargos|soll|sollbetrag|betrag soll|umsatz soll|'
            .'debit montant|montant debit|dare|importo dare|debito|debitos|valor debito|debet|bedrag debet|af',
        'credit' => 'credit|cr|credits|credit amount|amount credit|haber|importe haber|abono|abonos|haben|habenbetrag|'
            .'betrag haben|umsatz haben|'
            .'montant credit|avere|importo avere|credito|creditos|valor credito|bedrag credit|bij',
        '+marker' => 'd c|dc|dr cr|debit credit|debit or credit|sign|side|d h|debe haber|s h|sh|soll haben|'
            .'soll haben kennzeichen|kennzeichen|'
            .'shkz|s h kz|sens|sens d c|d a|dare avere|segno|natureza|d c indicador|d c ind|debet credit|dc kenmerk|af bij',
        'entry' => 'entry|entry no|entry number|journal|journal no|journal entry|journal number|je no|je|transaction id|batch entry|'
            .'asiento|n asiento|num asiento|numero asiento|numero de asiento|'
            .'buchung|buchungsnummer|buchungsnr|buchungs nr|journalnummer|journal nr|laufende nummer|lfd nr|'
            .'ecriture|no ecriture|n ecriture|numero ecriture|num ecriture|ecriturenum|'
            .'registrazione|n registrazione|numero registrazione|num reg|n reg|protocollo|'
            .'lancamento|n lancamento|numero lancamento|num lancamento|'
            .'boeking|boekingsnummer|boekingsnr|boekstuk|boekstuknummer|boekstuknr|stuknummer|mutatie|mutatienummer',
        'account' => 'account|gl account|g l account|ledger account|account number|account no|account code|nominal|'
            .'nominal code|nominal account|acct|gl code|'
            .'cuenta|cuenta contable|codigo cuenta|cod cuenta|n cuenta|num cuenta|subcuenta|'
            .'konto|kontonummer|kontonr|konto nr|sachkonto|hauptbuchkonto|kto|'
            .'compte|no compte|n compte|numero compte|compte general|comptenum|numero de compte|compte comptable|'
            .'conto|codice conto|n conto|sottoconto|conto contabile|'
            .'conta|n conta|codigo conta|conta contabil|conta snc|'
            .'rekening|rekeningnummer|rekeningnr|grootboek|grootboekrekening|grootboeknummer|gb rekening',
        'type' => 'account type|tipo de cuenta|kontenart|kontoart|type de compte|tipo conto|tipo de conta|soort rekening|category|class',
        'description' => 'description|text|narrative|details|memo|particulars|line text|'
            .'concepto|texto|descripcion|glosa|detalle|'
            .'buchungstext|beschreibung|verwendungszweck|'
            .'libelle|libelle ecriture|description|intitule ecriture|'
            .'descrizione|causale|testo|'
            .'descricao|historico|'
            .'omschrijving|tekst|toelichting',
        'reference' => 'reference|ref|your reference|external reference|customer reference|po number|order no|payment reference|'
            .'referencia|ref cliente|su referencia|referenz|ihr zeichen|externe referenz|bestellnummer|'
            .'reference client|votre reference|riferimento|rif|vostro riferimento|referencia cliente|referentie|'
            .'kenmerk|uw referentie|betalingskenmerk',
        'terms' => 'terms|payment terms|condiciones|condiciones de pago|zahlungsbedingung|zahlungsbedingungen|'
            .'conditions|conditions de paiement|'
            .'condizioni|condizioni di pagamento|condicoes|betalingsconditie|betaalconditie',
        'iban' => 'iban|bank account|account iban|cuenta bancaria|bankverbindung|compte bancaire|conto bancario|'
            .'conta bancaria|bankrekening',
        'email' => 'email|e mail|mail|correo|correo electronico|e mail adresse|courriel|posta elettronica|correio eletronico|emailadres',
        'tax_id' => 'tax id|vat|vat no|vat number|vat id|tax number|nif|cif|nif cif|ust id|ustid|ust idnr|'
            .'steuernummer|n tva|tva|tva intracom|'
            .'siret|partita iva|p iva|piva|codice fiscale|nipc|contribuinte|btw|btw nummer|btw nr',
        'country' => 'country|country code|pais|land|landkz|landeskennzeichen|pays|code pays|paese|nazione|landcode',
        'credit_limit' => 'credit limit|limit|limite credito|limite de credito|kreditlimit|limite de credit|plafond|fido|kredietlimiet',
        'group' => 'group|customer group|category|grupo|grupo cliente|kundengruppe|gruppe|groupe|groupe client|gruppo|'
            .'categoria|klantgroep|groep',
        'value_date' => 'value date|value dated|fecha valor|valuta|valutadatum|wertstellung|wert|date valeur|'
            .'date de valeur|data valuta|data valor|'
            .'rentedatum',
        'money_in' => 'paid in|money in|credit|credits|deposits|deposit|in|abono|abonos|haber|ingresos|gutschrift|haben|eingang|zugang|'
            .'credit|recettes|entree|avere|accrediti|entrate|credito|creditos|entradas|bij|ontvangen',
        'money_out' => 'paid out|money out|debit|debits|withdrawals|withdrawal|out|cargo|cargos|debe|gastos|'
            .'lastschrift|belastung|soll|ausgang|'
            .'debit|depenses|sortie|dare|addebiti|uscite|debito|debitos|saidas|af|uitgegeven',
        'text' => 'description|text|narrative|details|remittance|remittance information|purpose|memo|particulars|'
            .'payment details|transaction details|'
            .'concepto|descripcion|observaciones|movimiento|'
            .'verwendungszweck|buchungstext|vorgang|vorgang verwendungszweck|zweck|'
            .'libelle|libelle operation|nature de l operation|communication|motif|'
            .'descrizione|causale|descrizione operazione|'
            .'descricao|descritivo|movimento|'
            .'omschrijving|mededeling|mededelingen',
        'party' => 'payer|counterparty|name|payee|payer payee|beneficiary|ordering party|other party|'
            .'ordenante|beneficiario|nombre ordenante|auftraggeber|empfanger|auftraggeber empfanger|'
            .'name zahlungsbeteiligter|begunstigter zahlungspflichtiger|'
            .'donneur d ordre|contrepartie|tiers|nom contrepartie|ordinante|controparte|ordenador|'
            .'tegenpartij|naam tegenpartij|naam',
        'party_account' => 'counterparty account|payer account|iban counterparty|counterparty iban|iban|'
            .'cuenta ordenante|cuenta contraparte|'
            .'iban zahlungsbeteiligter|konto auftraggeber|kontonummer|compte contrepartie|iban contrepartie|'
            .'conto controparte|tegenrekening|'
            .'iban tegenpartij|conta contraparte',
        'balance' => 'balance|running balance|balance after|saldo|saldo final|saldo contable|kontostand|'
            .'saldo nach buchung|solde|saldo contabile|'
            .'saldo apos|saldo na mutatie',
        'bank_account' => 'own account|our account|account iban|eigenes konto|auftragskonto|nuestra cuenta|notre compte|rekening',
        'rate' => 'rate|exchange rate|fx rate|tipo de cambio|cambio|kurs|wechselkurs|taux|cours|taux de change|tasso|tasso di cambio|taxa|'
            .'taxa de cambio|koers|wisselkoers',
        'supplier' => 'supplier|supplier no|supplier number|vendor|vendor no|vendor number|creditor|creditor no|proveedor|codigo proveedor|'
            .'acreedor|lieferant|lieferantennr|lieferantennummer|kreditor|kreditorennummer|fournisseur|code fournisseur|fornitore|'
            .'codice fornitore|fornecedor|codigo fornecedor|leverancier|leveranciersnummer|crediteur|crediteurnummer',
        'line' => 'line|line no|linea|position|pos|ligne|riga|linha|regel',
        'net' => 'net|net amount|neto|importe neto|netto|nettobetrag|montant ht|ht|imponibile|valor liquido|nettobedrag',
        'tax_rate' => 'tax rate|vat rate|vat percent|iva|tipo iva|ust|ust satz|steuersatz|mwst|taux tva|aliquota|taxa iva|btw percentage',
        'quantity' => 'quantity|qty|cantidad|menge|quantite|quantita|quantidade|aantal',
        'unit_price' => 'unit price|price|precio|preis|einzelpreis|prix unitaire|prix|prezzo|preco|prijs',
    ];

    /**
     * The columns of a row of headings.
     *
     * @param list<string> $cells
     * @return array<string, list<int>> the columns that may fill a field, the surest first; fields with a plus are not of the house format
     */
    public static function of(FileKind $kind, array $cells): array
    {
        $plain = array_map(self::heading(...), $cells);
        $found = [];
        foreach (self::fields($kind) as $field) {
            $ranks = self::ranks($field);
            $columns = [];
            foreach ($plain as $column => $heading) {
                if ($heading !== '' && isset($ranks[$heading])) {
                    $columns[$column] = $ranks[$heading];
                }
            }
            arsort($columns);
            if ($columns !== []) {
                $found[$field] = array_keys($columns);
            }
        }

        return $found;
    }

    /** @return array<string, int> words of a field, the surest with the highest rank */
    private static function ranks(string $field): array
    {
        /** @var array<string, array<string, int>> $ranks */
        static $ranks = [];
        $words = static fn (): array => [PlainWords::of($field), ...explode('|', self::WORDS[$field] ?? self::WORDS["+{$field}"] ?? '')];

        return $ranks[$field] ??= array_flip(array_reverse(array_values(array_unique($words()))));
    }

    /** @return list<string> fields of the house format, and what foreign lists have in their place */
    private static function fields(FileKind $kind): array
    {
        return [...array_keys($kind->fields()), ...$kind->foreignFields()];
    }

    /** Without the currency that stands behind it: `Amount (EUR)`. */
    private static function heading(string $cell): string
    {
        $plain = PlainWords::of((string) preg_replace('/[(\[]\s*(?:[A-Z]{3}|€|\$|£)\s*[)\]]|[€$£]/u', ' ', $cell));

        return (string) preg_replace('/ (?:in )?(?:eur|usd|gbp|chf)$/', '', $plain);
    }
}
