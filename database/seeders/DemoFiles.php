<?php

declare(strict_types=1);

namespace Database\Seeders;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Exchange\Bank\BankBalance;
use Ajuste\Core\Exchange\Bank\BankEntry;
use Ajuste\Core\Exchange\Bank\BankLine;
use Ajuste\Core\Exchange\Bank\BankReferences;
use Ajuste\Core\Exchange\Bank\BankStatement;
use Ajuste\Core\Exchange\Bank\CamtWriter;
use Ajuste\Core\Exchange\CsvWriter;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Money\Rate;
use Ajuste\Core\Money\Rounding;
use Ajuste\Core\Settlement\Payer;
use LogicException;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * The files that the accounting system of Valdecierzo Growers' Mill hands over for October 2026, with twelve months of history: an
 * invented cooperative, invented names, the same on every machine. Every cause that a proof can name is planted.
 */
final class DemoFiles
{
    private const FIRST = '2025-11-01';

    private const LAST = '2026-10-31';

    /** Number, name, type and role. */
    private const ACCOUNTS = [
        ['1100', 'Receivables control', 'asset', 'receivables_control'],
        ['1150', 'Receivables, presentation', 'asset', 'presentation'],
        ['1180', "Members' advances", 'asset', ''],
        ['1190', 'Allowance on receivables', 'asset', 'allowance'],
        ['1500', 'Bank, current account', 'asset', 'bank'],
        ['1510', 'Till', 'asset', 'till'],
        ['1520', 'Receipts in transit', 'asset', 'receipts_in_transit'],
        ['1530', 'Payments in transit', 'asset', 'payments_in_transit'],
        ['2100', 'Payables control', 'liability', 'payables_control'],
        ['2150', 'Customers in credit', 'liability', 'customers_in_credit'],
        ['2170', 'Customer deposits', 'liability', 'customer_deposits'],
        ['2300', 'Output tax', 'liability', 'output_tax'],
        ['2900', 'Brought forward', 'equity', ''],
        ['4000', 'Sales, flour', 'income', 'revenue'],
        ['4010', 'Sales, oil', 'income', 'revenue'],
        ['4020', 'Sales, seed', 'income', 'revenue'],
        ['4030', 'Sales, fertiliser', 'income', 'revenue'],
        ['4040', 'Milling fees', 'income', 'revenue'],
        ['4080', 'Sales reductions', 'income', 'sales_reductions'],
        ['4085', 'Short deliveries', 'expense', ''],
        ['4700', 'Residues written back', 'income', 'residues_written_back'],
        ['4800', 'Exchange gains, realised', 'income', 'exchange_realised_gain'],
        ['4810', 'Exchange gains, unrealised', 'income', 'exchange_unrealised_gain'],
        ['5000', 'Olives bought', 'expense', ''],
        ['6100', 'Bank charges', 'expense', 'bank_charges'],
        ['6200', 'Discounts allowed', 'expense', 'discounts_allowed'],
        ['6300', 'Residues written off', 'expense', 'residues_written_off'],
        ['6400', 'Impairment of receivables', 'expense', 'impairment_loss'],
        ['6800', 'Exchange losses, realised', 'expense', 'exchange_realised_loss'],
        ['6810', 'Exchange losses, unrealised', 'expense', 'exchange_unrealised_loss'],
    ];

    /** An account number whose bank does not exist. */
    private const IBAN = 'ES7799990000571234567890';

    /** A creditor identifier whose check digits hold and that nobody was given. */
    private const CREDITOR = 'ES75ZZZX99990000';

    /** A debit note, the receipt that is 3.40 short of it, and the member who says why. */
    public const CONTESTED = ['DN260003', 'RX260003', '5026'];

    /** A debit note that was written off in September, and the shop whose insolvency administrator pays a share of it in October. */
    public const LOST = ['DN260007', '3207'];

    /** Who lets it be collected: customer, reference, account at a bank that does not exist, scheme, use. */
    public const MANDATES = [
        ['3201', 'VGM-0001', 'ES8499990006012154321007', 'CORE', 'recurrent'],
        ['3205', 'VGM-0002', 'ES2799990006022154321014', 'CORE', 'recurrent'],
        ['3213', 'VGM-0003', 'ES6799990006032154321021', 'CORE', 'recurrent'],
        ['3226', 'VGM-0004', 'ES1099990006042154321028', 'CORE', 'recurrent'],
        ['3238', 'VGM-0005', 'ES5099990006052154321035', 'CORE', 'once'],
        ['3241', 'VGM-0006', 'ES9099990006062154321042', 'B2B', 'recurrent'],
    ];

    private const SHOPS = [
        'Almadraba Foods',
        'Bodega Tresríos',
        'Casa Ferrín Bakeries',
        'Lonja del Cierzo',
        'Tiendas Romeral',
        'Ultramar Pantry',
        'Valle Hondo Hotels',
        'Obrador Nublares',
    ];

    private const ABROAD = [
        ['Hullhaven Deli Group', 'GBP', 'GB'],
        ['Oakmere Delicatessen', 'GBP', 'GB'],
        ['Fennbridge Grocers', 'GBP', 'GB'],
        ['Redmill Wholefoods', 'USD', 'US'],
        ['Prairie Lantern Co-op', 'USD', 'US'],
        ['Saltmarsh & Daughters', 'USD', 'US'],
        ['Kita-Minato Trading', 'JPY', 'JP'],
        ['Aozora Olive House', 'JPY', 'JP'],
    ];

    private const WORDS = [
        'Acequia',
        'Barbecho',
        'Cardencha',
        'Espliego',
        'Fontanar',
        'Gavilla',
        'Hontanar',
        'Jaral',
        'Lindero',
        'Majuelo',
        'Noguera',
        'Orujera',
        'Pedriza',
        'Retama',
        'Sarmienta',
        'Trigal',
        'Umbría',
        'Vereda',
        'Zarzal',
        'Almazara',
    ];

    private const TRADES = ['Ultramarinos', 'Panadería', 'Mesón', 'Colmado', 'Hostal'];

    private const FIRST_NAMES = ['Marta', 'Julián', 'Inés', 'Tomás', 'Elvira', 'Gaspar', 'Rosaura', 'Benito'];

    private const SURNAMES = [
        'Peñalba',
        'Olivarra',
        'Trigales',
        'Molinuevo',
        'Cierzal',
        'Vilariño',
        'Barrancas',
        'Sotomolino',
        'Encinal',
        'Aldehuela',
    ];

    private const GOODS = [
        ['Olive oil, 5 l', '4010', 10],
        ['Bread flour, 25 kg', '4000', 10],
        ['Barley seed, 50 kg', '4020', 10],
        ['Fertiliser NPK, 40 kg', '4030', 21],
        ['Milling service', '4040', 21],
    ];

