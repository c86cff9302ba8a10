<?php

declare(strict_types=1);

namespace App\Actions\Import;

use Ajuste\Core\Bank\AccountNumber;
use Ajuste\Core\Calendar\Calendar;
use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Exchange\Bank\StatementPages;
use Ajuste\Core\Exchange\Foreign\PlainWords;
use Ajuste\Core\Exchange\LateRow;
use Ajuste\Core\Exchange\RowFault;
use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use App\Actions\Posting\PostedRows;
use App\Queries\KnownMovements;
use App\Queries\Rates;
use App\Queries\Settings;
use App\Support\Actor;
use Illuminate\Support\Facades\DB;
use PDO;
use PDOStatement;

/** What the importers know of the books while an import runs: parties and accounts by number, and ready statements. */
final class Books
{
    public readonly LockedDays $locked;

    /** @var array<string, int> account number to id */
    public array $accounts = [];

    /** @var array<string, ?string> account number to role */
    public array $roles = [];

    /** @var array<string, int> customer number to id */
    public array $customers = [];

    /** @var array<string, ?int> customer number to control account id */
    public array $customerControl = [];

    /** @var array<string, int> supplier number to id */
    public array $suppliers = [];

    /** @var ?array<string, ?int> customer by plain name; null where several have it */
    private ?array $customersByName = null;

    /** @var ?array<int, mixed> currency code by customer id */
    private ?array $customerCurrency = null;

    /** @var array<string, PDOStatement> */
    private array $statements = [];

    /** Pages of statements, which may come in several files. */
    public readonly StatementPages $pages;

    private readonly PDO $pdo;

    private ?Currency $base = null;

    public function __construct(public readonly PostedRows $record, public readonly Settings $settings, private readonly Actor $actor)
    {
        $this->pages = new StatementPages();
        $this->locked = $settings->locked();
        $this->pdo = DB::connection()->getPdo();
        foreach (
            DB::table('accounts')
                ->orderBy('account')
                ->get(['id', 'account', 'role']) as $row
        ) {
            $this->accounts[$row->account] = $row->id;
            $this->roles[$row->account] = $row->role;
        }
        foreach (DB::table('customers')->get(['id', 'customer', 'control_account_id']) as $row) {
            $this->customers[$row->customer] = $row->id;
            $this->customerControl[$row->customer] = $row->control_account_id;
        }
        $this->suppliers = DB::table('suppliers')->pluck('id', 'supplier')->all();
    }

    public function base(): Currency
    {
        return $this->base ??= $this->settings->base();
    }

    /** @param  int  $minor of base currency */
    public function money(int $minor): Money
    {
        return Money::ofMinor($minor, $this->base());
    }

    public function calendar(): Calendar
    {
        return $this->settings->calendar();
    }

    public function settingsChanged(): void
    {
        $this->settings->forget();
        $this->base = null;
    }

    /** @throws RowFault when no account has the number */
    public function account(string $field, string $number): int
    {
        return $this->accounts[$number] ?? throw new RowFault($field, $number, 'an account of accounts.csv is expected');
    }

    /** The first account with the role. */
    public function accountWithRole(string $role): int
    {
        foreach ($this->roles as $number => $has) {
            if ($has === $role) {
                return $this->accounts[$number];
            }
        }

        throw new RowFault('control_account', '', "no account has the role {$role}; give it to one in accounts.csv");
    }

    public function who(): string
    {
        return $this->actor->who;
    }

    /**
     * The ledger account of a bank account: the one that bears its number, the one that its statements had before, the one that the books
     * name
     * for the currency, or the first of the currency.
     *
     * @throws Refusal when there is none, or that one is another account at the bank
     */
    public function bankAccount(string $number, Currency $currency): int
    {
        $accounts = $this->rows(
            "SELECT id, account, currency, iban FROM accounts WHERE role = 'bank' ORDER BY currency IS NULL, account",
            [],
        );
        foreach ($accounts as [$id, , , $iban]) {
            if ($iban !== '' && AccountNumber::isSame((string) $iban, $number)) {
                return (int) $id;
            }
        }
        $before = $this->rows('SELECT account_id FROM bank_statements WHERE bank_account = ? AND currency = ? ORDER BY id DESC LIMIT 1', [
            $number,
            $currency->code,
        ]);
        if ($before !== []) {
            return (int) $before[0][0];
        }
        $named = $this->settings->now()->in(Setting::OwnBank, $currency);
        foreach ($accounts as [$id, $account, $code, $iban]) {
            if ($named !== '' ? $account === $named : in_array($code, [$currency->code, null, ''], true)) {
                if ($iban !== '' && $number !== KnownMovements::NAMELESS) {
                    throw new Refusal(
                        "The statement is of {$number}, but account {$account} is kept at {$iban}. Give the account of this statement ".
                            'its number '.
                            '(iban) in accounts.csv.',
                    );
                }

                return (int) $id;
            }
        }

        throw new Refusal("No ledger account with the role bank is kept in {$currency->code}. Give the role to one in accounts.csv.");
    }

    /** The number of the only bank account that has statements in a currency; what a list without account numbers is of. */
    public function onlyBankAccount(Currency $currency): string
    {
        $numbers = $this->rows('SELECT DISTINCT bank_account FROM bank_statements WHERE currency = ?', [$currency->code]);

        return count($numbers) === 1 ? (string) $numbers[0][0] : KnownMovements::NAMELESS;
    }

