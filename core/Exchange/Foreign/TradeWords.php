<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Foreign;

use Ajuste\Core\Money\Currency;

/**
 * The words of which the trade makes headings, in English, Spanish, German, French, Italian, Portuguese and Dutch (common practice). Words
 * that are written together, as in German and Dutch, are taken apart, and short forms are found by how they begin.
 */
final class TradeWords
{
    /** Words by what they speak of, written plainly; a word may speak of several things. */
    private const WORDS = [
        'Document' => 'beleg belegs bescheid bill billing bkst boekstuk bon bonnummer bordereau comprobante doc docs '
            .'docto docum document documento documentos documents dokument dokumenten duplicata efecto extern external '
            .'externo fac fact factura facturacion facturas facturation facture facturen factures factuur faktur faktura '
            .'fakturen faktuur fat fatt fattura fatture fatura faturas folio fra ft inv invoice invoices item justificante '
            .'justificatif nf nfe op opos origem partita pce piece pieces posten re receipt receipts rech rechn rechnung '
            .'rechnungs recibo registro rg riferimento stuk titulo tran trans transaction transid trx txn vorgang vorgangs '
            .'voucher',
        'Number' => 'clave cod code codes codice codigo feld field id ident identifiant identifier kennung key n nbr '
            .'nbre no nos nr nro nrs num number numbers numer numero nummer nummern seq sequence sequenza volgnr volgnummer',
        'Reference' => 'aktenzeichen cheque chq kenmerk ref refa reference references referencia referentie referenz '
            .'referenznummer refs rif riferimento zeichen',
        'Order' => 'albaran auftrag auftrags bestell bestelling bestellnummer bestellung commande encomenda ihr ihre '
            .'order ordine pedido po purchase su sua uw vostro votre your',
        'Customer' => 'abnehmer abnehmers adress afnemer afnemers anagr anagrafica ar aux auxiliaire bp buyer '
            .'cessionario cl cli client cliente clientes clients clt clte comprador cus cust customer customers deb '
            .'debiteur debiteuren debiteurs debitor debitore debitoren debitori debtor debtors deudor deudores devedor '
            .'entidade geschaeftspartner geschaftspartner kd klant klanten ku kunde kunden partner payer personen '
            .'personenkonto purchaser receivable receivables redevable rekeninghouder rel relatie sacado sogg soggetto '
            .'terceiro tercero terceros tiers',
        'Account' => 'ac acc account accounts acct coa coge comp compte comptes conta contab contabil contable contas '
            .'conti conto cpt cpte cptes cta ctas cuenta cuentas fibu gb gen general generale gl grootboek '
            .'grootboekrekening hauptbuch hauptbuchkonto konten kontierung konto kto ledger main mastro mayor nominal pcg '
            .'pdc poc razao rek rekening sachkonto sk snc sottoconto subcuenta',
        'Name' => 'anagrafica anschrift apellidos azienda bedrijf bedrijfs bedrijfsnaam bezeichnung business cognome '
            .'compania companies company denominacao denominacion denomination denominazione desc designacao ditta empresa '
            .'empresas enseigne entreprise firm firma firmen fiscal full holder intestatario intestazione intitule kurzname '
            .'legal naam nachname name namen names nom nombre nombres nome nominativo noms organisatie organisation '
            .'organization rag ragione raison razao razon short soc social sociale societa societe suchbegriff suchname '
            .'titular trader unternehmen volledige vollstaendiger vollstandiger zoeknaam',
        'Party' => 'absender adverse auftraggeber beguenstigter begunstigde begunstigter beneficiaire beneficiario '
            .'beneficiary betaler contraparte contrepartie controparte counterparty debtor donneur einzahler emetteur '
            .'emisor empfaenger empfanger gegenkonto gegenpartei mittente nominativo opdrachtgever ordenador ordenante '
            .'ordering ordinante ordre originator pagador pagante pagatore partner party payee payer payers recipient '
            .'remetente remitter sender tegenpartij tiers titular zahler zahlungsbeteiligter zahlungspartner '
            .'zahlungspflichtiger',
        'Date' => 'dag dat data date dated dates datum datums day dia dt dte f fch fec fecha fechas giorno jour tag '
            .'tags termin',
        'Due' => 'betaaltermijn collect due dues ech echeance echeances entro exigibilite exigible expected expiry '
            .'faellig faelligkeit faelligkeits fall fallig falligkeit falligkeits falligkeitsdatum falls frist fristig '
            .'latest limit limite maturity payable plazo prazo sc scad scade scadenza scadenze settlement termine uiterlijk '
            .'uiterste vcto venc vence vencim vencimento vencimentos vencimiento vencimientos verv verval vervaldag '
            .'vervaldatum vervalt vto vtos zahlbar zahltermin zahlungsfrist zahlungsziel ziel',
        'Issue' => 'aangemaakt alta ausgestellt ausstellung billed creacion creado created creation creazione del '
            .'effective emessa emesse emesso emis emise emision emissao emission emissione emitida emitido erfasst erstellt '
            .'erstellung establecimiento etablissement expedicion expedida expedido facturada facturado facture faktura '
            .'gefactureerd invoiced invoicing issue issued leistung leistungs opgemaakt raised uitgifte uitgiftedatum vom',
        'Posting' => 'accounting apunte boek boeking boekings book booked booking bu buch buchung buchungs competenza '
            .'compta comptabilisation comptable contabile contabilistica contabilistico contable ecriture entry erfassung '
            .'gebucht kontierung lanc lancamento mouvement mouvements mov movimenti movimento movimentos movimiento mto '
            .'mutatie mvt mvto oper operacao operacion operation operazione post posted posting process processed reg '
            .'registrazione registro saisie transactie verwerkt',
        'Value' => 'interest rente val valeur valor value valued valuta wert wertstellung wertstellungs',
        'Currency' => 'ccy crcy crncy cur curr currencies currency dev devise devises div divisa divisas fx idevise '
            .'iso mda mnt moeda mon moneda moneta monetaire monnaie munt munteenheid muntsoort transaktion unid unidad '
            .'unite val valuta valutasoort wae waehr waehrung waehrungs wahr wahrung wahrungs whg whrg wkz wrg',
        'Amount' => 'ammontare amnt amount amounts amt bdrg bedr bedrag bedragen betr betrag betrage billed '
            .'bruttowert btr charged endbetrag face facturado factuurtotaal fakturabetrag fatturato forderung gefactureerd '
            .'gesamtbetrag imp importancia importe importes importi importo invoiced mnt mont montant montante montantes '
            .'montants monto mt nominal preco price prix rechnungsendbetrag rechnungssumme som somma somme sum suma summe '
            .'tot totaal totaalbedrag total totale totali totals umsatz valeur valor valores value vl vlr waarde wert',
        'Gross' => 'brut bruta bruto brutto endbetrag gesamt global gross lordo tot totaal total totale totaux ttc',
        'Original' => 'inicial initial iniziale oorspr oorspronkelijk orig origem original originale originally '
            .'originaria originario origine urspr ursprung ursprunglich ursprungs',
        'Including' => 'avec c com con inc incl including inclusive inkl mit',
        'Base' => 'base basis basisbedrag contravalor contrevaleur controvalore domestic functional haus hauswaehrung '
            .'hauswahrung home hw lc local locale',
        'Tax' => 'btw gst igic imposta imposto impuesto impuestos iva mwst steuer tax taxes tva umsatzsteuer ust vat',
        'Net' => 'ht imponibile imponible incidencia liquido net neto nett netto',
        'Open' => 'aberto abierta abierto adeuda adeudado aperta aperto ausstehend ausstehende ausstehender cobrar '
            .'creance deuda divida dovuto du dus encaisser encours esposizione falta forderung impagado impaye impayes '
            .'incassare innen insoluto left liquidar nog offen offene offener offenes offenstand onbetaald ontvangen op '
            .'open openst openstaand openstaande os outstanding ouvert ouverte owed owing pdte pend pendente pendiente '
            .'pendientes pte queda receber receivable recevoir recouvrer regler regularizar reliquat remain remainder '
            .'remaining residua residuo rest restant restante restbedrag reste resterend restlich resto restschuld '
            .'rimanenza saldare scoperto solde solder still unallocated unbezahlt unpaid unsettled verschuldigd vivo '
            .'voldoen vorderen',
        'Balance' => 'actual available bal balance balances closing courant disponible kontostand laufender lopend '
            .'neuer new nieuw nouveau posterior progressif progressivo running saldo saldos solde soldes stand tras',
        'Payment' => 'allocated applied betaal betaald betalen betaling bezahlt cleared cobrado cobrar cobro encaisse '
            .'gezahlt incassato incasso pagada pagado pagamento pagar pagare pagato pago paid paiement pay payer payment '
            .'payments recebido received regle reglement saldato settled zahlen zahlung zahlungs',
        'Days' => 'achterstallig age ageing aging atraso dagen days dias dpd dunning echu echus gg giorni jours late '
            .'level mahn mahnstufe mahnung mora overdue retard retraso ritardo scaduto tage uberfallig ueberfaellig vencido '
            .'vencidos verzug',
        'Kind' => 'aard art arten ba belegart cat categorie category causale clase class classe especie genere genero '
            .'genre kategorie kind natura naturaleza nature natureza operacion soort srt tipo tipologia tipos tp typ type '
            .'types what',
        'Debit' => 'adeudo cargo cargos charge charges d dare deb debe debet debit debiteur debito debitos debits '
            .'deudor devedor dr s soll',
        'Credit' => 'a ab abono abonos acreedor avere c cr cred credit crediteur credito creditos credits h haben '
            .'haber kredit',
        'Mark' => 'dc ind indicator kennung kennz kennzeichen knz kz mark natureza segno seite sens sh shkz side sign '
            .'signe signo sinal teken zijde',
        'MoneyIn' => 'accrediti accredito bij bijgeschreven bijschrijving cobros credited crediti deposit deposits '
            .'eingang eingange einnahme einnahmen einzahlung encaissement encaissements entrada entradas entrata entrate '
            .'entree entrees favor gutschrift gutschriften in incassi incoming ingang ingreso ingresos inkomend lodgements '
            .'ontvangen ontvangst ontvangsten recebimentos receipt receipts received recette recettes recu zufluss zugaenge '
            .'zugang zugange',
        'MoneyOut' => 'abfluss abgaenge abgang abgange addebiti addebito af afgeschreven afschrijving ausgabe '
            .'ausgaben ausgang ausgange auszahlung belastung belastungen betaald contra debited decaissement decaissements '
            .'depense depenses disposiciones gasto gastos lastschrift lastschriften out outgoing pagado pagamenti '
            .'pagamentos pagos paye payments retiradas saida saidas salida salidas sortie sorties spent uitgaand uitgave '
            .'uitgaven uitgegeven uscita uscite withdrawal withdrawals',
        'Entry' => 'apunte articolo asiento asientos asto batch boek boeking boekings boekstuk bu buchungssatz diario '
            .'ecriture ecritures entries entry interno je jnl journaal journaalpost journal journals jrnl lanc lancamento '
            .'laufende lfd mouvement mov movimento mutatie mvt posting postnummer prima primanota prot protocollo registo '
            .'registrazione saisie satz scrittura stuk transaction transid voucher',
        'Text' => 'ampliado annotazione annotazioni bemerkung bemerkungen beschreibung beschrijving betreff betreft '
            .'buchungsdetails buchungstext causale comentario comentarios comment commentaire comments communication '
            .'concepto desc descr descricao descripcion description descriptions descritivo descrizione designation detail '
            .'details detalhe detalle dettaglio explanation genre glosa historico info information intitule kommentar '
            .'leyenda lib libelle libelles mededeling mededelingen memo motif motivo movimiento narration narrative nota '
            .'notas note notes notitie objet obs observacao observacion observaciones observacoes oggetto omschr '
            .'omschrijving opmerking particulars postentext purpose reason remark remarks remittance tekst testo text texte '
            .'texto toelichting verwendung verwendungszweck vorgang zusatztext zweck',
        'Bank' => 'banca bancaire bancaria bancario banco bank banque',
        'Own' => 'auftragskonto eigen eigene eigenes nossa nostra nostro notre nuestra nuestro nuestros onze our own '
            .'unser unsere',
        'Email' => 'correo courriel email emailadres emailadresse mail pec',
        'Terms' => 'bed bedingung betaalconditie betalingsconditie betalingstermijn cond condicion condiciones '
            .'condicoes conditie condition conditions condizioni delai plazo prazo term termijn terms zahlungsbedingung '
            .'zahlungsbedingungen zahlungskondition zahlungsziel',
        'Limit' => 'autorise concesso fido kredietlimiet kreditlimit limiet limit limite massimo maximo plafond '
            .'riesgo',
        'Country' => 'country ctry land landcode landeskennzeichen landkz lkz nazione paese pais pays',
        'TaxNumber' => 'cif contrib contribuinte ein idnr nif nipc piva siren siret steuernummer ustid vatnumber',
        'Group' => 'categoria groep group groupe grupo gruppe gruppo klantgroep kundengruppe segment',
        'Iban' => 'iban',
        'Rate' => 'cambio change cours exchange fx koers kurs rate rates tasso taux taxa wechselkurs wisselkoers',
        'Trading' => 'comercial commercial commerciale handelsnaam handelsname trading',
        'Place' => 'address adres adresse cap citta city ciudad cp direccion indirizzo localidad localidade morada '
            .'ort plaats plz poblacion postal postcode postleitzahl rue stad strasse street town ville zip',
        'Discount' => 'desconto descuento discount discounts dto escompte korting rebate sconto skonto',
        'Quantity' => 'aantal anzahl cant cantidad menge qta qtd qte qty quantidade quantita quantite quantity stuck '
            .'stueck unidades unit units',
        'Filler' => 'a after al am and apos as at ate au aux betalen by colonna colonne coluna d da das de dei del '
            .'della den der des di die do dopo dos du e een el em en for from hasta het il im in item items l la las lato '
            .'le les ligne line linea linha lo los na nach o of on op os para per por regel sales seite su sur te the to un '
            .'und une van venda vendas vendita vendite venta ventas vente ventes verkauf verkoop von voor vor y zeile zijde',
    ];