    private const TABLES = [
        'settings' => ['name', 'value'],
        'accounts' => ['account', 'name', 'type', 'role', 'currency', 'iban'],
        'suppliers' => ['supplier', 'name', 'currency', 'control_account', 'iban'],
        'customers' => [
            'customer',
            'name',
            'trading_name',
            'currency',
            'terms',
            'control_account',
            'supplier',
            'group',
            'email',
            'country',
            'credit_limit',
        ],
        'agreements' => ['customer', 'supplier', 'reference', 'from', 'to', 'currency', 'scope'],
        'rates' => ['date', 'currency', 'rate', 'quoted'],
        'allowance_rates' => ['group', 'bucket', 'rate', 'source'],
        'items' => [
            'document',
            'kind',
            'customer',
            'date',
            'due_date',
            'currency',
            'amount',
            'base_amount',
            'side',
            'reference',
            'control_account',
            'entry',
            'batch',
            'terms',
        ],
        'instalments' => ['document', 'due_date', 'amount'],
        'specific_allowances' => ['customer', 'document', 'amount', 'percent', 'reason', 'review'],
        'item_lines' => ['document', 'line', 'description', 'quantity', 'unit_price', 'net', 'tax_rate', 'account'],
        'matches' => ['date', 'debit_document', 'credit_document', 'amount'],
        'supplier_items' => ['document', 'kind', 'supplier', 'date', 'due_date', 'currency', 'amount', 'base_amount', 'open', 'reference'],
        'ledger' => ['entry', 'date', 'account', 'reference', 'description', 'debit', 'credit', 'document', 'customer', 'source', 'batch'],
    ];

    private Randomizer $chance;

    /** @var array<string, list<array<string, string>>> rows by file */
    private array $rows;

    /** @var array<string, array{customer: string, name: string, currency: string, terms: string, habit: int, member: bool}> */
    private array $customers = [];

    /**
     * @var array<string, list<array{
     *     document: string, date: string, due: string, open: int, amount: int, base: int, moved: int, matched: int
     * }>> open invoices by customer
     */
    private array $open = [];

    /** @var array<string, array<string, string>> rate by currency and month */
    private array $rates = [];

    /** @var array<string, int> */
    private array $numbers = [];

    public function __construct()
    {
        $this->chance = new Randomizer(new Mt19937(20261031));
        $this->rows = array_map(static fn (): array => [], self::TABLES);
        $this->lists();
        $this->broughtForward();
        for ($month = self::FIRST; $month < self::LAST; $month = Day::plus(Day::lastOfMonth($month), 1)) {
            $this->month($month);
        }
        $this->oddKinds();
        $this->plantFaults();
        $this->allowance();
        $this->instalments();
        $this->closingCases();
    }

    /** Loss rates by age, and two customers who are looked at by name: one is insolvent, one disputes what it owes. */
    private function allowance(): void
    {
        foreach (['' => ['0.3', '1.6', '3.6', '6.6', '20'], 'member' => ['0.1', '0.5', '1', '2', '5']] as $group => $rates) {
            foreach (['not_due', '1-30', '31-60', '61-90', 'over_90'] as $place => $bucket) {
                $source = 'losses of the last three years';
                $this->add('allowance_rates', ['group' => $group, 'bucket' => $bucket, 'rate' => $rates[$place], 'source' => $source]);
            }
        }
        [$insolvent, $disputes] = $this->oldest();
        $this->add('specific_allowances', [
            'customer' => $insolvent[0], 'document' => '', 'amount' => '', 'percent' => '60', 'reason' => 'insolvency opened in September',
            'review' => '2026-12-15',
        ]);
        $this->add('specific_allowances', [
            'customer' => $disputes[0], 'document' => $disputes[1], 'amount' => '120.00', 'percent' => '', 'reason' => 'says it never came',
            'review' => '2026-11-30',
        ]);
    }

    /** What closing runs meet: a rest above the limit, one that is contested, an agreement that ended, a pair in pounds. */
    private function closingCases(): void
    {
        $this->single('2026-07-06', 'DN260002', 'debit_note', '3206', 90_000, '4000', 1);
        $this->single('2026-08-20', 'RX260002', 'receipt', '3206', 89_320, '1500', -1);
        $this->add('matches', [
            'date' => '2026-08-20', 'debit_document' => 'DN260002', 'credit_document' => 'RX260002', 'amount' => '893.20',
        ]);
        [$invoice, $receipt, $member] = self::CONTESTED;
        $this->single('2026-07-08', $invoice, 'debit_note', $member, 50_000, '4000', 1);
        $this->single('2026-10-01', $receipt, 'receipt', $member, 49_660, '1500', -1);
        $this->add('agreements', [
            'customer' => '5011', 'supplier' => '7011', 'reference' => 'OFF-92', 'from' => '2022-01-01', 'to' => '2026-06-30',
            'currency' => 'EUR', 'scope' => 'all',
        ]);
        [$lost, $insolvent] = self::LOST;
        $this->single('2026-01-20', $lost, 'debit_note', $insolvent, 8_500, '4000', 1);
        $name = self::ABROAD[0][0];
        $this->add('suppliers', ['supplier' => '7101', 'name' => $name, 'currency' => 'GBP', 'control_account' => '2100']);
        $this->add('agreements', [
            'customer' => '3101', 'supplier' => '7101', 'reference' => 'OFF-201', 'from' => '2025-01-01', 'to' => '', 'currency' => 'GBP',
            'scope' => 'due',
        ]);
        $base = $this->base(64_000, 'GBP', '2026-09-14');
        $this->add('supplier_items', [
            'document' => 'PRO-2609', 'kind' => 'bill', 'supplier' => '7101', 'date' => '2026-09-14', 'due_date' => '2026-10-14',
            'currency' => 'GBP', 'amount' => '640.00', 'base_amount' => $this->say($base, 'EUR'), 'open' => '640.00',
            'reference' => 'shop promotion',
        ]);
        $this->bought('PRO-2609', '2026-09-14', $base);
    }

    /** A large order of October is paid in three parts. */
    private function instalments(): void
    {
        $most = ['open' => 0, 'document' => '', 'date' => ''];
        foreach ($this->open as $customer => $invoices) {
            foreach ($invoices as $invoice) {
                $isNew = $invoice['date'] >= '2026-10-01' && $invoice['matched'] === 0 && $this->customers[$customer]['currency'] === 'EUR';
                $most = $isNew && $invoice['open'] > $most['open'] ? $invoice : $most;
            }
        }
        $third = intdiv($most['open'], 3);
        foreach ([20 => $third, 50 => $third, 80 => $most['open'] - 2 * $third] as $days => $part) {
            $this->add('instalments', [
                'document' => $most['document'], 'due_date' => Day::plus($most['date'], $days), 'amount' => $this->say($part, 'EUR'),
            ]);
        }
    }

    /** @return list<array{string, string}> customer and document of the two that are longest open in EUR, of two customers */
    private function oldest(): array
    {
        $found = [];
        foreach ($this->open as $customer => $invoices) {
            foreach ($invoices as $invoice) {
                if ($invoice['open'] > 15_000 && $this->customers[$customer]['currency'] === 'EUR') {
                    $found[$customer] ??= [$invoice['due'], (string) $customer, $invoice['document']];
                }
            }
        }
        sort($found);

        return array_map(static fn (array $of): array => [$of[1], $of[2]], array_slice($found, 0, 2));
    }

