<?php

declare(strict_types=1);

namespace App\Actions\Import;

use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Exchange\RowFault;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use App\Actions\Recorder;
use App\Queries\Settings;
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

    /** @var array<string, PDOStatement> */
    private array $statements = [];

    public function __construct(public readonly Recorder $record, private readonly Settings $settings)
    {
        $this->locked = $settings->locked();
        foreach (DB::table('accounts')->orderBy('account')->get(['id', 'account', 'role']) as $row) {
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
        return $this->settings->base();
    }

    public function settingsChanged(): void
    {
        $this->settings->forget();
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

    /** @throws RowFault when no customer has the number */
    public function customer(string $number): int
    {
        return $this->customers[$number] ?? throw new RowFault('customer', $number, 'a customer of customers.csv is expected');
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
    public function positive(string $field, string $text, Currency $currency, bool $zeroToo = false): int
    {
        try {
            $minor = Money::parse($text, $currency)->minor;
        } catch (Refusal) {
            throw new RowFault($field, $text, "an amount of {$currency->code} with at most {$currency->decimals} decimals is expected");
        }
        if ($minor < 0) {
            throw new RowFault($field, $text, 'a positive amount is expected; the kind or the side says which way it goes');
        }
        if ($minor === 0 && ! $zeroToo) {
            throw new RowFault($field, $text, 'an amount above zero is expected');
        }

        return $minor;
    }

    /** @throws RowFault when the day is locked */
    public function open(string $field, string $day): void
    {
        if ($this->locked->includes($day)) {
            throw new RowFault($field, $day, "the days through {$this->locked->through} are locked; the first open day is {$this->locked->firstOpenFrom($day)}");
        }
    }

    /**
     * @param list<int|string|null> $values
     * @return list<list<mixed>>
     */
    public function rows(string $sql, array $values): array
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
        $this->execute($sql, $values);

        return (int) DB::connection()->getPdo()->lastInsertId();
    }

    /** @param  list<int|string|null>  $values */
    private function execute(string $sql, array $values): PDOStatement
    {
        $statement = $this->statements[$sql] ??= DB::connection()->getPdo()->prepare($sql);
        foreach ($values as $place => $value) {
            $statement->bindValue($place + 1, $value, is_int($value) ? PDO::PARAM_INT : ($value === null ? PDO::PARAM_NULL : PDO::PARAM_STR));
        }
        $statement->execute();

        return $statement;
    }
}