    /** Words that mean something only together. */
    private const TOGETHER = [
        'nom code' => 'nominal',
        'tax point' => 'issued',
        'tax date' => 'issued',
        'terms date' => 'due',
        'to collect' => 'outstanding',
        'tax invoice' => 'invoice',
        't doc' => 'tipo doc',
        'a c' => 'account',
        'a r' => 'receivable',
        'g l' => 'ledger',
        'o s' => 'outstanding',
        'n o' => 'no',
        'e mail' => 'email',
        'p iva' => 'piva',
        'n i f' => 'nif',
        'sold to' => 'customer',
        'bill to' => 'customer',
        'pay by' => 'due',
        'paid in' => 'incoming',
        'paid out' => 'outgoing',
        'money in' => 'incoming',
        'money out' => 'outgoing',
        'vat no' => 'vatnumber',
        'vat number' => 'vatnumber',
        'vat id' => 'vatnumber',
        'vat reg' => 'vatnumber',
        'tax reg' => 'vatnumber',
        'tax id' => 'vatnumber',
        'tax number' => 'vatnumber',
        'n tva' => 'vatnumber',
        'no tva' => 'vatnumber',
        'tva intracom' => 'vatnumber',
        'ust id' => 'vatnumber',
        'ust idnr' => 'vatnumber',
        'partita iva' => 'vatnumber',
        'btw nummer' => 'vatnumber',
        'btw nr' => 'vatnumber',
        'codice fiscale' => 'vatnumber',
        'base imponible' => 'imponible',
        'net a payer' => 'ttc',
        'reste a payer' => 'reste',
        'solde a payer' => 'solde',
        'total a pagar' => 'total',
        'totale a pagare' => 'total',
        'totaal te betalen' => 'total',
        'por pagar' => 'unpaid',
        'da pagare' => 'unpaid',
        'a pagar' => 'unpaid',
        'a payer' => 'unpaid',
        'zu zahlen' => 'unpaid',
        'nog te betalen' => 'unpaid',
        'nao pago' => 'unpaid',
        'non pagato' => 'insoluto',
        'net payable' => 'gross',
        'payable amount' => 'gross',
        'amount payable' => 'gross',
        'liquido total' => 'total',
        'account description' => 'name',
        'descripcion cuenta' => 'name',
        'libelle compte' => 'intitule',
        'descrizione conto' => 'denominazione',
        'trading partner' => 'customer',
        'to pay' => 'unpaid',
        'n c' => 'nominal',
        'co ge' => 'conto',
        'non regle' => 'impaye',
        'no pagado' => 'pendiente',
        'nicht bezahlt' => 'offen',
        'niet betaald' => 'openstaand',
        'not paid' => 'unpaid',
        'trans id' => 'transid',
        'transaction id' => 'transid',
        'tran id' => 'transid',
        'trx id' => 'transid',
        'te betalen' => 'payable',
        'tipo de cambio' => 'cambio',
        'in out' => 'sign',
        'af bij' => 'sign',
        'en cours' => 'encours',
        'fecha valor' => 'wertstellung',
        'data valuta' => 'wertstellung',
        'data valor' => 'wertstellung',
    ];