    /** @return array<string, string> content by file name, as handed over on the first days of November */
    public function handedOver(): array
    {
        return [...$this->written($this->rows), ...$this->statements()];
    }

    /**
     * @return array<string, string> what each line of the statements truly is, by the bank's reference: a document posted already, or the
     *                               payer's number; blank: no customer's
     */
    public function truth(): array
    {
        $this->statements();

        return $this->truth;
    }

    /** @var array<string, string> */
    private array $truth = [];

    /** @return array<string, string> the bank's statements of October, one for each business day */
    private function statements(): array
    {
        $balance = $this->bankBefore('2026-10-01');
        $files = [];
        for ($day = '2026-10-01'; $day <= '2026-10-30'; $day = Day::plus($day, 1)) {
            if (self::businessDay($day) !== $day) {
                continue;
            }
            $lines = [];
            foreach ($day === '2026-10-30' ? $this->unposted() : $this->postedOn($day) as $place => [$payer, $text, $amount, $is]) {
                $reference = 'BV'.str_replace('-', '', substr($day, 2)).'-'.($place + 1);
                $this->truth[$reference] = $is;
                $lines[] = new BankLine(
                    $day,
                    $day,
                    Money::ofMinor($amount, 'EUR'),
                    new BankReferences($reference),
                    new Payer($payer, '', $text),
                    null,
                    $amount < 0 && str_starts_with($text, 'Returned'),
                );
            }
            $opening = $balance;
            $balance += array_sum(array_map(static fn (BankLine $line): int => $line->amount->minor, $lines));
            $files["statement-{$day}.xml"] = CamtWriter::statement(
                new BankStatement(
                    self::IBAN,
                    Currency::of('EUR'),
                    "S-{$day}",
                    array_map(static fn (BankLine $line): BankEntry => new BankEntry($line), $lines),
                    new BankBalance($day, Money::ofMinor($opening, 'EUR')),
                    new BankBalance($day, Money::ofMinor($balance, 'EUR')),
                ),
            );
        }

        return $files;
    }

    /** What the ledger has on the bank account before a day. */
    private function bankBefore(string $day): int
    {
        $minor = static fn (string $text): int => (int) str_replace('.', '', $text);
        $sum = 0;
        foreach ($this->rows['ledger'] as $line) {
            $counts = $line['account'] === '1500' && $line['date'] < $day;
            $sum += $counts ? $minor($line['debit']) - $minor($line['credit']) : 0;
        }

        return $sum;
    }

    /**
     * What the accounting system has posted to the bank account, as the bank tells it, and money that went out.
     *
     * @return list<array{string, string, int, string}> payer, text, amount, what it is
     */
    private function postedOn(string $day): array
    {
        $references = array_column($this->rows['items'], 'reference', 'document');
        $lines = [];
        foreach ($this->rows['ledger'] as $line) {
            if ($line['account'] === '1500' && $line['date'] === $day && $line['debit'] !== '' && $line['entry'] !== '26-8801') {
                $amount = (int) str_replace('.', '', $line['debit']);
                $reference = $references[$line['document']] ?? '';
                $lines[] =
                    $line['batch'] !== ''
                        ? ['', "Paying-in slip {$line['batch']}", $amount, $line['batch']]
                        : [
                            $this->customers[$line['customer']]['name'],
                            $reference === '' ? 'with thanks' : "Invoice {$reference}",
                            $amount,
                            $line['document'],
                        ];
            }
        }
        if ($day === '2026-10-28') {
            $lines[] = ['Cooperativa de Regantes', 'Water, third quarter', -38_550, ''];
        }
        if (substr($day, 8) === '26') {
            $lines[] = ['', 'Salaries October', -2_318_440, ''];
        }

        return $lines;
    }

    /**
     * The receipts of 30 October, which the accounting system has not posted yet, from the plain to the unclear.
     *
     * @return list<array{string, string, int, string}> payer, text, amount, the payer's number
     */
    private function unposted(): array
    {
        $open = [];
        foreach ($this->open as $customer => $invoices) {
            foreach ($invoices as $invoice) {
                if (
                    $invoice['open'] > 20_000 &&
                    $invoice['date'] >= '2026-09-01' &&
                    $invoice['date'] <= '2026-10-20' &&
                    $this->customers[$customer]['currency'] === 'EUR'
                ) {
                    $open[$customer][] = $invoice;
                }
            }
        }
        $two = array_values(array_filter(array_keys($open), static fn (int|string $customer): bool => count($open[$customer]) > 1));
        $one = array_values(array_filter(array_keys($open), static fn (int|string $customer): bool => count($open[$customer]) === 1));
        $name = fn (int|string $customer): string => $this->customers[(string) $customer]['name'] ?? '';

        return [
            [
                $name($two[0]),
                "Invoices {$open[$two[0]][0]['document']} + {$open[$two[0]][1]['document']}",
                $open[$two[0]][0]['open'] + $open[$two[0]][1]['open'],
                (string) $two[0],
            ],
            [$name($two[1]), 'our ref 5518: '.$open[$two[1]][0]['document'], $open[$two[1]][0]['open'] - 6_490, (string) $two[1]],
            [strtoupper($name($one[0])).' SL', '', $open[$one[0]][0]['open'], (string) $one[0]],
            [$name($one[1]), 'pago factura '.substr($open[$one[1]][0]['document'], 1), $open[$one[1]][0]['open'], (string) $one[1]],
            [$name($one[2]), 'seed and flour', $open[$one[2]][0]['open'] + 15_000, (string) $one[2]],
            ['PEDIDO HARINA OCTUBRE', '', 84_000, ''],
            ['Caja Trigales', 'Interest July to September', 1_400, ''],
            [$name($two[2]), $open[$two[2]][1]['document'], $open[$two[2]][1]['open'], (string) $two[2]],
            ['', 'Returned: '.$this->bounced(), -(int) str_replace('.', '', $this->amountOf($this->bounced())) - 350, $this->bounced()],
            [$name(self::LOST[1]), 'share from the insolvency, '.self::LOST[0], 2_550, self::LOST[1]],
        ];
    }

    /** A receipt of October that the payer's bank calls back. */
    private function bounced(): string
    {
        foreach ($this->rows['items'] as $item) {
            if (
                $item['kind'] === 'receipt' &&
                $item['date'] >= '2026-10-15' &&
                $item['entry'] !== '' &&
                $item['currency'] === 'EUR' &&
                $item['reference'] !== ''
            ) {
                return $item['document'];
            }
        }

        return '';
    }

    private function amountOf(string $document): string
    {
        return array_column($this->rows['items'], 'amount', 'document')[$document];
    }

