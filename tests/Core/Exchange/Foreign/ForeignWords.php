<?php

declare(strict_types=1);

namespace Tests\Core\Exchange\Foreign;

/** How the trade heads the columns of its lists, and what it calls documents, in seven languages (common practice; from memory). */
final class ForeignWords
{
    public const LANGUAGES = ['en', 'es', 'de', 'fr', 'it', 'pt', 'nl'];

    public const HEADINGS = [
        'en' => [
            'document' => 'Invoice #|Inv. No.|Document|Doc. No.|Reference No|Trans No.|Invoice/CN No|Document Ref'
                .'|Doc Nbr|Invoice Num|Our Ref|Invoice Reference|Transaction Ref|Doc #|Bill Number|Inv Ref'
                .'|Txn Number|Doc Reference|Document Nr.|Invoice|Sales Invoice No|Posting Ref|Tax Invoice No'
                .'|Invoice/Credit Ref|Item No.|Source Document|Doc. Id|Ref No|Inv|Bill No|Document Number'
                .'|Inv/Cr No|Item|Item Ref|Our Doc|Trans. Ref.|Source Doc|Invoice / Credit|Sales Doc.|Number|No.'
                .'|External Doc No',
            'customer' => 'Customer #|Cust. No.|Cust Code|Account|A/C|A/C No.|Acct|Debtor|Client Ref|Customer Code'
                .'|Customer Account|Customer ID|Cust Acct|A/R Account|Debtor A/C|Sold-to|Sold-to party'
                .'|Bill-to Customer|Acc No|Customer A/C|Debtor Code|Trading Partner|Cust No|Purchaser No.'
                .'|Customer Num|Ledger Account|Customer ref|Buyer Code|Debtor ID|Cust. Account|Payer No.'
                .'|Party Code|Customer|Cust|Cust #|Customer No|Client|Client No|Client #|Account Code|Account No'
                .'|Account Number|Ledger A/C|BP Code|Cust ID|Payer',
            'name' => 'Customer Name|Name|Cust. Name|Account Name|Company|Debtor Name|Client|Customer|Bill-to Name'
                .'|Party name|Customer Desc|Full Name|Debtor|Organisation|Account Description|Trader Name|Buyer'
                .'|Customer/Debtor name|Legal name|Business Name|Account holder|Cust Name|Client Name|Trading Name'
                .'|Legal Name|Buyer Name|Company Name|Account|Customer Description|Short Name|Full name',
            'date' => 'Date|Doc. Date|Inv Date|Invoice Dt|Posting Date|Issue Date|Date of Invoice|Tran Date'
                .'|Transaction Dt|Billing Date|Date Issued|Raised On|Doc Dt.|Dated|Bill Date|Created on'
                .'|Invoice posted|Trx Date|Invoicing date|Date raised|Effective date|Dt|Document Dt|Inv. Date'
                .'|Invoiced|Invoiced on|Doc Dt|Issued|Raised|Tax Point|Tax Date|Trans Date|Doc date|Document Dt.'
                .'|GL Date|Post Dt',
            'due_date' => 'Due|Due Dt|Due Date|Payment Due Date|Net Due|Date Due|Pay by|Maturity|Due on'
                .'|Payment date due|Due for payment|Expiry Date|Terms date|Payable on|Payment due|DueDate'
                .'|Settlement due|Net date|Payment by|Latest payment date|Dues|Due for payment on|Payable by'
                .'|Due By|Due Date (net)|Payable By|Payable|Falls due|Due Dt.|Net Due Date|Payment Date|Collect by'
                .'|Maturity Date|Expected Date|Terms Date',
            'currency' => 'Curr.|CCY|Currency|Currency Code|Cur|Doc. Currency|Trans Curr|Invoice Currency|Crncy'
                .'|Currency ISO|Cur. code|ISO|Curr code|Money|Fx|Doc Ccy|Cur.|Ccy Code|FX|Crcy|Tran Ccy'
                .'|Document Ccy',
            'amount' => 'Amount|Amt|Invoice Total|Gross Amt|Total incl. VAT|Original Amount|Orig. Amt|Doc Amount'
                .'|Value|Invoice Value|Total (inc. VAT)|Amount in doc. curr.|Invoice amt|Document total'
                .'|Net payable|Sum|Payable amount|Invoice Amount (gross)|Amount Inc Tax|Face value|Gross'
                .'|Tot. Amount|TotalAmount|Original Value|Invoiced|Billed|Gross total|Invoice gross|Amount billed'
                .'|Doc value|Total due incl tax|Total|Gross Amount|Inv Amt|Inv. Value|Total Amount|Amount (Gross)'
                .'|Amount inc VAT|Orig Amount|Original|Billed Amount|Invoiced amount|Amount charged',
            'open' => 'Outstanding|O/S Amount|Balance|Open Amt|Amount Due|Remaining Amt.|Open Balance|Balance Due'
                .'|Unpaid Amount|Still open|Bal. O/S|Outstanding Bal.|Owing|Amount Outstanding|Open Item Amount'
                .'|To pay|Amount o/s|Remaining Bal|Unallocated|Net outstanding|Amount still due|Remaining to pay'
                .'|Receivable|Balance outstanding|Left to pay|Open value|Not yet paid|Unsettled amount|O/S'
                .'|Outstanding Amount|Amt O/S|Amount outstanding|Unpaid|Amt Due|Remaining|Remaining Balance|Open'
                .'|Open amount|To collect|Amount owing|Still due',
            'kind' => 'Type|Doc. Type|Document Type|Trans. Type|Tran Type|Category|Doc Typ|Trx Type|Kind|Doc Class'
                .'|Transaction Type|Posting type|Doc kind|Posting Type|Nature|Doc Type|Trans|Tx Type|Txn Type'
                .'|Item Type|Doc|Entry Type|What',
            'debit' => 'Debit|Dr|Debit Amt|Debits|Dr.|Debit (EUR)|Debit Value|DR amount|Debit side|Dr (EUR)'
                .'|Debit Amount|DR Amount|Debit value|Charges|Dr Amt|Debits (EUR)',
            'credit' => 'Credit|Cr|Credit Amt|Credits|Cr.|Credit (EUR)|Credit Value|CR amount|Credit side|Cr (EUR)'
                .'|Credit Amount|CR Amount|Credit value|Payments/Credits|Cr Amt|Credits (EUR)',
            'marker' => 'D/C|Dr/Cr|DC|D/C Ind.|Sign|Debit/Credit|Indicator|C/D|Dr or Cr|Dr-Cr|D or C|Cr/Dr',
            'entry' => 'Journal|Jnl No.|Entry No.|JE #|Journal ID|Voucher No.|Trans. ID|Batch/Entry|Posting No'
                .'|Entry ID|Transaction No|Jrnl|Entry number|Posting reference|Jnl|Journal No|JE Number'
                .'|Posting No.|Trans #|Entry|Journal Entry|Batch|Jnl Ref',
            'account' => 'GL Account|Nominal|Nominal A/C|Account|G/L Acct|Ledger Code|Acct. No.|Account Code'
                .'|GL code|Ledger a/c|Main account|General ledger a/c|Acc. code|N/C|GL no.|Account #'
                .'|Nominal ledger code|Nominal Code|GL|G/L Account|Ledger Account|Acct|Nom. Code|GL Acc',
            'text' => 'Description|Narrative|Details|Text|Memo|Line description|Particulars|Comment|Posting text'
                .'|Journal memo|Reason|Item text|Remark|Posting description|Explanation|Reference Text|Line Text'
                .'|Desc|Desc.|Narration|Line memo',
            'money_in' => 'Paid In|Credit|Money In|Receipts|Credits|Deposits|Credit amount|Amount In|Cr amount'
                .'|Incoming|Credited|Received|Credit (in)|In|Amount in|Lodgements|Paid-in',
            'money_out' => 'Paid Out|Debit|Money Out|Payments|Debits|Withdrawals|Debit amount|Amount Out|Dr amount'
                .'|Outgoing|Debited|Paid|Spent|Debit (out)|Out|Amount out|Payments out|Paid-out',
            'balance' => 'Balance|Running Bal.|Closing Balance|Ledger Balance|Balance after|Account balance|Bal'
                .'|Balance (EUR)|New balance|Available balance|Running balance|Account Balance|Bal.|New Balance',
            'value_date' => 'Value Date|Val. Date|Value Dt|Value|Interest date|Value-dated|Valuta|Val date'
                .'|Val Date|Effective date',
            'party' => 'Counterparty|Payer / Payee|Name|Remitter|Counterparty name|Received from / paid to'
                .'|Payer name|Debtor/Creditor|Sender/Recipient|From/To|Payee|Payer|Other party|Sender|Paid by',
            'booked' => 'Date|Booking Date|Transaction Date|Posting Date|Entry date|Trans. date|Posted|Posted on'
                .'|Day|Entry Dt|Booked|Process Date',
            'email' => 'E-mail|Email address',
            'terms' => 'Terms|Payment Terms|Pmt Terms',
            'credit_limit' => 'Credit Limit|Cr. Limit',
            'country' => 'Country|Ctry',
            'tax_id' => 'VAT No.|Tax Reg. No.|VAT Reg No',
            'other' => 'User|Branch|Days overdue|Days late|Sales rep|Net|Tax|VAT|Cost centre|PO Number'
                .'|Dunning level|Status|City|Postcode|Line|Period|Ship-to|Remarks',
        ],
        'es' => [
            'document' => 'Nº Documento|Nº Fra.|Factura|Num. Factura|Documento|Nº doc.|Nº de factura|N. Doc'
                .'|Ref. documento|Núm. Doc.|Nro. Factura|Número|Doc.|Nº Fact.|Comprobante|Ref. Fra.'
                .'|Nº justificante|Nº Doc|Efecto|Nº efecto|Documento nº|Factura nº|N.º de documento|Doc. compra'
                .'|Nº registro|Referencia factura|Id. factura|Nº|Núm. Fra.|N.º factura|Código factura|Doc. Nº'
                .'|Nº comprobante',
            'customer' => 'Cód. Cliente|Cliente|Nº Cliente|Código|Cta. Cliente|Cód. Cli.|Núm. cliente'
                .'|Cuenta cliente|Deudor|ID Cliente|Cta. Deudor|Cód. Deudor|Cliente Nº|Tercero|Id. Cliente'
                .'|Cta. Auxiliar|Nº Deudor|Cuenta de cliente|Cod. Cli|Cliente (código)|Ref. cliente|Cód. Cl.'
                .'|Código de cliente|Código cliente|N.º cliente|Cuenta|Nº Cta. Cliente|Cód. tercero|Clave cliente',
            'name' => 'Nombre|Razón Social|Nombre cliente|Denominación social|Nombre o razón social|Nombre fiscal'
                .'|Nombre comercial|Razon soc.|Descripción cliente|Titular|Empresa|Cliente / Razón social'
                .'|Nombre deudor|Denominación cliente|Compañía|Cliente|Nombre del cliente|Nombre y apellidos',
            'date' => 'Fecha|F. Factura|Fecha Emisión|Fecha doc.|F. Emisión|Fecha de factura|Fecha expedición'
                .'|Fec. Doc.|Fecha de registro|Fecha alta|Fecha Fra.|F. Doc.|Fch. Emisión|F. Expedición'
                .'|Fecha asto.|Fecha de emisión|Fecha del documento|Fecha contabilización|Fec. factura|Emitida el'
                .'|Fecha documento|F. Emis.|Fecha fact.|Día|Fec. emisión|F.Exp.',
            'due_date' => 'Vencimiento|F. Vto.|Fecha Vto.|Vto.|Fecha de vencimiento|F. Vencimiento|Fec. Venc.'
                .'|Fecha venc.|Vence el|F.Vto|Fecha de pago prevista|Fecha límite de pago|F. Venc.|Fecha de vto.'
                .'|Vencimientos|Vence|Fecha pago|Plazo hasta|Fecha límite|Fecha de pago|Vcto.|Fecha vto',
            'currency' => 'Divisa|Moneda|Div.|Mon.|Cód. divisa|Cód. Moneda|Moneda doc.|ISO|Divisa doc.|Mda.'
                .'|Moneda ISO|Cód. moneda|Div',
            'amount' => 'Importe|Importe Total|Imp. Total|Total Factura|Total|Importe bruto|Importe orig.'
                .'|Imp. factura|Importe con IVA|Total con IVA|Importe doc.|Importe fra.|Total (IVA incl.)|Nominal'
                .'|Importe inicial|Imp. Bruto|Total doc.|Líquido total|Total a pagar|Importe neto + IVA|Valor'
                .'|Facturado|Monto total|Bruto|Importe en divisa|Importe €|Importe total|Total fra.'
                .'|Importe original|Importe documento',
            'open' => 'Pendiente|Imp. Pendiente|Saldo Pdte.|Pdte. Cobro|Importe pdte.|Saldo|Pendiente de cobro'
                .'|Restante|Importe abierto|Saldo vivo|Por cobrar|Imp. por cobrar|Deuda|Resto|Pte. cobro'
                .'|Saldo pendiente|Importe vivo|Pendiente cobro|A cobrar|Saldo deudor|Impagado|Queda pendiente'
                .'|Pdte.|Pendiente pago|Debe aún',
            'kind' => 'Tipo|Tipo Doc.|Tipo Documento|Clase doc.|Clase|Tipo de doc.|T. Doc|Clase de documento'
                .'|Tipo movimiento|Tipo Mov.|Naturaleza|Tp.|Documento tipo|Operación|Tipo mov.',
            'debit' => 'Debe|Cargo|Importe debe|Debe EUR|Importe Debe|Debe (EUR)|Deudor|Importe deudor|Imp. Debe'
                .'|Cargos|Debe (€)',
            'credit' => 'Haber|Abono|Importe haber|Haber EUR|Importe Haber|Haber (EUR)|Acreedor|Importe acreedor'
                .'|Imp. Haber|Abonos|Haber (€)',
            'marker' => 'D/H|Debe/Haber|Signo|D-H|Signo D/H|Debe / Haber|DH|D o H|Deb/Hab',
            'entry' => 'Asiento|Nº Asiento|Nº Asto.|Num. asiento|Diario/Asiento|Apunte|Nº Apunte|Nº de asiento'
                .'|Núm. Asto|Número asiento|Asiento contable|Id. apunte|N.º asiento|Asto.|Núm. asto.|Nº apunte'
                .'|Asiento nº|Póliza',
            'account' => 'Cuenta|Cta.|Cta. Contable|Subcuenta|Cuenta contable|Código cuenta|Cód. cuenta|Nº Cuenta'
                .'|Cuenta mayor|Cta|Número de cuenta|Cta. mayor|Código contable|Nº cuenta|N.º cta.',
            'text' => 'Concepto|Descripción|Texto|Glosa|Comentario|Concepto apunte|Detalle|Desc. apunte|Leyenda'
                .'|Concepto ampliado|Descripción apunte|Observación|Comentarios|Descrip.',
            'money_in' => 'Abonos|Haber|Ingresos|Abono|Entradas|Importe abono|Entrada|Cobros|A favor|Ingreso'
                .'|Haber €',
            'money_out' => 'Cargos|Debe|Gastos|Cargo|Pagos|Salidas|Importe cargo|Salida|Disposiciones|En contra'
                .'|Gasto|Debe €',
            'balance' => 'Saldo|Saldo posterior|Saldo disponible|Saldo contable|Saldo (EUR)|Saldo actual'
                .'|Saldo tras operación|Saldo final|Saldo tras mov.|Saldo €',
            'value_date' => 'Fecha Valor|F. Valor|Valor|F.Valor|Fecha de valor|Fec. valor|F/Valor|F. val.',
            'party' => 'Ordenante|Beneficiario|Ordenante/Beneficiario|Ordenante / Beneficiario|Nombre ordenante'
                .'|Contrapartida|Titular ordenante|Contraparte|Emisor|Pagador',
            'booked' => 'Fecha|F. Operación|Fecha operación|F. Contable|Fecha mov.|F. mov.|Fecha de operación'
                .'|Fecha apunte|Fecha registro',
            'email' => 'Correo|E-mail|Correo electrónico',
            'terms' => 'Cond. pago|Forma de pago|Condiciones pago',
            'credit_limit' => 'Límite crédito|Riesgo máximo',
            'country' => 'País',
            'tax_id' => 'NIF|CIF/NIF|N.I.F.',
            'other' => 'Usuario|Delegación|Días|Agente|Base imponible|IVA|Población|C.P.|Serie|Observaciones'
                .'|Comercial|Forma pago|Estado',
        ],
        'de' => [
            'document' => 'Beleg-Nr.|Rechn.-Nr.|Rg.-Nr.|Belegnr.|Rechnungs-Nr.|RE-Nummer|Beleg|OP-Nr.'
                .'|Rechnungsnummer|Dokumentennr.|Belegfeld 1|Re.-Nr.|Rechnung Nr|Beleg Nr|Rgnr|Dok.-Nr.'
                .'|Referenzbeleg|Rechnung|Vorgangsnummer|Faktura|Fakturanr.|Buchungsbeleg|Rechnungsreferenz'
                .'|Belegnr. extern|Zuordnung|Nummer|Nr.|Rechnung Nr.|RgNr|Re-Nr|Dokument|Belegreferenz'
                .'|Externe Belegnr.|Vorgang|Vorgangsnr.',
            'customer' => 'Kd.-Nr.|Kunden-Nr.|Debitoren-Nr.|Debitor|Kundennr.|Konto|Debitorenkonto|Kdnr|Deb.-Nr.'
                .'|Geschäftspartner|Kunde|Kundenkonto|Kunden-ID|Deb.-Konto|Personenkonto|Adressnr.|Kundencode'
                .'|Kundenref.|Debitor-Nummer|Kunde Nr|Konto Debitor|KundenNr|Auftraggeber-Nr.|Kundennummer'
                .'|Kunde Nr.|KdNr.|Deb. Konto|Kontonummer|Partner|Debitor Nr.|KuNr',
            'name' => 'Name|Kundenname|Firma|Name 1|Debitorname|Bezeichnung|Kurzname|Debitorenbezeichnung'
                .'|Kundenbezeichnung|Firmenname|Nachname/Firma|Kundename|Suchbegriff|Kundenbez.|Anschrift'
                .'|Vollständiger Name|Debitor Name|Name des Kunden|Kunde|Debitor|Kontobezeichnung|Kontoname'
                .'|Adresse Name|Käufer',
            'date' => 'Datum|Belegdat.|Rg.-Datum|Rechnungsdat.|Buch.-Datum|Belegdatum|Rechn.-Datum|Buchungsdatum'
                .'|Ausstellungsdatum|Rech.-Datum|Erstellt am|Beleg vom|Rechnung vom|Dat.|Fakturadatum'
                .'|Datum der Rechnung|Rechnungstag|Ausgestellt am|Erfasst am|Rechnungsdatum|RE-Datum|Ausgestellt'
                .'|Leistungsdatum|vom|Buchdat',
            'due_date' => 'Fälligkeit|Fällig am|Fälligkeitsdat.|Fällig|Netto-Fälligkeit|Zahlbar bis|Fälligk.'
                .'|Fäll.-Datum|Fällig per|Fälligkeitstag|Zahlungsfrist|Fällig zum|Zahlungsziel|Nettofälligkeit'
                .'|Fällig bis|Zahlungsziel am|Zahltermin|Fälligkeitstermin|Nettofällig|Fälligkeitsdatum|fällig'
                .'|Zahlung bis|Zahlungsziel Datum|Ziel|Netto fällig am',
            'currency' => 'Währung|Whrg.|WKZ|Belegwährung|Währ.|Whg|Währungskennz.|ISO-Währung|Währungscode|Whrg'
                .'|Währungsschlüssel|Wä.|Währung ISO|Transaktionswährung|Whg.',
            'amount' => 'Betrag|Bruttobetrag|Rechnungsbetrag|Rg.-Betrag|Betrag brutto|Belegbetrag|Urspr. Betrag'
                .'|Gesamtbetrag|Summe brutto|Endbetrag|Betrag (brutto)|Brutto|Forderung|Rechnungssumme|Gesamt'
                .'|Bruttosumme|Betrag inkl. MwSt|Originalbetrag|Fakturabetrag|Rechnungsendbetrag|Gesamt brutto'
                .'|Wert|Bruttowert|Summe|Rechn.-Betrag|Betrag in Belegwährung|Rechnungsbetrag brutto'
                .'|Ursprungsbetrag|Forderungsbetrag',
            'open' => 'Offen|OP-Betrag|Offener Betrag|Restbetrag|Saldo|Rest|Offener Saldo|Noch offen|OP-Saldo'
                .'|Restschuld|Offene Summe|Restforderung|Offener Rest|Ausstehend|Saldo offen|noch zu zahlen'
                .'|Unbezahlt|Offene Posten|Restsaldo|Ausstehender Betrag|Offenstand|zu zahlen|Forderungssaldo'
                .'|offen|offener Rest|Offene Forderung|Zu zahlen',
            'kind' => 'Art|Belegart|BA|Typ|Vorgangsart|Beleg-Art|Belegtyp|Dok.-Art|Buchungsart|Dokumentart'
                .'|Postenart|Belegkategorie|Belegkz.|Art des Belegs|Beleg Art|Vorgangstyp|Dokumenttyp|Bel.-Art',
            'debit' => 'Soll|Umsatz Soll|S|Soll EUR|Betrag Soll|Sollbetrag|Soll (EUR)|Sollumsatz|Soll-Betrag'
                .'|Lastschrift',
            'credit' => 'Haben|Umsatz Haben|H|Haben EUR|Betrag Haben|Habenbetrag|Haben (EUR)|Habenumsatz'
                .'|Haben-Betrag|Gutschrift',
            'marker' => 'S/H|SH|Soll/Haben-Kz|S/H-Kennz.|Soll-/Haben-Kennzeichen|Soll/Haben|S / H|SH-Kz'
                .'|Soll/Haben Kennung|S/H-Kz|Seite|SHKZ',
            'entry' => 'Buchungs-Nr.|Journalnr.|Buch.-Nr.|Buchungssatz|Journal-Nr.|Lfd. Nr.|Buchungsnummer|Buchung'
                .'|Buchungsnr|Belegnummer|Vorgang|Buchungs-ID|Satznr.|Journal|BuNr|Primanota',
            'account' => 'Konto|Konto-Nr.|Sachkonto|Kto.|Kto.-Nr.|Kontonummer|FIBU-Konto|Kontonr.|Hauptbuchkonto'
                .'|Sachkontonr.|Konto Nr|Konto Nummer|Kontierung|Fibukonto|SK',
            'text' => 'Buchungstext|Text|Bemerkung|Beschreibung|Buch.-Text|Postentext|Info|Zusatztext|Verwendung'
                .'|Buchungstext 1|Kommentar|Betreff|Notiz|Positionstext',
            'money_in' => 'Haben|Gutschrift|Eingang|Zugang|Gutschriften|Einnahme|Zahlungseingang|Zufluss'
                .'|Einzahlung|Haben EUR|Einnahmen|Zugänge',
            'money_out' => 'Soll|Belastung|Ausgang|Abgang|Lastschrift|Belastungen|Ausgabe|Zahlungsausgang|Abfluss'
                .'|Auszahlung|Soll EUR|Ausgaben|Abgänge',
            'balance' => 'Saldo|Kontostand|Saldo nach Buchung|Endsaldo|Saldo EUR|Neuer Saldo|Laufender Saldo'
                .'|Kontosaldo|Stand|Saldo neu',
            'value_date' => 'Valuta|Wertstellung|Valutadatum|Valuta-Datum|Wert|Valutierung|Valuta-Dat.|Wertst.'
                .'|Wertstellungsdatum|Val.',
            'party' => 'Auftraggeber|Name Auftraggeber/Empfänger|Begünstigter/Zahlungspflichtiger'
                .'|Auftraggeber / Begünstigter|Name|Zahler / Empfänger|Partner|Gegenkonto Name|Einzahler'
                .'|Zahlungspartner|Empfänger|Absender|Name des Partners',
            'booked' => 'Datum|Buchungstag|Buchungsdatum|Buch.-Tag|Buchung|Buchtag|Buchung am|Tag',
            'email' => 'E-Mail|E-Mail-Adresse',
            'terms' => 'Zahlungsbed.|Zahlungsbedingung|Zahlungsziel',
            'credit_limit' => 'Kreditlimit|Kred.-Limit',
            'country' => 'Land|LKZ',
            'tax_id' => 'USt-IdNr.|USt-ID|Steuernummer',
            'other' => 'Benutzer|Filiale|Verzug|Mahnstufe|Vertreter|Netto|MwSt|Kostenstelle|Ort|PLZ|Bemerkungen'
                .'|Tage überfällig|Straße|Sachbearbeiter',
        ],
        'fr' => [
            'document' => 'N° facture|Pièce|N° pièce|Réf. facture|Facture|N° de pièce|Num. pièce|Numéro|N° fact.'
                .'|Référence pièce|Réf. pièce|Document|N° Doc|Numéro de facture|No. pièce|N° de document'
                .'|Facture n°|Réf.|Pce|Document n°|N° de la facture|Réf. document|Id pièce|Numéro doc.'
                .'|N° bordereau|N°|Numéro facture|N° doc|Référence|N° justificatif|Fact.',
            'customer' => 'Code client|N° client|Client|Compte client|Compte tiers|Tiers|Réf. client|Code tiers'
                .'|Cpte client|Cpte aux.|CompAuxNum|Code cli.|No client|Cpt client|Identifiant client|Client n°'
                .'|Compte auxiliaire|Débiteur|Référence client|Cde client|N° de compte client|Code débiteur'
                .'|Client (code)|Id tiers|Cl.|Code|N° compte client|Auxiliaire|N° tiers',
            'name' => 'Nom|Raison sociale|Nom du client|Intitulé|Nom client|Intitulé du tiers|Libellé tiers'
                .'|CompAuxLib|Désignation client|Enseigne|Dénomination|Société|Nom / Raison sociale|Libellé client'
                .'|Nom complet|Client / Société|Nom du débiteur|Dénomination sociale|Client|Entreprise',
            'date' => 'Date|Date fact.|Date de facture|Date pièce|Date compta.|Date d\'émission|Date facturation'
                .'|Dt facture|PieceDate|Date doc.|Émis le|Date création|Date de pièce|Dt pièce|Facturé le'
                .'|Date saisie|Facture du|Date d\'établissement|Dte facture|Date du document|Émise le|Date émission'
                .'|Jour|Date pce',
            'due_date' => 'Échéance|Date éch.|Date d\'échéance|Ech.|Date échéance|À échéance du|Échéance le'
                .'|Date limite|Payable le|Éch.|Date de règlement prévue|Dt éch.|Date exigibilité|Échéances'
                .'|À payer avant le|Date de paiement|Dte éch|Exigible le|Limite de paiement|Échéance paiement'
                .'|À payer le|Date limite de paiement',
            'currency' => 'Devise|Dev.|Monnaie|Code devise|Idevise|Code ISO|Dev|Monnaie facture|Dev. doc.'
                .'|Unité monétaire|Monnaie ISO|Devise doc.|Code monnaie',
            'amount' => 'Montant|Montant TTC|Mt TTC|Total TTC|Mnt|Montant initial|Montant facture|Mont. TTC'
                .'|Montant d\'origine|Total facture|Total (TTC)|Valeur|Somme|Mt facture|Mt initial|Montant brut'
                .'|Net à payer|Total facturé|Prix TTC|Montant dû|Tot. TTC|TTC facture|Mnt TTC|TTC|Montant total'
                .'|Total|Somme facturée',
            'open' => 'Solde|Reste dû|Reste à régler|Restant dû|Solde dû|Montant restant|Reste à payer|Non réglé'
                .'|Encours|Solde restant|Reste|Solde à payer|Impayé|Mt restant|Reste à encaisser|Solde dû TTC'
                .'|En-cours|À recouvrer|Dû|Solde client|Reste à solder|Non soldé|Créance|Montant dû|Montant ouvert'
                .'|À recevoir|Reliquat|À encaisser',
            'kind' => 'Type|Nature|Type doc.|Type de document|Type pièce|Nature pièce|Type mvt|Type opération'
                .'|Genre|Catégorie|Type écriture|Typ.|Nature document|Type de pièce|Nature doc.|Pièce type',
            'debit' => 'Débit|Mt débit|Montant débit|Débit EUR|Debit|Mvt débit|Débits|Débiteur|Somme débit'
                .'|Montant Débit|Débit (€)',
            'credit' => 'Crédit|Mt crédit|Montant crédit|Crédit EUR|Credit|Mvt crédit|Crédits|Créditeur'
                .'|Somme crédit|Montant Crédit|Crédit (€)',
            'marker' => 'Sens|D/C|Sens (D/C)|Débit/Crédit|Signe|D / C|Débit ou crédit|D ou C|Sens mvt',
            'entry' => 'N° écriture|Écriture|N° mouvement|EcritureNum|N° d\'écriture|N° mvt|N° pièce comptable'
                .'|N° saisie|N° opération|Mouvement|Réf. écriture|N° journal|N° écr.|Num. écriture|Écriture n°'
                .'|N° pièce compta',
            'account' => 'Compte|N° compte|Cpte|Compte général|CompteNum|Cpte gén.|N° de compte|N° Cpte'
                .'|Compte gén.|Compte comptable|N° cpt général|Cpte n°|Numéro compte|Compte PCG|N° cpte|Cpt'
                .'|Code compte|Cpte général',
            'text' => 'Libellé|Libellé écriture|EcritureLib|Désignation|Commentaire|Lib. écriture'
                .'|Libellé mouvement|Motif|Libellé opération|Texte|Intitulé|Description|Objet|Lib.|Détail',
            'money_in' => 'Crédit|Recettes|Encaissements|Entrées|Encaissement|Entrée|Mouvements crédit|Crédits'
                .'|Montant crédit|Reçu',
            'money_out' => 'Débit|Dépenses|Décaissements|Sorties|Décaissement|Sortie|Mouvements débit|Débits'
                .'|Montant débit|Payé',
            'balance' => 'Solde|Solde courant|Solde après opération|Solde (EUR)|Solde comptable|Nouveau solde'
                .'|Solde progressif|Solde €',
            'value_date' => 'Date valeur|Valeur|Date de valeur|Dt valeur|Dt val.|Valeur le|Date val.|D. valeur',
            'party' => 'Donneur d\'ordre|Contrepartie|Tiers|Bénéficiaire|Émetteur|Nom du tiers'
                .'|Émetteur / Bénéficiaire|Partie adverse|Tiers payeur',
            'booked' => 'Date|Date opération|Date comptable|Date d\'opération|Date op.|Comptabilisé le|Opération le'
                .'|Dt compta',
            'email' => 'Courriel|E-mail|Adresse mail',
            'terms' => 'Conditions règlement|Délai de paiement|Mode règlement',
            'credit_limit' => 'Plafond|Encours autorisé',
            'country' => 'Pays',
            'tax_id' => 'N° TVA|TVA intracom.|SIRET',
            'other' => 'Utilisateur|Agence|Retard (j)|Représentant|HT|TVA|Ville|CP|Relance|Commentaires'
                .'|Jours de retard|Journal|Lettrage',
        ],
        'it' => [
            'document' => 'N. doc.|Nr. fattura|Numero doc.|Documento|Num. Fattura|Fattura n.|N. fatt.|Nr. Doc'
                .'|Numero|Rif. documento|Protocollo IVA|N° Fattura|Num. Doc.|Doc. n.|Fatt. nr.|N.Doc|Riferimento'
                .'|Documento nr.|Nr. documento|Fatt. N.|Num fatt|Rif. fattura|Doc nr|Numero e serie|N.'
                .'|Numero fattura|N. fattura|Nr.|Fattura|Rif. doc.|N. docum.',
            'customer' => 'Cod. cliente|Cliente|Cod. cli.|Codice|Conto cliente|Codice anagrafica|Nr. cliente'
                .'|Codice debitore|Cod. anagr.|Cod. conto cliente|Cliente nr.|ID cliente|Debitore|N. cliente'
                .'|Cliente cod.|Cod.Cli.|Conto deb.|Id anagrafica|Codice C/F|Codice cliente|Cod.|C/Cliente'
                .'|Cod. sogg.|Soggetto',
            'name' => 'Ragione Sociale|Rag. soc.|Nome cliente|Intestatario|Denominazione|Descrizione cliente'
                .'|Nominativo|Nome/Ragione sociale|Descr. cliente|Anagrafica|Rag.Sociale|Azienda|Nome e cognome'
                .'|Ragione soc.|Descrizione anagrafica|Nome azienda|Cliente|Denominazione cliente'
                .'|Ragione sociale cliente|Nome',
            'date' => 'Data|Data doc.|Data fatt.|Data emissione|Dt. documento|Data documento|Data registrazione'
                .'|Data reg.|Data fattura|Emessa il|Del|Data del documento|Dt. fattura|Data compet.'
                .'|Data di emissione|Data reg|Data creazione|Emissione|Dt. emis.|Data doc|Dt fatt.',
            'due_date' => 'Scadenza|Data scad.|Scad.|Dt. scadenza|Data di scadenza|Scade il|Scad. pagamento'
                .'|Data pagamento prevista|Termine di pagamento|Scadenza il|Dt. scad.|Scade|Data scadenza pag.'
                .'|Scad|Pagabile entro|Data di pagamento|Termine|Scadenza pagamento|Da pagare entro|Sc.'
                .'|Data scadenza|Entro il',
            'currency' => 'Valuta|Divisa|Val.|Cod. valuta|Codice ISO|Moneta|Val|Valuta doc.|Cod.val.|Div|Div.'
                .'|Codice divisa',
            'amount' => 'Importo|Totale doc.|Imp. totale|Importo lordo|Totale fattura|Importo originario'
                .'|Imp. documento|Totale|Lordo|Totale (IVA incl.)|Tot. documento|Tot. fatt.|Imp. lordo|Valore'
                .'|Importo iniziale|Importo totale doc.|Totale a pagare|Tot. lordo|Importo doc|Totale con IVA'
                .'|Fatturato|Ammontare|Imp. fattura|Tot. doc.|Totale IVA incl.|Importo fattura|Tot. fattura'
                .'|Importo totale',
            'open' => 'Residuo|Imp. residuo|Saldo|Da incassare|Importo aperto|Scoperto|Saldo residuo'
                .'|Importo da saldare|Insoluto|Ancora da pagare|Rimanenza|Imp. aperto|Da pagare|Saldo aperto'
                .'|Esposizione|Credito residuo|Da saldare|Aperto|Importo residuo da incassare|Non pagato|Resto'
                .'|Residuo da incassare|Importo residuo',
            'kind' => 'Tipo|Tipo doc.|Causale|Tipo documento|Cod. causale|Tipo mov.|Tipologia|Natura'
                .'|Tipo di documento|Tipo registrazione|Cat. documento|Genere|Tp doc|Tipo operazione',
            'debit' => 'Dare|Importo Dare|Imp. dare|Dare EUR|Dare (EUR)|Tot. dare|Dare €|Colonna dare|Dare (€)'
                .'|Importo in dare|D',
            'credit' => 'Avere|Importo Avere|Imp. avere|Avere EUR|Avere (EUR)|Tot. avere|Avere €|Colonna avere'
                .'|Avere (€)|Importo in avere|A',
            'marker' => 'D/A|Segno|Dare/Avere|D / A|Segno D/A|Dare / Avere|Segno (D/A)|D o A',
            'entry' => 'N. registrazione|Reg. n.|Num. reg.|Prot.|Nr. reg.|Registrazione|Num. mov.|N. mov.'
                .'|Nr. registrazione|Numero reg.|Nr. movimento|Id registrazione|Articolo|Scrittura|N. scrittura'
                .'|Art.|Reg.',
            'account' => 'Conto|Cod. conto|Sottoconto|Codice conto|Mastro/Conto|Codice c.|Conto co.ge.'
                .'|Cod. sottoconto|N. conto|Conto contabile|Cod.conto|Numero conto|Conto COGE',
            'text' => 'Descrizione|Causale|Note|Descr.|Descrizione movimento|Descrizione causale|Testo|Annotazioni'
                .'|Descriz.|Note riga|Descrizione operazione|Oggetto|Causale contabile|Dettaglio',
            'money_in' => 'Entrate|Avere|Accrediti|Accredito|Entrata|Imp. avere|Movimenti avere|Incassi'
                .'|Importo avere',
            'money_out' => 'Uscite|Dare|Addebiti|Addebito|Uscita|Imp. dare|Movimenti dare|Pagamenti|Importo dare',
            'balance' => 'Saldo|Saldo contabile|Saldo progressivo|Saldo disponibile|Saldo EUR|Saldo finale'
                .'|Saldo dopo operazione|Saldo disp.|Nuovo saldo',
            'value_date' => 'Valuta|Data valuta|Dt. valuta|Val.|Data val.|Data di valuta|Dt.val.|Valuta il',
            'party' => 'Ordinante|Controparte|Ordinante/Beneficiario|Beneficiario|Nome controparte'
                .'|Ordinante / Beneficiario|Nominativo controparte|Mittente|Pagatore',
            'booked' => 'Data|Data contabile|Data operazione|Data mov.|Data reg.|Contabile|Data registrazione'
                .'|Operazione',
            'email' => 'E-mail|PEC',
            'terms' => 'Cond. pagamento|Pagamento',
            'credit_limit' => 'Fido|Fido concesso',
            'country' => 'Nazione|Paese',
            'tax_id' => 'P. IVA|Partita IVA|P.IVA/C.F.',
            'other' => 'Utente|Filiale|GG ritardo|Agente|Imponibile|IVA|Città|CAP|Note|Giorni scaduto|Zona',
        ],
        'pt' => [
            'document' => 'Nº Doc.|Documento|N.º Fatura|Fatura|Núm. Doc.|Nº documento|Doc. n.º|Número doc.'
                .'|Nº da fatura|Refª documento|Fatura nº|Num. Documento|Nº Fat.|Ref. Doc.|N.Doc.|Doc|Título'
                .'|Doc. Nº|Número da fatura|Ref. fatura|Id documento|Nº do doc.|Documento origem|Número|N.º'
                .'|Fatura n.º|N.º doc.|Nº fat.|Ref. doc.|Doc.',
            'customer' => 'Cliente|Cód. Cliente|Nº Cliente|Conta|Entidade|Código|Cód. entidade|Conta cliente'
                .'|Cód. Cli.|Cliente nº|Terceiro|Conta corrente|Id Cliente|Nº conta cliente|Cliente código'
                .'|Nº entidade|Código do cliente|Ref. cliente|Conta de terceiro|Código cliente|N.º cliente'
                .'|Cód. terceiro|ID cliente',
            'name' => 'Nome|Nome Cliente|Designação|Razão social|Nome do cliente|Nome entidade|Nome fiscal'
                .'|Denominação|Razão Soc.|Empresa|Descrição cliente|Nome / Firma|Nome da empresa|Firma'
                .'|Cliente nome|Cliente|Nome do terceiro',
            'date' => 'Data|Data Doc.|Data Emissão|Dt. Emissão|Data de emissão|Data documento|Dt. doc.|Data lanç.'
                .'|Emissão|Data fat.|Emitido em|Dt. fatura|Data de doc.|Dt. documento|Data da fatura|Data registo'
                .'|Emitida em|Data fatura|Dt. fat.|Dia',
            'due_date' => 'Vencimento|Data Venc.|Dt. Vencimento|Data de vencimento|Vence em|Data vencim.|Vcto.'
                .'|Dt. Venc.|Data limite|Data limite pagamento|Vence|Data de pagamento|Data venc|Data vcto'
                .'|Prazo pagamento|Pagar até|Vencimento em|Vencto.|Venc.|Data pagamento',
            'currency' => 'Moeda|Div.|Divisa|Cód. moeda|Código moeda|ISO|Moeda doc.|Moeda ISO|Cód. divisa'
                .'|Unid. monetária',
            'amount' => 'Valor|Total|Valor Total|Montante|Total c/ IVA|Valor documento|Valor orig.|Total documento'
                .'|Valor bruto|Valor da fatura|Valor ilíquido total|Total (c/IVA)|Vlr. Total|Total bruto'
                .'|Importância|Total a pagar|Valor faturado|Valor c/ IVA|Total da fatura|Preço total|Valor do doc.'
                .'|Total fatura|Montante total|Total com IVA|Valor original',
            'open' => 'Pendente|Em aberto|Valor pendente|Saldo|Valor em dívida|Por regularizar|Saldo pendente'
                .'|Em dívida|Saldo em aberto|Por pagar|Valor aberto|Restante|Falta receber|Montante em dívida'
                .'|A receber|Dívida|Saldo devedor|Não pago|Em falta|Valor em falta|A liquidar|Por receber'
                .'|Por liquidar|Valor em aberto|Resta',
            'kind' => 'Tipo|Tipo Doc.|Tipo documento|Tp. Doc.|T. doc.|Tipo mov.|Natureza doc.|Espécie|Tipo de doc.'
                .'|Tipologia|Tipo lançamento|Classe doc.|Tipo de documento',
            'debit' => 'Débito|Valor débito|Débito EUR|Deb.|Valor a débito|Débitos|A débito|Movimento débito'
                .'|Débito (€)',
            'credit' => 'Crédito|Valor crédito|Crédito EUR|Cred.|Valor a crédito|Créditos|A crédito'
                .'|Movimento crédito|Crédito (€)',
            'marker' => 'D/C|Natureza|Sinal|Débito/Crédito|D / C|Deb/Cred|Natureza D/C|D ou C',
            'entry' => 'Lançamento|Nº Lanç.|Nº lançamento|Nº movimento|N. Diário|Nº do lançamento|Mov.|Nº operação'
                .'|Nº de lançamento|Id lançamento|Documento interno|N.º lanç.|Lanç.|Nº diário|Registo',
            'account' => 'Conta|Cód. Conta|Conta SNC|Conta contab.|Nº conta|Conta geral|Código da conta|Cta.'
                .'|Código de conta|Conta razão|N. conta|N.º conta|Conta POC|Cta',
            'text' => 'Descrição|Descritivo|Histórico|Observações|Descr.|Texto|Notas|Detalhe|Descrição mov.'
                .'|Comentário|Descritivo mov.|Obs.',
            'money_in' => 'Créditos|Entradas|Crédito|A crédito|Entrada|Valor crédito|Recebimentos'
                .'|Movimentos a crédito',
            'money_out' => 'Débitos|Saídas|Débito|A débito|Saída|Valor débito|Pagamentos|Movimentos a débito',
            'balance' => 'Saldo|Saldo contabilístico|Saldo após movimento|Saldo (EUR)|Saldo disponível|Saldo final'
                .'|Saldo actual|Novo saldo',
            'value_date' => 'Data valor|Dt. valor|Data-valor|Data de valor|D. valor|Data-val.|Dt valor|Valor em'
                .'|Data do valor',
            'party' => 'Ordenante|Contraparte|Beneficiário|Entidade|Ordenante/Beneficiário|Nome contraparte'
                .'|Ordenador|Remetente|Pagador',
            'booked' => 'Data|Data mov.|Data movimento|Data lanç.|Data operação|Data contab.|Movimento em'
                .'|Data lançamento|Data registo',
            'email' => 'E-mail|Email',
            'terms' => 'Cond. pagamento|Prazo',
            'credit_limit' => 'Limite crédito|Plafond',
            'country' => 'País',
            'tax_id' => 'NIF|Contribuinte|Nº contrib.',
            'other' => 'Utilizador|Filial|Dias atraso|Vendedor|Incidência|IVA|Localidade|Cód. Postal|Observações'
                .'|Zona|Série',
        ],
        'nl' => [
            'document' => 'Fact.nr.|Factuurnr|Factuur|Stuknr.|Documentnr.|Boekstuknr.|Factuur-nr|Factuurnummer'
                .'|Bkst.nr.|Ref. document|Volgnummer factuur|Factuur nr.|Docnr|Boekstuk|Referentie|Fact. nr|Stuk'
                .'|Documentnummer|Factuur ID|Docnummer|Ref. factuur|Bonnummer|Factuurref.|Stukref.|Nr.|Nummer'
                .'|Fact. nr.|Document|Factuurcode',
            'customer' => 'Deb.nr.|Klantnr.|Debiteur|Klant|Debiteurnr|Relatienr.|Relatiecode|Klant-ID|Deb. code'
                .'|Debiteurcode|Klant nr|Debnr.|Relatie|Debiteur nr.|Afnemer|Klantcode|Debiteur-ID|Klantref.'
                .'|Rel.nr.|Klant code|Deb. nummer|Afnemersnr.|Klantnummer|Klant nr.|Debiteurnummer|Debnr'
                .'|Rekeninghouder',
            'name' => 'Naam|Debiteurnaam|Bedrijf|Klantnaam|Naam debiteur|Naam relatie|Omschrijving debiteur'
                .'|Zoeknaam|Naam klant|Organisatie|Firmanaam|Debiteurennaam|Klant naam|Klant/Bedrijf'
                .'|Volledige naam|Relatienaam|Firma|Klant|Debiteur|Bedrijfsnaam',
            'date' => 'Datum|Fact.datum|Factuurdat.|Boekdatum|Documentdatum|Datum factuur|Boek.datum|Stukdatum'
                .'|Opgemaakt op|Dat. factuur|Datum document|Stuk datum|Fact. dat.|Datum van factuur|Uitgiftedatum'
                .'|Datum boeking|Dat.|Aangemaakt op|Factuurdatum|Opgemaakt|Gefactureerd op|Docdatum',
            'due_date' => 'Vervaldatum|Verv.datum|Vervaldag|Uiterste betaaldatum|Verv.dat.|Vervalt op'
                .'|Te betalen voor|Vervalt|Betaaldatum uiterlijk|Verval|Betalen voor|Vervaldat|Te betalen vóór'
                .'|Betaaldatum|Betaaltermijn|Vervaltdatum|Vervalt per|Te betalen op',
            'currency' => 'Valuta|Munt|Val.|Muntsoort|Valutacode|ISO-code|Munteenheid|Muntcode|Valuta ISO|Mnt.'
                .'|Valutasoort|Valuta code',
            'amount' => 'Bedrag|Factuurbedrag|Bedrag incl.|Totaal|Totaalbedrag|Bedrag incl. BTW|Oorspr. bedrag'
                .'|Bruto bedrag|Bedrag factuur|Totaal incl.|Bruto|Som|Bedrag (incl.)|Totaalbedr.|Factuur bedrag'
                .'|Oorspronkelijk|Totaal te betalen|Gefactureerd|Totaal bruto|Bruto factuurbedrag|Factuurtotaal'
                .'|Waarde|Oorspronkelijk bedrag|Factuursom',
            'open' => 'Openstaand|Open bedrag|Saldo|Nog open|Openst. bedrag|Restbedrag|Nog te ontvangen|Open saldo'
                .'|Te ontvangen|Nog te betalen|Resterend|Restant|Onbetaald|Openst. saldo|Openstaand bedr.'
                .'|Te betalen|Nog te voldoen|Openstaande post|Rest bedrag|Nog verschuldigd|Saldo open|Te innen'
                .'|Open|Openstaand bedrag|Te vorderen|Openst.',
            'kind' => 'Soort|Type|Documentsoort|Srt|Soort stuk|Boekingstype|Stuksoort|Doc.soort|Srt. doc'
                .'|Documenttype|Soort document|Doctype|Aard|Transactiesoort|Type stuk',
            'debit' => 'Debet|Bedrag debet|Deb.|Debet EUR|Debetbedrag|Debet (EUR)|Debetzijde|D-bedrag|Debet (€)|D',
            'credit' => 'Credit|Bedrag credit|Cred.|Credit EUR|Creditbedrag|Credit (EUR)|Creditzijde|C-bedrag'
                .'|Credit (€)|C',
            'marker' => 'D/C|DC|Debet/Credit|D / C|Debet/credit|Debet of credit|D/C code|Deb/Cred|D of C',
            'entry' => 'Boekstuk|Boekingsnr.|Mutatienr.|Stuknummer|Journaalpost|Boeknr.|Boeking|Boekingsnummer'
                .'|Mutatie|Journaalnr.|Boekings-ID|Postnummer|Post|Journaal nr.',
            'account' => 'Rekening|Grootboekrek.|Rek.nr.|GB-rekening|Grootboek|Rekeningnr.|Grootboeknr.|Rek.'
                .'|Grootboekrekening|Rekening nr|GB rek.|Grootboek code|GB|Rekeningnummer|Grb.rek.',
            'text' => 'Omschrijving|Omschr.|Toelichting|Opmerking|Tekst|Omschrijving boeking|Memo|Notitie'
                .'|Opmerkingen|Beschrijving|Betreft|Boekingsomschrijving',
            'money_in' => 'Bij|Credit|Ontvangsten|Bijgeschreven|Ontvangst|Bedrag bij|Inkomend|Bijschrijving'
                .'|Inkomsten|Credit €|Ontvangen',
            'money_out' => 'Af|Debet|Uitgaven|Afgeschreven|Uitgave|Bedrag af|Uitgaand|Afschrijving|Debet €|Betaald',
            'balance' => 'Saldo|Saldo na mutatie|Saldo na boeking|Saldo rekening|Eindsaldo|Nieuw saldo'
                .'|Lopend saldo|Stand',
            'value_date' => 'Valutadatum|Rentedatum|Valutadat.|Valuta|Rente datum|Valutadag|Val.datum',
            'party' => 'Tegenpartij|Naam tegenpartij|Naam/Omschrijving|Naam|Begunstigde|Tegenrekening naam'
                .'|Naam begunstigde|Van/aan|Opdrachtgever|Betaler',
            'booked' => 'Datum|Boekdatum|Transactiedatum|Boekingsdatum|Boekdat.|Verwerkt op|Mutatiedatum|Dag',
            'email' => 'E-mail|E-mailadres',
            'terms' => 'Bet.conditie|Betalingstermijn|Betaalconditie',
            'credit_limit' => 'Kredietlimiet',
            'country' => 'Land|Landcode',
            'tax_id' => 'BTW-nummer|BTW-nr.',
            'other' => 'Gebruiker|Vestiging|Dagen te laat|Vertegenwoordiger|Netto|BTW|Plaats|Postcode|Opmerkingen'
                .'|Aanmaning|Kostenplaats',
        ],
    ];

