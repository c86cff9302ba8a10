<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Exchange\FieldType;
use Ajuste\Core\Exchange\FileKind;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\RoleWords;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\TypedAmount;
use Ajuste\Core\Refusal;
use App\Actions\Import\TypeRow;
use App\Actions\TakeBalanceOver;
use App\Http\FormKey;
use App\Http\ListWindow;
use App\Http\Part;
use App\Queries\CustomerVersions;
use App\Queries\ListRows;
use App\Queries\Settings;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** Accounts, customers, suppliers and periods, as persons add and change them. */
final class ListsController
{
    public function index(string $list, Request $request, ListRows $rows): string
    {
        $kind = self::kind($list);
        $all = $rows->of($kind);
        $key = $kind->key()[0];
        $chosen = $request->string('row')->toString();
        $row = array_column($all, null, $key)[$chosen] ?? null;

        return Part::of(view('lists.index', [
            'kind' => $kind,
            'rowKey' => $key,
            'window' => ListWindow::of($request, $all, static fn (array $of): string => implode(' ', $of), [
                'key' => static fn (array $of): string => $of[$key],
                'name' => static fn (array $of): string => $of['name'] ?? '',
            ]),
            'fields' => array_intersect_key($kind->fields(), $all[0] ?? $kind->fields()),
            'row' => $row,
            'versions' => $kind === FileKind::Customers && $row !== null ? CustomerVersions::of($chosen) : [],
            'proposed' => $kind === FileKind::Accounts ? self::proposed($all) : [],
            'key' => bin2hex(random_bytes(16)),
        ]), $request);
    }

    public function store(string $list, Request $request, TypeRow $type): RedirectResponse
    {
        $kind = self::kind($list);
        $typed = (array) $request->input('field', []);
        $row = [];
        foreach (array_intersect_key($kind->fields(), $typed) as $name => $field) {
            $value = is_string($typed[$name]) ? trim($typed[$name]) : '';
            $row[$name] = $field->type === FieldType::Amount && $value !== '' ? self::amount($value, $typed) : $value;
        }
        $import = $type->post(FormKey::of($request, 'list-row'), $kind, [$row]);

        return redirect()
            ->route('list', ['list' => $list, 'row' => $row[$kind->key()[0]] ?? ''])
            ->with('done', ['text' => 'Kept.', 'url' => route('import', $import), 'link' => 'As it was taken in']);
    }

    /** All roles that the names of accounts speak for. */
    public function roles(Request $request, ListRows $rows, TypeRow $type): RedirectResponse
    {
        $accounts = $rows->of(FileKind::Accounts);
        $proposed = self::proposed($accounts);
        $taken = array_filter($accounts, static fn (array $of): bool => isset($proposed[$of['account']]));
        $with = static fn (array $of): array => [...$of, 'role' => $proposed[$of['account']]->value];
        if ($taken === []) {
            return redirect()->route('list', 'accounts')->with('done', ['text' => 'Every role that a name speaks for is taken.']);
        }
        $import = $type->post(FormKey::of($request, 'roles'), FileKind::Accounts, array_values(array_map($with, $taken)));

        return redirect()
            ->route('list', 'accounts')
            ->with('done', ['text' => 'Taken.', 'url' => route('import', $import), 'link' => 'As it was taken in']);
    }

    /**
     * @param array<mixed> $typed
     *
     * @throws Refusal when it cannot be read
     */
    private static function amount(string $value, array $typed): string
    {
        $currency = $typed['currency'] ?? '';

        return TypedAmount::read($value, Currency::of(is_string($currency) ? $currency : ''))->decimal();
    }

    /** The balance of the control account, where there are no lines of the ledger. */
    public function balance(Request $request, TakeBalanceOver $take, Settings $settings): RedirectResponse
    {
        $amount = TypedAmount::read($request->string('amount')->toString(), $settings->base());
        $import = $take->post(
            FormKey::of($request, 'balance'),
            $settings->controlAccount(),
            Day::of($request->string('day')->toString()),
            $request->string('side')->toString() === 'credit' ? $amount->negated() : $amount,
        );

        return redirect()
            ->route('desk')
            ->with('done', ['text' => 'Taken over.', 'url' => route('import', $import), 'link' => 'As it was taken in']);
    }

    /**
     * @param list<array<string, string>> $accounts
     * @return array<array-key, AccountRole> by account
     */
    private static function proposed(array $accounts): array
    {
        $without = array_filter($accounts, static fn (array $of): bool => $of['role'] === '');

        return RoleWords::each(array_column($without, 'name', 'account'), array_column($accounts, 'role'));
    }

    /** @throws Refusal when it is no list that is changed here */
    private static function kind(string $list): FileKind
    {
        $kind = FileKind::tryFrom($list);

        return in_array($kind, ListRows::KINDS, true) ? $kind : throw Refusal::notFound('There is no such list.');
    }
}