    /**
     * What the accounting system hands over after its people have mended at the source what can be mended there: all but the entries that
     * simply belong to another period.
     *
     * @return array<string, string> CSV by file name
     */
    public function mended(): array
    {
        $rows = ['ledger' => $this->rows['ledger'], 'items' => $this->rows['items']];
        foreach ($rows['ledger'] as &$line) {
            foreach ($this->mends as [$entry, $account, $debit, $credit]) {
                if ($line['entry'] === $entry && $line['account'] === $account) {
                    [$line['debit'], $line['credit']] = [$debit, $credit];
                }
            }
        }
        unset($line);
        array_push($rows['ledger'], ...$this->mendingEntries);
        array_push($rows['items'], ...$this->mendingItems);

        return $this->written($rows);
    }

    /** @var list<array{string, string, string, string}> entry, account and the debit and credit that it should have */
    private array $mends = [];

    /** @var list<array<string, string>> */
    private array $mendingEntries = [];

    /** @var list<array<string, string>> */
    private array $mendingItems = [];

    /** @var array<string, true> documents with a fault */
    private array $planted = [];

    private function lists(): void
    {
        foreach (
            [
                'books_name' => "Valdecierzo Growers' Mill",
                'period' => '2026-10',
                'approval_limit' => '1000.00',
                'approval_limit.residues' => '100.00',
                'credit_balance_limit' => '25.00',
                'residue_limit.GBP' => '5.00',
                'creditor_identifier' => self::CREDITOR,
            ] as $name => $value
        ) {
            $this->add('settings', compact('name', 'value'));
        }
        foreach (self::ACCOUNTS as [$account, $name, $type, $role]) {
            $this->add('accounts', [...compact('account', 'name', 'type', 'role'), 'iban' => $account === '1500' ? self::IBAN : '']);
        }
        $this->parties();
        $this->rates();
    }

    private function parties(): void
    {
        foreach (self::SHOPS as $place => $name) {
            $this->customer((string) (3001 + $place), $name, 'EUR', $place % 2 === 0 ? '2/10 net 30' : 'net 45', 'chain', 'ES');
        }
        foreach (self::ABROAD as $place => [$name, $currency, $country]) {
            $this->customer((string) (3101 + $place), $name, $currency, 'net 45', 'export', $country);
        }
        for ($place = 0; $place < 84; $place++) {
            $this->customer(
                (string) (3201 + $place),
                self::TRADES[intdiv($place, 20)].' '.self::WORDS[$place % 20],
                'EUR',
                ['net 30', '2/10 net 30', 'eom+15'][$place % 3],
                'shop',
                'ES',
            );
        }
        for ($place = 0; $place < 40; $place++) {
            $name = self::SURNAMES[$place % 10].', '.self::FIRST_NAMES[($place * 3 + intdiv($place, 10)) % 8].' (member)';
            $supplier = (string) (7001 + $place);
            $this->add('suppliers', ['supplier' => $supplier, 'name' => $name, 'currency' => 'EUR', 'control_account' => '2100']);
            $this->customer((string) (5001 + $place), $name, 'EUR', 'net 60', 'member', 'ES', $supplier);
            if ($place % 7 !== 3) {
                $this->add('agreements', [
                    'customer' => (string) (5001 + $place),
                    'supplier' => $supplier,
                    'reference' => 'OFF-'.(100 + $place),
                    'from' => '2024-01-01',
                    'to' => $place % 9 === 0 ? '2026-12-31' : '',
                    'currency' => 'EUR',
                    'scope' => $place % 2 === 0 ? 'due' : 'all',
                ]);
            }
        }
    }

    private function rates(): void
    {
        foreach (['GBP' => 11540, 'USD' => 9210, 'JPY' => 620] as $currency => $start) {
            $rate = $start;
            for ($month = self::FIRST; $month < self::LAST; $month = Day::plus(Day::lastOfMonth($month), 1)) {
                $rate += $this->chance->getInt(-intdiv($start, 60), intdiv($start, 60));
                $this->rates[$currency][substr($month, 0, 7)] =
                    $currency === 'JPY' ? sprintf('0.00%03d', $rate) : sprintf('%d.%04d', intdiv($rate, 10000), $rate % 10000);
                foreach ([Day::plus($month, 14), Day::lastOfMonth($month)] as $date) {
                    $this->add('rates', [
                        'date' => $date,
                        'currency' => $currency,
                        'rate' => $this->rates[$currency][substr($month, 0, 7)],
                        'quoted' => 'base_per_unit',
                    ]);
                }
            }
        }
    }

    private function customer(
        string $customer,
        string $name,
        string $currency,
        string $terms,
        string $group,
        string $country,
        string $supplier = '',
    ): void {
        $this->add('customers', [
            'customer' => $customer,
            'name' => $name,
            'trading_name' => $group === 'shop' ? explode(' ', $name, 2)[1] : '',
            'currency' => $currency,
            'terms' => $terms,
            'control_account' => '1100',
            'supplier' => $supplier,
            'group' => $group,
            'email' => "accounts.{$customer}@example.invalid",
            'country' => $country,
            'credit_limit' => $group === 'shop' ? '6000.00' : '',
        ]);
        $this->customers[$customer] = [
            'customer' => $customer,
            'name' => $name,
            'currency' => $currency,
            'terms' => $terms,
            'habit' => $this->chance->getInt(0, 9),
            'member' => $supplier !== '',
        ];
        $this->open[$customer] = [];
    }

    private function broughtForward(): void
    {
        $total = 0;
        foreach ($this->customers as $about) {
            $customer = $about['customer'];
            if ($about['currency'] === 'EUR' && (int) $customer % 4 === 1) {
                $amount = $this->chance->getInt(8_000, 260_000);
                $document = 'BF-'.$customer;
                $this->item(
                    $document,
                    'opening',
                    $customer,
                    self::FIRST,
                    Day::plus(self::FIRST, $this->chance->getInt(0, 30)),
                    $amount,
                    $amount,
                    ['side' => 'debit', 'entry' => ''],
                );
                $this->opens($customer, $document, self::FIRST, Day::plus(self::FIRST, 20), $amount, $amount);
                $total += $amount;
            }
        }
        // The ledger was taken over 37.50 short.
        $this->post(
            '25-0001',
            self::FIRST,
            [['1100', $total - 3750], ['2900', 3750 - $total]],
            ['description' => 'Brought forward', 'source' => 'opening'],
        );
        $this->mendingEntries = [
            ...$this->mendingEntries,
            ...$this->lines(
                '26-9001',
                '2026-10-31',
                [['1100', 3750], ['2900', -3750]],
                ['description' => 'Brought forward, corrected', 'source' => 'opening'],
            ),
        ];
    }