    /** Invoice, credit note and receipt. */
    public const KINDS = [
        'en' => [
            ['Invoice', 'Credit Note', 'Payment'],
            ['INV', 'CRN', 'PMT'],
            ['Sales Inv.', 'Cr. Memo', 'Receipt'],
            ['SI', 'SC', 'SR'],
            ['IN', 'CR', 'PY'],
            ['Invoices', 'Credit memos', 'Customer receipts'],
            ['Inv', 'C/N', 'Rcpt'],
        ],
        'es' => [
            ['Factura', 'Abono', 'Cobro'],
            ['FAC', 'ABO', 'COB'],
            ['Fra.', 'N. Crédito', 'Pago'],
            ['FV', 'NC', 'RC'],
            ['Factura venta', 'Rectificativa', 'Cobro cliente'],
        ],
        'de' => [
            ['Rechnung', 'Gutschrift', 'Zahlung'],
            ['RE', 'GU', 'ZA'],
            ['RG', 'GS', 'ZE'],
            ['DR', 'DG', 'DZ'],
            ['Rechnungen', 'Gutschriften', 'Zahlungseingang'],
            ['AR', 'RK', 'ZE'],
        ],
        'fr' => [
            ['Facture', 'Avoir', 'Règlement'],
            ['FAC', 'AVO', 'REG'],
            ['FA', 'AV', 'RG'],
            ['Fact.', 'Av.', 'Règl.'],
            ['Facture client', 'Avoir client', 'Encaissement'],
        ],
        'it' => [
            ['Fattura', 'Nota di credito', 'Incasso'],
            ['FT', 'NC', 'INC'],
            ['Fatt.', 'Nota cred.', 'Pag.'],
            ['FATT', 'NCRE', 'INCA'],
            ['Fattura vendita', 'Nota credito', 'Pagamento cliente'],
        ],
        'pt' => [
            ['Fatura', 'Nota de crédito', 'Recibo'],
            ['FT', 'NC', 'RE'],
            ['FAT', 'NCR', 'REC'],
            ['Fatura venda', 'N. Crédito', 'Recebimento'],
        ],
        'nl' => [
            ['Factuur', 'Creditnota', 'Betaling'],
            ['FACT', 'CN', 'BET'],
            ['VF', 'CF', 'BT'],
            ['Verkoopfactuur', 'Creditfactuur', 'Ontvangst'],
            ['Fact.', 'Cred.nota', 'Bet.'],
        ],
    ];