    private const SIGNS = ['º' => 'o ', '°' => ' ', 'ª' => 'a ', '#' => ' no ', '€' => ' eur ', '£' => ' gbp '];

    /** Days from and to, or more than so many, as above the columns of an aged list. */
    private const BUCKET = '/^\D{0,14}\d{1,3}\s*(?:-|–|\/|to|a|à|bis|tot)\s*\d{1,3}\b|^\d{2,3}\s*\+|'
        .'(?:over|more than|>=?|\+|más de|mas de|über|ueber|plus de|oltre|più di|mais de|meer dan)\s*\d{2,3}\b/iu';

    /** What stands between the parts of one word. */
    private const JOINTS = ['', 's', 'n', 'en', 'es', 'e'];

    private const SHORTEST_PART = 2;

    private const SHORTEST_BEGINNING = 3;

    /** A beginning that may be that of more says nothing. */
    private const MOST_MEANINGS = 3;

    /**
     * What each word of a heading may speak of; an empty list for a word that is not known.
     *
     * @return list<list<Concept>>
     */
    public static function of(string $heading): array
    {
        if (preg_match(self::BUCKET, $heading) === 1) {
            return [[Concept::Days]];
        }
        $plain = ' '.PlainWords::of(strtr($heading, self::SIGNS)).' ';
        foreach (self::TOGETHER as $words => $word) {
            $plain = str_replace(" {$words} ", " {$word} ", $plain);
        }
        $words = array_filter(explode(' ', trim($plain)), static fn (string $word): bool => $word !== '' && ! ctype_digit($word));
        $found = array_map(self::word(...), $words);
        $letters = array_filter($words, static fn (string $word): bool => strlen($word) === 1);
        if (count($letters) < count($words) && ! self::speakOfAmounts(array_merge(...array_values(array_diff_key($found, $letters))))) {
            $found = array_replace($found, array_map(self::letter(...), array_intersect_key($found, $letters)));
        }

        return array_merge(...$found);
    }

