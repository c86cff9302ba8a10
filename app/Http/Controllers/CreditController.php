<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Money\TypedAmount;
use App\Actions\KeepCredit;
use App\Http\FormKey;
use App\Models\Customer;
use App\Values\CreditFor;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** Promises to pay, and security held for what a customer owes. */
final class CreditController
{
    public function promise(Request $request, Customer $customer, KeepCredit $keep): RedirectResponse
    {
        $text = static fn (string $field): string => trim($request->string($field)->toString());
        $keep->promise(
            FormKey::of($request, 'promise'), self::for($request, $customer), Day::of($text('given_on')), Day::of($text('pay_by')),
            self::amount($text, $customer), $text('by_whom'),
        );

        return self::done($request, $customer, 'Kept. It is measured by the money that comes.');
    }

    public function security(Request $request, Customer $customer, KeepCredit $keep): RedirectResponse
    {
        $text = static fn (string $field): string => trim($request->string($field)->toString());
        $until = $text('valid_until');
        $keep->security(
            FormKey::of($request, 'security'), self::for($request, $customer), $text('what'), $text('reference'),
            $until === '' ? '' : Day::of($until), self::amount($text, $customer),
        );

        return self::done($request, $customer, 'Kept. It is shown wherever the customer is.');
    }

    public function end(Request $request, Customer $customer, string $list, int $id, KeepCredit $keep): RedirectResponse
    {
        $keep->end(FormKey::of($request, 'end'), $list, $id, $request->string('reason')->toString());

        return self::done($request, $customer, 'Ended.');
    }

    /** @param  callable(string): string  $text */
    private static function amount(callable $text, Customer $customer): Money
    {
        return TypedAmount::read($text('amount'), Currency::of($text('currency') === '' ? $customer->currency : $text('currency')));
    }

    private static function for(Request $request, Customer $customer): CreditFor
    {
        return new CreditFor($customer->id, $request->integer('item') ?: null);
    }

    /** Back to where the form stood: a document, or the customer. */
    private static function done(Request $request, Customer $customer, string $says): RedirectResponse
    {
        $item = $request->integer('item');

        return ($item > 0 ? redirect()->route('document', $item) : redirect()->route('customer', $customer->id))
            ->with('done', ['text' => $says]);
    }
}