    private function month(string $first): void
    {
        $last = Day::lastOfMonth($first);
        foreach ($this->customers as $about) {
            $customer = $about['customer'];
            $invoices = $about['member'] ? $this->chance->getInt(0, 1) : $this->chance->getInt(0, (int) $customer < 3200 ? 3 : 1);
            for ($count = 0; $count < $invoices; $count++) {
                $this->invoice($customer, Day::plus($first, $this->chance->getInt(0, Day::between($first, $last))));
            }
        }
        foreach ($this->customers as $about) {
            $customer = $about['customer'];
            $this->pays($customer, $first, $last);
        }
        foreach ($this->customers as $about) {
            $customer = $about['customer'];
            if ($about['member']) {
                $document = "DEL-{$customer}-".substr($first, 2, 2).substr($first, 5, 2);
                $amount = $this->chance->getInt(20_000, 140_000);
                if ($this->chance->getInt(0, 2) === 0) {
                    $open = $first >= '2026-08-01' ? $amount : 0;
                    $this->add('supplier_items', [
                        'document' => $document,
                        'kind' => 'bill',
                        'supplier' => (string) ((int) $customer + 2000),
                        'date' => Day::plus($first, 9),
                        'due_date' => Day::plus($first, 39),
                        'currency' => 'EUR',
                        'amount' => $this->say($amount, 'EUR'),
                        'base_amount' => $this->say($amount, 'EUR'),
                        'open' => $this->say($open, 'EUR'),
                        'reference' => 'olives delivered',
                    ]);
                    $this->bought($document, Day::plus($first, 9), $open);
                }
            }
        }
    }

    private function invoice(string $customer, string $date): void
    {
        $about = $this->customers[$customer];
        $foreign = $about['currency'] !== 'EUR';
        $document = 'F'.substr($date, 2, 2).$this->number('invoice', 5);
        $net = $tax = 0;
        $revenue = [];
        for ($line = 1, $lines = $this->chance->getInt(1, 3); $line <= $lines; $line++) {
            [$goods, $account, $rate] = self::GOODS[$about['member'] ? $this->chance->getInt(2, 4) : $this->chance->getInt(0, 4)];
            $quantity = $this->chance->getInt(2, 40);
            $price = $this->chance->getInt(650, 5200) * ($foreign ? 3 : 1);
            if ($about['currency'] === 'JPY') {
                $price *= 2;
            }
            $lineNet = $quantity * $price;
            $net += $lineNet;
            $tax += $foreign ? 0 : Rounding::proportion($lineNet, $rate, 100);
            $revenue[$account] = ($revenue[$account] ?? 0) + $lineNet;
            $this->add('item_lines', [
                'document' => $document,
                'line' => (string) $line,
                'description' => $goods,
                'quantity' => (string) $quantity,
                'unit_price' => $this->say($price, $about['currency']),
                'net' => $this->say($lineNet, $about['currency']),
                'tax_rate' => $foreign ? '0' : (string) $rate,
                'account' => $account,
            ]);
        }
        $amount = $net + $tax;
        $base = $this->base($amount, $about['currency'], $date);
        $due =
            $about['terms'] === 'eom+15'
                ? Day::plus(Day::lastOfMonth($date), 15)
                : Day::plus($date, (int) preg_replace('/^.*net /', '', $about['terms']));
        $entry = $this->entry($date);
        $this->item($document, 'invoice', $customer, $date, $due, $amount, $base, ['entry' => $entry, 'terms' => $about['terms']]);
        $this->opens($customer, $document, $date, $due, $amount, $base);
        $parts = Rounding::split($base - ($foreign ? 0 : $tax), array_values($revenue));
        $lines = [['1100', $base]];
        foreach (array_keys($revenue) as $place => $account) {
            $lines[] = [(string) $account, -$parts[$place]];
        }
        $this->post(
            $entry,
            $date,
            [...$lines, ['2300', $foreign ? 0 : -$tax]],
            ['description' => 'Sales transfer', 'document' => $document, 'customer' => $customer, 'source' => 'sales'],
        );
    }

    private function pays(string $customer, string $first, string $last): void
    {
        $about = $this->customers[$customer];
        $lag = [-3, 0, 2, 4, 8, 12, 20, 35, 55, 95][$about['habit']];
        foreach ($this->open[$customer] as $place => $invoice) {
            $date = self::businessDay(max(Day::plus($invoice['due'], $lag + $this->chance->getInt(-2, 6)), Day::plus($invoice['date'], 1)));
            if ($date < $first || $date > $last || $invoice['open'] === 0) {
                continue;
            }
            $this->pay($customer, $place, $date);
        }
        if ($this->chance->getInt(0, 24) === 0 && $about['currency'] === 'EUR') {
            $this->creditNote($customer, self::businessDay(Day::plus($first, $this->chance->getInt(3, 25))));
        }
    }

    private function pay(string $customer, int $place, string $date): void
    {
        $invoice = &$this->open[$customer][$place];
        $about = $this->customers[$customer];
        $loose = $date >= '2026-10-12' && $this->chance->getInt(0, 5) === 0;
        $way = $about['currency'] === 'EUR' ? $this->chance->getInt(0, 29) : 29;
        $open = $invoice['open'];
        $extra = [];
        $cash = $open;
        if ($way < 3 && str_starts_with($about['terms'], '2/10')) {
            $extra = ['discount', Rounding::proportion($open, 2, 100), '6200'];
        } elseif ($way === 3 && (int) $customer < 3100) {
            $extra = ['deduction', $this->chance->getInt(900, min(9_000, intdiv($open, 4) + 901)), '4085'];
        } elseif ($way === 4) {
            $cash = $open - $this->chance->getInt(20, 420); // a residue stays
        } elseif ($way === 5) {
            $cash = $open + $this->chance->getInt(500, 20_000); // paid too much
        } elseif ($way === 6) {
            $cash = intdiv($open, 2);
        }
        $cash -= $extra[1] ?? 0;
        [$document, $base] = $this->receipt($customer, $invoice['document'], $cash, $date);
        if ($loose) {
            return;
        }
        $this->matches($customer, $invoice, $document, $date, min($cash, $open), $cash, $base);
        $extra === [] || $this->less($customer, $invoice, $date, $extra);
    }

    /** @return array{string, int} the receipt's document and its worth in base */
    private function receipt(string $customer, string $invoice, int $cash, string $date): array
    {
        $about = $this->customers[$customer];
        $document = 'R'.substr($date, 2, 2).$this->number('receipt', 5);
        $base = $this->base($cash, $about['currency'], $date);
        $batched = $about['currency'] === 'EUR' && $this->chance->getInt(0, 3) > 0;
        $batch = $batched ? 'PS'.str_replace('-', '', substr($date, 2)) : '';
        $entry = $batched ? '' : $this->entry($date);
        $this->item($document, 'receipt', $customer, $date, $date, $cash, $base, [
            'entry' => $entry,
            'batch' => $batch,
            'reference' => $this->chance->getInt(0, 2) > 0 ? $invoice : '',
        ]);
        if ($batched) {
            $this->batches[$batch] = [$date, ($this->batches[$batch][1] ?? 0) + $cash];
        } else {
            $this->post(
                $entry,
                $date,
                [['1500', $base], ['1100', -$base]],
                [
                    'description' => "Receipt {$about['name']}",
                    'document' => $document,
                    'customer' => $customer,
                    'source' => 'bank',
                ],
            );
        }

        return [$document, $base];
    }

