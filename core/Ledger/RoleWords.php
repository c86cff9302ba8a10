<?php

declare(strict_types=1);

namespace Ajuste\Core\Ledger;

use Ajuste\Core\Exchange\Foreign\PlainWords;

/** What role the name of an account speaks for, in the words of the trade (common practice). A proposal, which a person takes or not. */
final class RoleWords
{
    /** The first that fits is proposed; words that are part of another's stand after it. */
    private const WORDS = [
        'allowance' => 'allowance|doubtful|provision for bad|bad debt provision|wertberichtigung|'
            .'deterioro de valor de creditos|provision pour depreciation|fondo svalutazione|imparidade acumulada|'
            .'voorziening dubieuze',
        'customers_in_credit' => 'customers in credit|credit balances of customers|kreditorische debitoren|'
            .'clientes con saldo acreedor|clients crediteurs',
        'customer_deposits' => 'customer deposits|deposits from customers|advances from customers|payments on account received|'
            .'anticipos de clientes|erhaltene anzahlungen|avances et acomptes recus|acconti da clienti|'
            .'adiantamentos de clientes|vooruitontvangen',
        'receivables_control' => 'trade receivables|accounts receivable|receivables|debtors|trade debtors|customers|clientes|deudores|'
            .'debitoren|forderungen|creances clients|clients|crediti verso clienti|clienti|debiteuren',
        'payables_control' => 'trade payables|accounts payable|payables|creditors|suppliers|proveedores|acreedores|kreditoren|'
            .'verbindlichkeiten|fournisseurs|debiti verso fornitori|fornitori|fornecedores|crediteuren|'
            .'leveranciers',
        'bank_charges' => 'bank charges|bank fees|gastos bancarios|comisiones bancarias|bankgebuhren|'
            .'nebenkosten des geldverkehrs|frais bancaires|commissioni bancarie|despesas bancarias|bankkosten',
        'receipts_in_transit' => 'receipts in transit|cash in transit|money in transit|cheques in hand|geldtransit|virements internes',
        'payments_in_transit' => 'payments in transit|outgoing payments',
        'till' => 'till|petty cash|cash in hand|cash|caja|kasse|caisse|cassa|caixa|kas',
        'bank' => 'bank|current account|bancos|banco|banque|banca|bancos c|giro',
        'exchange_unrealised_gain' => 'unrealised exchange gain|unrealized exchange gain|unrealised gain',
        'exchange_unrealised_loss' => 'unrealised exchange loss|unrealized exchange loss|unrealised loss',
        'exchange_realised_gain' => 'exchange gain|currency gain|foreign exchange gain|diferencias positivas de cambio|kursgewinne|'
            .'gains de change|utili su cambi|koerswinst',
        'exchange_realised_loss' => 'exchange loss|currency loss|foreign exchange loss|diferencias negativas de cambio|kursverluste|'
            .'pertes de change|perdite su cambi|koersverlies',
        'impairment_loss' => 'impairment|bad debts|bad debt expense|credit losses|perdidas por deterioro|forderungsverluste|'
            .'pertes sur creances|perdite su crediti|dividas incobraveis|afschrijving debiteuren',
        'discounts_allowed' => 'discounts allowed|cash discounts|settlement discounts|descuentos por pronto pago|gewahrte skonti|'
            .'skonti|escomptes accordes|sconti passivi|descontos concedidos|betalingskortingen',
        'residues_written_back' => 'residues written back|small differences income|payment differences income',
        'residues_written_off' => 'residues written off|small differences|payment differences|diferencias de pago|kleindifferenzen',
        'sales_reductions' => 'sales returns|sales reductions|returns and allowances|devoluciones de ventas|erloesschmaelerungen|'
            .'erlosschmalerungen|rabais remises|resi su vendite|devolucoes de vendas',
        'output_tax' => 'output tax|output vat|vat on sales|sales tax|iva repercutido|umsatzsteuer|tva collectee|'
            .'iva a debito|iva liquidado|verschuldigde btw|btw verkoop',
        'revenue' => 'revenue|sales|turnover|ventas|umsatzerlose|umsatzerloese|erlose|erloese|ventes|ricavi|vendas|omzet',
    ];

    /**
     * Of each role that no account has yet the first account whose name speaks for it.
     *
     * @param array<array-key, string> $names of accounts without a role, by number, in their order
     * @param list<string> $given roles that accounts have already
     * @return array<array-key, AccountRole> by account number
     */
    public static function each(array $names, array $given): array
    {
        $proposed = [];
        foreach ($names as $number => $name) {
            $role = self::proposed($name);
            if ($role !== null && ! in_array($role->value, $given, true)) {
                $given[] = $role->value;
                $proposed[$number] = $role;
            }
        }

        return $proposed;
    }

    /** Null where the name speaks for none. */
    private static function proposed(string $name): ?AccountRole
    {
        $plain = ' '.PlainWords::of($name).' ';
        foreach (self::WORDS as $role => $words) {
            foreach (explode('|', $words) as $of) {
                if (str_contains($plain, " {$of} ")) {
                    return AccountRole::from($role);
                }
            }
        }

        return null;
    }
}