    /** @param  list<list<Concept>>  $words */
    private static function speakOfAmounts(array $words): bool
    {
        $amounts = [Concept::Debit, Concept::Credit, Concept::Amount, Concept::Mark, Concept::Currency, Concept::CurrencyCode];

        return array_filter(array_merge(...$words), static fn (Concept $of): bool => in_array($of, $amounts, true)) !== [];
    }

    /**
     * A letter is a side by itself, beside another one, or beside a word of amounts; else it is part of a name, as in `C/Cliente`.
     *
     * @param non-empty-list<list<Concept>> $found
     * @return non-empty-list<list<Concept>>
     */
    private static function letter(array $found): array
    {
        return in_array(Concept::Debit, $found[0], true) || in_array(Concept::Credit, $found[0], true) ? [[Concept::Filler]] : $found;
    }

    /** @return non-empty-list<list<Concept>> more than one where it is several words written together */
    private static function word(string $word): array
    {
        /** @var array<string, non-empty-list<list<Concept>>> $seen */
        static $seen = [];
        if (isset($seen[$word])) {
            return $seen[$word];
        }
        $known = self::known();
        $code = strlen($word) === 3 && Currency::isKnown(strtoupper($word)) ? [Concept::CurrencyCode] : [];
        $found = match (true) {
            isset($known[$word]) => [[...$known[$word], ...$code]],
            $code !== [] => [$code],
            default => self::parts($word) ?? [self::beginning($word)],
        };
        if (count($seen) < 5_000) {
            $seen[$word] = $found;
        }

        return $found;
    }