    public const TOTALS = [
        'en' => ['Total', 'Grand Total', 'TOTAL EUR', 'Report total'],
        'es' => ['Total', 'TOTAL GENERAL', 'Suma', 'Totales'],
        'de' => ['Summe', 'Gesamtsumme', 'Summe gesamt', 'Gesamt'],
        'fr' => ['Total', 'Total général', 'TOTAUX', 'Somme'],
        'it' => ['Totale', 'Totale generale', 'TOTALI'],
        'pt' => ['Total', 'Total geral', 'Totais'],
        'nl' => ['Totaal', 'Eindtotaal', 'Totalen'],
    ];

    public const TOTAL_OF = [
        'en' => 'Total for %s',
        'es' => 'Total cliente %s',
        'de' => 'Summe %s',
        'fr' => 'Total client %s',
        'it' => 'Totale cliente %s',
        'pt' => 'Total %s',
        'nl' => 'Totaal %s',
    ];

    public const MONTHS = [
        'en' => 'Jan|Feb|Mar|Apr|May|Jun|Jul|Aug|Sep|Oct|Nov|Dec',
        'es' => 'ene|feb|mar|abr|may|jun|jul|ago|sep|oct|nov|dic',
        'de' => 'Jan|Feb|Mär|Apr|Mai|Jun|Jul|Aug|Sep|Okt|Nov|Dez',
        'fr' => 'janv|févr|mars|avr|mai|juin|juil|août|sept|oct|nov|déc',
        'it' => 'gen|feb|mar|apr|mag|giu|lug|ago|set|ott|nov|dic',
        'pt' => 'jan|fev|mar|abr|mai|jun|jul|ago|set|out|nov|dez',
        'nl' => 'jan|feb|mrt|apr|mei|jun|jul|aug|sep|okt|nov|dec',
    ];
}