    /**
     * @param array{document: string, date: string, due: string, open: int, amount: int, base: int, moved: int, matched: int} $invoice
     * @param array{string, int, string} $extra kind, amount and account of what came off beside the money
     */
    private function less(string $customer, array &$invoice, string $date, array $extra): void
    {
        [$kind, $amount, $account] = $extra;
        $second = strtoupper(substr($kind, 0, 2)).substr($date, 2, 2).$this->number($kind, 4);
        $entry = $this->entry($date);
        $this->item($second, $kind, $customer, $date, $date, $amount, $amount, [
            'entry' => $entry,
            'reference' => $invoice['document'],
        ]);
        $this->post(
            $entry,
            $date,
            [[$account, $amount], ['1100', -$amount]],
            [
                'description' => ucfirst($kind)." on {$invoice['document']}",
                'document' => $second,
                'customer' => $customer,
                'source' => 'bank',
            ],
        );
        $this->matches($customer, $invoice, $second, $date, $amount, $amount, $amount);
    }

    /** @var array<string, array{string, int}> day and sum of the receipts that were paid in together */
    private array $batches = [];

    private function creditNote(string $customer, string $date): void
    {
        $amount = $this->chance->getInt(2_000, 22_000);
        $tax = $amount - Rounding::proportion($amount, 100, 110);
        $document = 'CN'.substr($date, 2, 2).$this->number('credit note', 4);
        $entry = $this->entry($date);
        $this->item($document, 'credit_note', $customer, $date, $date, $amount, $amount, ['entry' => $entry]);
        $this->post(
            $entry,
            $date,
            [['4080', $amount - $tax], ['2300', $tax], ['1100', -$amount]],
            [
                'description' => 'Credit for returned goods',
                'document' => $document,
                'customer' => $customer,
                'source' => 'sales',
            ],
        );
        foreach ($this->open[$customer] as &$invoice) {
            if ($date < '2026-09-01' && $invoice['open'] >= $amount && $invoice['date'] <= $date) {
                $this->matches($customer, $invoice, $document, $date, $amount, $amount, $amount);

                return;
            }
        }
    }

    /** The part of a bill that the ledger's lines of this file still have: what was paid since is of years that it leaves out. */
    private function bought(string $bill, string $date, int $open): void
    {
        $lines = [['5000', $open], ['2100', -$open]];
        $this->post("PU-{$bill}", $date, $lines, ['description' => 'Olives delivered', 'reference' => $bill]);
    }

    /** The kinds of documents that a year has once or twice. */
    private function oddKinds(): void
    {
        $this->single('2026-06-12', 'DN260001', 'debit_note', '3003', 18_420, '4000', 1);
        $this->single('2026-07-03', 'CH260001', 'charge', '3205', 3_500, '6100', 1);
        $this->single('2026-03-20', 'WO260001', 'write_off', '3210', 212, '6300', -1);
        $this->single('2026-04-17', 'WB260001', 'write_back', '3211', 180, '4700', 1);
        $this->bought('DEL-5002-2608', '2026-08-10', 41_000);
        $this->single('2026-09-30', 'CT260001', 'contra', '5002', 41_000, '2100', -1);
        $this->single('2026-08-21', 'RF260001', 'refund', '3214', 9_900, '1530', 1);
        $this->single('2026-08-21', 'AD260001', 'adjustment', '3220', 1_240, '4080', -1, 'credit');
        $this->single('2026-10-06', 'TR260001', 'transfer', '3221', 15_000, '', -1, 'credit');
        $this->deposits();
        $entry = $this->entry('2026-10-06');
        $this->item('TR260001', 'transfer', '3222', '2026-10-06', '2026-10-06', 15_000, 15_000, ['side' => 'debit', 'entry' => $entry]);
        $this->post(
            $entry,
            '2026-10-06',
            [['1100', 15_000], ['1100', -15_000]],
            ['description' => 'Transfer between branches', 'document' => 'TR260001', 'source' => 'journal'],
        );
        foreach ($this->batches as $batch => [$date, $sum]) {
            $this->post(
                $this->entry($date),
                $date,
                [['1500', $sum], ['1100', -$sum]],
                ['description' => "Paying-in {$batch}", 'source' => 'bank', 'batch' => $batch],
            );
        }
    }

    private function deposits(): void
    {
        foreach (
            [
                ['DP260001', '3104', 'USD', 450_000, '2026-07-10'],
                ['DP260002', '3107', 'JPY', 1_150_000, '2026-10-27'],
                ['DP260003', '3008', 'EUR', 60_500, '2026-10-13'],
            ] as [$document, $customer, $currency, $amount, $date]
        ) {
            $base = $this->base($amount, $currency, $date);
            $entry = $this->entry($date);
            $this->item($document, 'deposit', $customer, $date, $date, $amount, $base, ['entry' => $entry, 'control_account' => '2170']);
            $this->post(
                $entry,
                $date,
                [['1500', $base], ['2170', -$base]],
                ['description' => 'Deposit for an order', 'document' => $document, 'customer' => $customer, 'source' => 'bank'],
            );
        }
        $base = $this->base(450_000, 'USD', '2026-07-10');
        $entry = $this->entry('2026-09-02');
        $this->item('DM260001', 'deposit_matched', '3104', '2026-09-02', '2026-09-02', 450_000, $base, [
            'entry' => $entry,
            'reference' => 'DP260001',
        ]);
        $this->post(
            $entry,
            '2026-09-02',
            [['2170', $base], ['1100', -$base]],
            [
                'description' => 'Deposit DP260001 taken over',
                'document' => 'DM260001',
                'customer' => '3104',
                'source' => 'sales',
            ],
        );
        $this->item('DM260001', 'transfer', '3104', '2026-09-02', '2026-09-02', 450_000, $base, [
            'side' => 'debit',
            'entry' => $entry,
            'reference' => 'DP260001',
            'control_account' => '2170',
        ]);
        $this->add('matches', [
            'date' => '2026-09-02',
            'debit_document' => 'DM260001',
            'credit_document' => 'DP260001',
            'amount' => '4500.00',
        ]);
    }

    private function single(
        string $date,
        string $document,
        string $kind,
        string $customer,
        int $amount,
        string $account,
        int $sign,
        string $side = '',
    ): void {
        $entry = $account === '' ? '' : $this->entry($date);
        $this->item($document, $kind, $customer, $date, $kind === 'debit_note' ? Day::plus($date, 30) : $date, $amount, $amount, [
            'side' => $side,
            'entry' => $entry,
        ]);
        if ($account !== '') {
            $this->post(
                $entry,
                $date,
                [['1100', $sign * $amount], [$account, -$sign * $amount]],
                [
                    'description' => ucfirst(str_replace('_', ' ', $kind)),
                    'document' => $document,
                    'customer' => $customer,
                    'source' => 'journal',
                ],
            );
        }
    }