    /** @return ?non-empty-list<list<Concept>> null where it is not made of known words */
    private static function parts(string $word): ?array
    {
        $known = self::known();
        for ($length = strlen($word) - self::SHORTEST_PART; $length >= self::SHORTEST_PART; $length--) {
            $first = $known[substr($word, 0, $length)] ?? null;
            if ($first === null) {
                continue;
            }
            foreach (self::JOINTS as $joint) {
                $rest = substr($word, $length);
                if ($joint !== '' && ! str_starts_with($rest, $joint)) {
                    continue;
                }
                $rest = substr($rest, strlen($joint));
                $others = match (true) {
                    strlen($rest) < self::SHORTEST_PART => null,
                    isset($known[$rest]) => [$known[$rest]],
                    default => self::parts($rest) ?? (self::beginning($rest) === [] ? null : [self::beginning($rest)]),
                };
                if ($others !== null) {
                    return [$first, ...$others];
                }
            }
        }

        return null;
    }

    /** @return list<Concept> */
    private static function beginning(string $word): array
    {
        if (strlen($word) < self::SHORTEST_BEGINNING) {
            return [];
        }
        $found = [];
        foreach (self::known() as $whole => $concepts) {
            if (str_starts_with((string) $whole, $word)) {
                foreach ($concepts as $concept) {
                    $found[$concept->name] = $concept;
                }
            }
        }
        unset($found[Concept::Filler->name]);

        return count($found) <= self::MOST_MEANINGS ? array_values($found) : [];
    }

    /** @return array<string, non-empty-list<Concept>> by word */
    private static function known(): array
    {
        /** @var ?array<string, non-empty-list<Concept>> $known */
        static $known = null;
        if ($known === null) {
            $known = [];
            foreach (Concept::cases() as $concept) {
                foreach (array_unique(explode(' ', self::WORDS[$concept->name] ?? '')) as $word) {
                    if ($word !== '') {
                        $known[$word][] = $concept;
                    }
                }
            }
        }

        return $known;
    }
}