    /** @throws RowFault when no customer has the number */
    public function customer(string $number): int
    {
        return $this->customers[$number] ?? $this->customerSaid($number)
            ?? throw new RowFault('customer', $number, 'a customer of customers.csv is expected');
    }

    /** The customer of a cell that holds number and name, or the name alone where only one has it. */
    private function customerSaid(string $text): ?int
    {
        if (preg_match('/^(\S+?)\s*[-–—:,;|]?\s+\S/u', $text, $part) === 1 && isset($this->customers[$part[1]])) {
            return $this->customers[$part[1]];
        }
        $this->customersByName ??= DB::table('customers')->get(['id', 'name'])->groupBy(
            static fn (object $row): string => PlainWords::of($row->name),
        )->map(static fn ($rows): ?int => count($rows) === 1 ? (int) $rows->firstOrFail()->id : null)->all();

        return $this->customersByName[PlainWords::of($text)] ?? null;
    }

    public function currencyOf(int $customerId): Currency
    {
        $this->customerCurrency ??= DB::table('customers')->pluck('currency', 'id')->all();

        return Currency::of((string) $this->customerCurrency[$customerId]);
    }

    /** A customer was taken in or changed; what was read of all of them is kept in step, not read again. */
    public function customerIsIn(int $customerId, Currency $currency): void
    {
        if ($this->customerCurrency !== null) {
            $this->customerCurrency[$customerId] = $currency->code;
        }
    }

    /**
     * An amount in minor units of base currency, by the rate of the day.
     *
     * @throws RowFault when no rate serves
     */
    public function inBase(Money $amount, string $day): int
    {
        try {
            return (new Rates($this->settings))->toBase($amount, $day)->minor;
        } catch (Refusal $refusal) {
            throw new RowFault('base_amount', '', "the amount in {$this->base()->code} is expected. {$refusal->getMessage()}");
        }
    }

    /** @throws RowFault when no supplier has the number */
    public function supplier(string $number): int
    {
        return $this->suppliers[$number] ?? throw new RowFault('supplier', $number, 'a supplier of suppliers.csv is expected');
    }

    /**
     * An amount above zero in minor units.
     *
     * @throws RowFault when it is not
     */
    public function positive(string $field, string $text, Currency $currency): int
    {
        $minor = $this->notNegative($field, $text, $currency);

        return $minor > 0 ? $minor : throw new RowFault($field, $text, 'an amount above zero is expected');
    }

    /**
     * An amount of zero or above in minor units.
     *
     * @throws RowFault when it is not
     */
    public function notNegative(string $field, string $text, Currency $currency): int
    {
        try {
            $minor = Money::parse($text, $currency)->minor;
        } catch (Refusal) {
            throw new RowFault($field, $text, "an amount of {$currency->code} with at most {$currency->decimals} decimals is expected");
        }

        return $minor >= 0
            ? $minor
            : throw new RowFault($field, $text, 'a positive amount is expected; the kind or the side says which way it goes');
    }

    /**
     * The first day on which a policy of a file holds: what binds a locked period does not change for it.
     *
     * @param string $said as the file says, or blank: the first open one
     *
     * @throws LateRow when the day is locked
     */
    public function holdsFrom(string $said): string
    {
        $said === '' || $this->open('from', $said);

        return $said === '' ? $this->locked->firstOpenFrom('') : $said;
    }

    /** The first day on which a change of what a list says of a customer holds: of the period being closed, if it is not locked. */
    public function changesHoldFrom(): string
    {
        return $this->locked->firstOpenFrom($this->settings->period()->first);
    }

    /** @throws LateRow when the day is locked */
    public function open(string $field, string $day): void
    {
        if ($this->locked->includes($day)) {
            throw new LateRow($field, $day, (string) $this->locked->through, $this->locked->firstOpenFrom($day));
        }
    }

    /**
     * @param list<int|string|null> $values
     * @return list<list<mixed>>
     */
    public function rows(string $sql, array $values): array
    {
        $this->record->settle();

        return $this->rowsWritten($sql, $values);
    }

    /**
     * Where none of the rows that are gathered can be among them.
     *
     * @param list<int|string|null> $values
     * @return list<list<mixed>>
     */
    public function rowsWritten(string $sql, array $values): array
    {
        $statement = $this->execute($sql, $values);
        /** @var list<list<mixed>> $rows */
        $rows = $statement->fetchAll(PDO::FETCH_NUM);
        $statement->closeCursor();

        return $rows;
    }

    /** @param  list<int|string|null>  $values */
    public function write(string $sql, array $values): int
    {
        $this->record->settle();
        $this->execute($sql, $values);

        return (int) $this->pdo->lastInsertId();
    }

    /** @param  list<int|string|null>  $values */
    private function execute(string $sql, array $values): PDOStatement
    {
        $statement = $this->statements[$sql] ??= $this->pdo->prepare($sql);
        foreach ($values as $place => $value) {
            $statement->bindValue(
                $place + 1,
                $value,
                is_int($value) ? PDO::PARAM_INT : ($value === null ? PDO::PARAM_NULL : PDO::PARAM_STR),
            );
        }
        $statement->execute();

        return $statement;
    }
}