    private function plantFaults(): void
    {
        $this->postWrongFigures();
        $this->postOnAnotherAccount();
        $this->creditOnTheWrongSide();
        $this->postTwice();
        $this->postInAnotherPeriod();
        $this->leaveOut();
    }

    /** Two digits exchanged, the decimal point shifted, posted net of tax, and just wrong. */
    private function postWrongFigures(): void
    {
        $digits = static fn (array $item): array => str_split((string) self::minor($item['amount']));
        $item = $this->untouched(static fn (array $i): bool => $digits($i)[0] !== $digits($i)[1] && $digits($i)[1] !== '0');
        $swapped = $digits($item);
        [$swapped[0], $swapped[1]] = [$swapped[1], $swapped[0]];
        $this->misstate($item, (int) implode('', $swapped));

        // Decimal point shifted, posted net of tax, and just wrong.
        foreach (
            [
                static fn (int $amount, array $i): int => $amount * 10,
                fn (int $amount, array $i): int => $amount - $this->taxOf($i['document']),
                static fn (int $amount, array $i): int => $amount - 3_333,
            ] as $wrong
        ) {
            $item = $this->untouched(static fn (array $i): bool => self::minor($i['amount']) > 10_000);
            $this->misstate($item, $wrong(self::minor($item['amount']), $item));
        }
    }

    private function postOnAnotherAccount(): void
    {
        $item = $this->untouched(static fn (array $i): bool => true);
        foreach ($this->rows['ledger'] as &$line) {
            if ($line['entry'] === $item['entry'] && $line['account'] === '1100') {
                $line['account'] = '1180';
            }
        }
        unset($line);
        $amount = self::minor($item['amount']);
        $this->mends(
            '26-9002',
            '2026-10-31',
            [['1100', $amount], ['1180', -$amount]],
            [
                'description' => "Reclassed {$item['document']}",
                'document' => $item['document'],
                'customer' => $item['customer'],
                'source' => 'journal',
            ],
        );
    }

    private function creditOnTheWrongSide(): void
    {
        $this->single('2026-10-14', 'CN269001', 'credit_note', '3230', 18_300, '4080', 1);
        $this->mends(
            '26-9003',
            '2026-10-31',
            [['1100', -36_600], ['4080', 36_600]],
            [
                'description' => 'CN269001 put on its side',
                'document' => 'CN269001',
                'customer' => '3230',
                'source' => 'journal',
            ],
        );
    }

    /** A receipt posted twice, and an invoice twice with the customer. */
    private function postTwice(): void
    {
        $receipts = array_values(
            array_filter(
                $this->rows['items'],
                static fn (array $item): bool => $item['kind'] === 'receipt' &&
                    $item['date'] >= '2026-10-05' &&
                    $item['entry'] !== '' &&
                    $item['currency'] === 'EUR',
            ),
        );
        $receipt = $receipts[0];
        $twice = self::minor($receipt['amount']);
        $this->post(
            '26-8801',
            Day::plus($receipt['date'], 1),
            [['1500', $twice], ['1100', -$twice]],
            [
                'description' => 'Receipt, posted again',
                'document' => $receipt['document'],
                'customer' => $receipt['customer'],
                'source' => 'bank',
            ],
        );
        $this->mends(
            '26-9004',
            '2026-10-31',
            [['1500', -$twice], ['1100', $twice]],
            [
                'description' => "{$receipt['document']} was posted twice",
                'document' => $receipt['document'],
                'customer' => $receipt['customer'],
                'source' => 'bank',
            ],
        );
        $item = $this->untouched(static fn (array $i): bool => true);
        $this->rows['items'][] = [...$item, 'entry' => ''];
        $this->mendingItems[] = [
            ...$item,
            'kind' => 'adjustment',
            'side' => 'credit',
            'date' => '2026-10-31',
            'due_date' => '2026-10-31',
            'entry' => '',
            'terms' => '',
        ];
    }

    /** A batch of the last day and a credit note, both posted in November. */
    private function postInAnotherPeriod(): void
    {
        $this->item('R26CUT1', 'receipt', '3002', '2026-10-31', '2026-10-31', 51_271, 51_271, ['batch' => 'PS261031']);
        $this->post(
            '26-9900',
            '2026-11-02',
            [['1500', 51_271], ['1100', -51_271]],
            ['description' => 'Paying-in PS261031', 'source' => 'bank', 'batch' => 'PS261031'],
        );
        $this->item('CN269002', 'credit_note', '3004', '2026-10-30', '2026-10-30', 24_200, 24_200, ['entry' => '26-9901']);
        $this->post(
            '26-9901',
            '2026-11-03',
            [['4080', 22_000], ['2300', 2_200], ['1100', -24_200]],
            ['description' => 'Credit note', 'document' => 'CN269002', 'customer' => '3004', 'source' => 'sales'],
        );
    }

    /** Three invoices of a batch that never reached the ledger, and a journal that nobody can place. */
    private function leaveOut(): void
    {
        foreach (
            [['F26T001', '3240', 61_105], ['F26T002', '3241', 48_210], ['F26T003', '3242', 77_105]] as [$document, $customer, $amount]
        ) {
            $this->item($document, 'invoice', $customer, '2026-10-30', '2026-11-29', $amount, $amount, [
                'batch' => 'SALES-301',
                'terms' => 'net 30',
            ]);
            $net = Rounding::proportion($amount, 100, 110);
            $this->mends(
                '26-90'.substr($document, -2),
                '2026-10-30',
                [['1100', $amount], ['4000', -$net], ['2300', $net - $amount]],
                [
                    'description' => 'Sales transfer',
                    'document' => $document,
                    'customer' => $customer,
                    'source' => 'sales',
                ],
            );
        }
        $this->post(
            '7741',
            '2026-10-09',
            [['1100', 125_000], ['2900', -125_000]],
            ['description' => 'Rounding clean-up', 'document' => 'J-7741', 'source' => 'journal'],
        );
        $this->mends(
            '26-9010',
            '2026-10-31',
            [['1100', -125_000], ['2900', 125_000]],
            [
                'description' => 'Reversal of 7741',
                'document' => 'J-7741',
                'source' => 'journal',
                'reference' => '7741',
            ],
        );
    }

    /**
     * The first invoice of October that passes a test and that no fault was planted on yet.
     *
     * @param callable(array<string, string>): bool $test
     * @return array<string, string>
     */
    private function untouched(callable $test): array
    {
        foreach ($this->rows['items'] as $item) {
            $isOne =
                $item['kind'] === 'invoice' &&
                $item['date'] >= '2026-10-02' &&
                $item['date'] <= '2026-10-29' &&
                $item['currency'] === 'EUR' &&
                $item['control_account'] === '';
            if ($isOne && ! isset($this->planted[$item['document']]) && $test($item)) {
                $this->planted[$item['document']] = true;

                return $item;
            }
        }
        throw new LogicException('The demo has too few invoices.');
    }

