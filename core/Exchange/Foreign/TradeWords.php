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
        'Document' => 'faktura faktur fakturen bon bonnummer bordereau origem extern externo registro item factures '
            .'justificante efecto pce pieces riferimento titulo transid document documents doc docs invoice invoices inv '
            .'bill billing voucher transaction trans tran trx txn documento documentos factura facturas facturacion fra '
            .'fact comprobante recibo folio beleg belegs rechnung rechnungs rechn rech rg re dokument dokumenten op posten '
            .'vorgang vorgangs piece facture facturation fac fattura fatture fatt fat ft partita fatura faturas factuur '
            .'facturen stuk boekstuk bkst bescheid',
        'Number' => 'nbre sequenza number numbers no nr nbr num nro nos id ident identifier code cod codigo codice cd '
            .'key n numero nummer nummern nrs kennung codes volgnummer numer feld field clave sequence seq',
        'Reference' => 'reference references ref refs referencia referenz referenznummer rif riferimento refa '
            .'referentie kenmerk zeichen aktenzeichen',
        'Order' => 'order po purchase pedido albaran bestell bestellung bestellnummer auftrag auftrags commande '
            .'ordine encomenda bestelling your su ihr ihre votre vostro uw sua',
        'Customer' => 'buyer payer abnehmers afnemers rel cf purchaser tercero terceiro personen personenkonto adress '
            .'anagr debitoren customer customers cust cus client clients debtor debtors receivable receivables ar cliente '
            .'clientes cli deudor deudores comprador kunde kunden kd debitor deb abnehmer geschaftspartner '
            .'geschaeftspartner partner auftraggebers tiers auxiliaire aux redevable debiteur debiteurs anagrafica '
            .'cessionario debitore debitori entidade devedor terceros klant klanten debiteuren relatie afnemer',
        'Account' => 'razao kontierung pcg grootboek main cuenta mayor account accounts acc acct ac comp nominal '
            .'ledger gl coa cuentas cta ctas subcuenta contable konto konten kto sachkonto hauptbuch hauptbuchkonto fibu '
            .'compte comptes cpte cptes cpt general generale gen conto conti sottoconto mastro pdc conta contas snc contab '
            .'contabil rekening rek gb grootboekrekening',
        'Name' => 'holder volledige vollstandiger vollstaendiger cognome compania legal business anschrift nombre '
            .'organisation organization organisatie empresa empresas titular enseigne azienda ditta anagrafica societa '
            .'unternehmen nachname desc suchbegriff name names company companies firm trader nombres razon social '
            .'denominacion fiscal apellidos firma firmen bezeichnung kurzname suchname namen nom noms raison sociale '
            .'intitule societe denomination ragione rag soc nome nominativo intestatario denominazione intestazione razao '
            .'designacao denominacao naam bedrijf bedrijfs bedrijfsnaam zoeknaam',
        'Party' => 'adverse sender empfanger zahlungspartner einzahler nominativo titular gegenkonto partner payer '
            .'payers payee counterparty remitter ordering beneficiary recipient originator debtor party ordenante '
            .'beneficiario contraparte pagador emisor auftraggeber empfaenger begunstigter beguenstigter '
            .'zahlungspflichtiger zahlungsbeteiligter zahler gegenpartei donneur ordre contrepartie beneficiaire emetteur '
            .'tiers ordinante controparte pagante ordenador tegenpartij begunstigde opdrachtgever betaler',
        'Date' => 'dte dat termin date dates dated dt day fecha fechas fec fch f datum tag tags data dag datums',
        'Due' => 'dues zahltermin termine prazo plazo betaaltermijn latest entro expiry payable limite exigible '
            .'exigibilite zahlungsfrist frist fristig vcto uiterlijk limit settlement due maturity vencimiento vencimientos '
            .'vto vtos venc vence fallig faellig falligkeit faelligkeit falligkeits faelligkeits fall zahlbar zahlungsziel '
            .'falligkeitsdatum echeance echeances ech scadenza scadenze scad scade vencimento vencim vencimentos '
            .'vervaldatum vervaldag verval verv vervalt uiterste',
        'Issue' => 'uitgifte uitgiftedatum aangemaakt invoicing effective etablissement establecimiento creazione '
            .'erfasst del vom emitida emis emise emessa emesso emesse alta creacion creation creado erstellung faktura '
            .'facture facturado facturada opgemaakt expedido issue issued created raised emision emitido expedicion '
            .'expedida emission emissione emissao ausstellung ausgestellt erstellt',
        'Posting' => 'mouvements movimenti movimentos movimento kontierung saisie competenza mvt posting posted post '
            .'booking booked book entry accounting contable registro operacion apunte movimiento mov mvto mto buchung '
            .'buchungs buch gebucht erfassung comptable comptabilisation compta ecriture operation mouvement oper '
            .'registrazione reg contabile operazione lancamento lanc contabilistico contabilistica operacao boeking '
            .'boekings boek transactie mutatie',
        'Value' => 'value valued val valor valuta valeur wertstellung wertstellungs wert rente interest',
        'Currency' => 'mda mnt money waehrung valutasoort unid unidad unite monetaire transaktion crncy moneta '
            .'munteenheid iso currency currencies curr cur ccy crcy divisa divisas moneda mon div wahrung wahrungs '
            .'waehrungs wahr waehr whrg whg wrg wkz wae devise devises dev monnaie idevise valuta val moeda munt muntsoort',
        'Amount' => 'invoiced billed ammontare fatturato rechnungsendbetrag factuurtotaal bruttowert prix preco '
            .'gefactureerd sum face nominal somma som importancia forderung fakturabetrag facturado waarde valeur '
            .'rechnungssumme tot amount amounts amt total totals value price importe importes imp monto valor suma betrag '
            .'betrage betr btr summe umsatz wert endbetrag gesamtbetrag montant montants mnt mt mont somme importo importi '
            .'totale totali valores montante montantes vlr bedrag bedragen bedr totaal totaalbedrag',
        'Gross' => 'gross total bruto bruta brutto gesamt ttc lordo totale totaal tot global brut endbetrag totaux',
        'Original' => 'original orig originally initial originario originaria origine originale origem ursprung '
            .'ursprungs ursprunglich urspr oorspronkelijk oorspr inicial iniziale',
        'Including' => 'incl including inc inclusive con mit avec inkl com c',
        'Base' => 'base local home functional lc hw hauswahrung hauswaehrung haus controvalore contravalor '
            .'contrevaleur basis basisbedrag locale domestic',
        'Tax' => 'tax taxes vat gst iva mwst ust umsatzsteuer steuer tva btw impuesto impuestos imposta imposto igic',
        'Net' => 'net netto neto nett ht imponibile imponible incidencia liquido',
        'Open' => 'receivable left queda falta residuo voldoen verschuldigd innen recouvrer solder solde impagado '
            .'cobrar liquidar offenstand forderung creance owing owed adeuda vivo ausstehende unbezahlt onbetaald resterend '
            .'encaisser impaye impayes rimanenza esposizione receber open outstanding os remaining remainder remain unpaid '
            .'unsettled still unallocated pendiente pendientes pdte pte pend restante resto abierto abierta adeudado deuda '
            .'offen offener offene offenes rest restlich restschuld op ausstehend du dus reste restant ouvert ouverte '
            .'encours regler residua aperto aperta scoperto incassare saldare dovuto insoluto pendente aberto divida '
            .'regularizar openstaand openstaande openst nog restbedrag ontvangen',
        'Balance' => 'new available laufender neuer nieuw nouveau lopend actual progressif tras balance balances bal '
            .'running closing saldo saldos solde soldes kontostand stand posterior disponible courant progressivo',
        'Payment' => 'pagar payer pagare zahlen betalen cobrado pagado bezahlt gezahlt regle pagato incassato '
            .'recebido betaald received applied cleared pay payment payments paid cobro cobrar pago zahlung zahlungs '
            .'paiement pagamento betaling betaal incasso reglement',
        'Days' => 'overdue uberfallig ueberfaellig vencido vencidos echu echus achterstallig days dias tage jours '
            .'giorni gg dagen late retard retraso mora atraso verzug ritardo scaduto dunning level jour dpd',
        'Kind' => 'kategorie cat aard genere what operacion classe genre especie natura naturaleza genero categorie '
            .'type types typ kind category class tipo tipos clase tp art arten belegart ba nature causale tipologia soort '
            .'srt',
        'Debit' => 'deudor debiteur devedor mvtd debit debits dr debe cargo cargos adeudo soll s dare debito debitos '
            .'deb debet d charge charges',
        'Credit' => 'acreedor crediteur credit credits cr haber abono abonos haben h avere a credito creditos cred c '
            .'ab kredit',
        'Mark' => 'kennung kz indicator signe d sign side ind mark signo sens segno sinal natureza kennz kennzeichen '
            .'knz sh dc teken',
        'MoneyIn' => 'credited einzahlung zufluss inkomend bijschrijving cobros recebimentos favor crediti einnahme '
            .'einnahmen ontvangst encaissement entrata entree entrada uitkering in receipts receipt deposits deposit '
            .'received incoming ingreso ingresos entradas eingang eingange zugang gutschrift gutschriften recette recettes '
            .'encaissements entrees accredito accrediti entrate incassi bij ontvangsten bijgeschreven ontvangen ingang',
        'MoneyOut' => 'auszahlung abfluss uitgaand afschrijving disposiciones contra ausgabe ausgaben uitgave '
            .'decaissement uscita sortie saida out payments withdrawal withdrawals outgoing spent gasto gastos pagos salida '
            .'salidas retiradas ausgang ausgange abgang belastung belastungen lastschrift lastschriften depense depenses '
            .'decaissements sorties addebito addebiti uscite pagamenti saidas pagamentos af uitgaven afgeschreven '
            .'uitgegeven debited',
        'Entry' => 'journaal satz articolo postnummer apunte movimento interno posting transaction saisie mov transid '
            .'entry entries journal journals jnl jrnl je batch voucher asiento asientos asto diario buchungssatz laufende '
            .'lfd ecriture ecritures mouvement mvt registrazione protocollo prot prima lancamento lanc boekstuk boeking '
            .'boekings mutatie journaalpost boek stuk',
        'Text' => 'explanation kommentar betreff objet oggetto intitule obs observacion beschrijving betreft '
            .'comentarios reason info zusatztext notitie annotazioni annotazione notas nota leyenda detalhe ampliado '
            .'verwendung postentext genre motivo description descriptions descr desc text narrative narration details '
            .'detail memo comment comments particulars remittance information purpose note notes remark remarks concepto '
            .'descripcion texto texte glosa detalle observaciones comentario movimiento buchungstext beschreibung '
            .'verwendungszweck zweck bemerkung bemerkungen vorgang buchungsdetails libelle libelles lib designation '
            .'commentaire motif communication descrizione causale testo descricao descritivo historico observacoes '
            .'observacao omschrijving omschr tekst toelichting mededeling mededelingen opmerking',
        'Bank' => 'bank banque banco banca bancaria bancario bancaire',
        'Own' => 'our own nuestra nuestro nuestros notre eigenes eigene nostra nostro nossa onze eigen auftragskonto '
            .'unser unsere',
        'Email' => 'email mail correo courriel pec emailadresse emailadres',
        'Terms' => 'terms term condiciones condicion cond zahlungsbedingung zahlungsbedingungen bedingung bed '
            .'zahlungskondition zahlungsziel conditions condition delai condizioni condicoes prazo conditie '
            .'betalingsconditie betalingstermijn betaalconditie termijn plazo',
        'Limit' => 'limit limite limiet kreditlimit kredietlimiet plafond fido riesgo maximo autorise concesso '
            .'massimo',
        'Country' => 'country ctry pais land lkz landkz landcode pays paese nazione landeskennzeichen',
        'TaxNumber' => 'nif cif vatnumber ustid idnr steuernummer siret siren piva nipc contribuinte contrib ein',
        'Group' => 'group grupo gruppe groupe gruppo categoria groep klantgroep kundengruppe segment',
        'Iban' => 'iban',
        'Rate' => 'rate rates exchange fx cambio kurs wechselkurs taux cours change tasso taxa koers wisselkoers',
        'Trading' => 'trading comercial handelsname commercial commerciale handelsnaam',
        'Place' => 'postcode postal postleitzahl plz zip cap cp city town street ort ciudad poblacion ville rue citta '
            .'localidade localidad plaats stad strasse direccion address adresse indirizzo morada adres',
        'Discount' => 'discount discounts descuento dto skonto escompte sconto desconto korting rebate',
        'Quantity' => 'quantity qty units unit cantidad cant unidades menge stuck stueck anzahl quantite qte quantita '
            .'qta quantidade qtd aantal',
        'Filler' => 'colonna colonne coluna lato seite zijde vor hasta ate the of at on by in per for and to as from '
            .'after nach na apos item items line linea ligne linha zeile regel de del la el los las en y por al para der '
            .'die das des von und am im den le les d l un une sur au aux du di dei della il lo dopo e su do da dos o os em '
            .'a van het een op voor te betalen',
    ];

    /** Words that mean something only together. */
    private const TOGETHER = [
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
        $found = [];
        foreach (explode(' ', trim($plain)) as $word) {
            array_push($found, ...($word === '' || ctype_digit($word) ? [] : self::word($word)));
        }

        return $found;
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