    /**
     * What the mended files have beside.
     *
     * @param list<array{string, int}> $amounts
     * @param array<string, string> $says
     */
    private function mends(string $entry, string $date, array $amounts, array $says): void
    {
        array_push($this->mendingEntries, ...$this->lines($entry, $date, $amounts, $says));
    }

    private static function minor(string $amount): int
    {
        return (int) str_replace('.', '', $amount);
    }

    /** @param  array<string, string>  $item */
    private function misstate(array $item, int $wrong): void
    {
        $right = (int) str_replace('.', '', $item['amount']);
        foreach ($this->rows['ledger'] as $place => $line) {
            if ($line['entry'] === $item['entry'] && $line['account'] === '1100') {
                $this->mends[] = [$item['entry'], '1100', $line['debit'], ''];
                $this->rows['ledger'][$place]['debit'] = $this->say($wrong, 'EUR');
            } elseif ($line['entry'] === $item['entry'] && $line['account'] !== '2300') {
                $this->mends[] = [$item['entry'], $line['account'], '', $line['credit']];
                $this->rows['ledger'][$place]['credit'] = $this->say((int) str_replace('.', '', $line['credit']) + $wrong - $right, 'EUR');

                return;
            }
        }
    }

    private function taxOf(string $document): int
    {
        $gross = 0;
        foreach ($this->rows['items'] as $item) {
            $gross = $item['document'] === $document ? (int) str_replace('.', '', $item['amount']) : $gross;
        }
        foreach ($this->rows['item_lines'] as $line) {
            $gross -= $line['document'] === $document ? (int) str_replace('.', '', $line['net']) : 0;
        }

        return $gross;
    }

    /** @param  array{document: string, date: string, due: string, open: int, amount: int, base: int, moved: int, matched: int}  $invoice */
    private function matches(
        string $customer,
        array &$invoice,
        string $credit,
        string $date,
        int $amount,
        int $creditAmount,
        int $creditBase,
    ): void {
        $currency = $this->customers[$customer]['currency'];
        $this->add('matches', [
            'date' => $date,
            'debit_document' => $invoice['document'],
            'credit_document' => $credit,
            'amount' => $this->say($amount, $currency),
        ]);
        $moved = Rounding::proportion($invoice['base'], $invoice['matched'] + $amount, $invoice['amount']) - $invoice['moved'];
        $gap = Rounding::proportion($creditBase, $amount, $creditAmount) - $moved;
        $invoice['matched'] += $amount;
        $invoice['moved'] += $moved;
        $invoice['open'] -= $amount;
        if ($gap !== 0) {
            $entry = $this->entry($date);
            $document = 'XD'.substr($date, 2, 2).$this->number('exchange', 4);
            $this->item($document, 'exchange_difference', $customer, $date, $date, 0, abs($gap), [
                'side' => $gap > 0 ? 'debit' : 'credit',
                'entry' => $entry,
                'reference' => $invoice['document'],
            ]);
            $this->post(
                $entry,
                $date,
                [['1100', $gap], [$gap > 0 ? '4800' : '6800', -$gap]],
                [
                    'description' => 'Realised on '.$invoice['document'],
                    'document' => $document,
                    'customer' => $customer,
                    'source' => 'journal',
                ],
            );
        }
    }

    private function opens(string $customer, string $document, string $date, string $due, int $amount, int $base): void
    {
        $this->open[$customer][] = [
            'document' => $document,
            'date' => $date,
            'due' => $due,
            'open' => $amount,
            'amount' => $amount,
            'base' => $base,
            'moved' => 0,
            'matched' => 0,
        ];
    }

    /** @param  array<string, string>  $more */
    private function item(
        string $document,
        string $kind,
        string $customer,
        string $date,
        string $due,
        int $amount,
        int $base,
        array $more,
    ): void {
        $currency = $this->customers[$customer]['currency'];
        $this->add('items', [
            'document' => $document,
            'kind' => $kind,
            'customer' => $customer,
            'date' => $date,
            'due_date' => $due,
            'currency' => $currency,
            'amount' => $this->say($amount, $currency),
            'base_amount' => $this->say($base, 'EUR'),
            ...$more,
        ]);
    }

    /**
     * @param list<array{string, int}> $lines account and amount, debit-positive
     * @param array<string, string> $more
     */
    private function post(string $entry, string $date, array $lines, array $more): void
    {
        array_push($this->rows['ledger'], ...$this->lines($entry, $date, $lines, $more));
    }

    /**
     * @param list<array{string, int}> $lines
     * @param array<string, string> $more
     * @return list<array<string, string>>
     */
    private function lines(string $entry, string $date, array $lines, array $more): array
    {
        $rows = [];
        foreach ($lines as [$account, $amount]) {
            if ($amount !== 0) {
                $rows[] = [
                    ...array_fill_keys(self::TABLES['ledger'], ''),
                    'entry' => $entry,
                    'date' => $date,
                    'account' => $account,
                    'debit' => $amount > 0 ? $this->say($amount, 'EUR') : '',
                    'credit' => $amount < 0 ? $this->say(-$amount, 'EUR') : '',
                    ...$more,
                ];
            }
        }

        return $rows;
    }

    private function base(int $amount, string $currency, string $date): int
    {
        return $currency === 'EUR'
            ? $amount
            : Rate::of(Currency::of($currency), $this->rates[$currency][substr($date, 0, 7)])->toBase(
                Money::ofMinor($amount, $currency),
                Currency::of('EUR'),
            )->minor;
    }

    private function say(int $minor, string $currency): string
    {
        return Money::ofMinor($minor, $currency)->decimal();
    }

    private function entry(string $date): string
    {
        return substr($date, 2, 2).'-'.substr($date, 5, 2).'-'.$this->number('entry '.substr($date, 0, 7), 4);
    }

    private function number(string $series, int $digits): string
    {
        $this->numbers[$series] = ($this->numbers[$series] ?? 0) + 1;

        return str_pad((string) $this->numbers[$series], $digits, '0', STR_PAD_LEFT);
    }

    private static function businessDay(string $day): string
    {
        $weekday = (Day::number($day) + 3) % 7; // 0 is Monday

        return $weekday > 4 ? Day::plus($day, 7 - $weekday) : $day;
    }

    /** @param  array<string, string>  $row */
    private function add(string $table, array $row): void
    {
        $this->rows[$table][] = [...array_fill_keys(self::TABLES[$table], ''), ...$row];
    }

    /**
     * @param array<string, list<array<string, string>>> $tables
     * @return array<string, string>
     */
    private function written(array $tables): array
    {
        $files = [];
        foreach ($tables as $table => $rows) {
            usort($rows, static fn (array $one, array $other): int => ($one['date'] ?? '') <=> ($other['date'] ?? ''));
            $csv = CsvWriter::line(self::TABLES[$table]);
            foreach ($rows as $row) {
                $csv .= CsvWriter::line(array_map(static fn (string $column): string => $row[$column] ?? '', self::TABLES[$table]));
            }
            $files["{$table}.csv"] = $csv;
        }

        return $files;
    }
}
