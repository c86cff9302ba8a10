<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Calendar\Period;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Refusal;
use App\Queries\Settings;
use Illuminate\Http\Request;

/**
 * From where a person looks at the books: the control account, the day at whose end, and what was known by which moment. Once chosen it
 * stays for the session; a URL can always name it.
 */
final readonly class ViewPoint
{
    public string $asOf;

    public ?string $knownAt;

    public Account $account;

    /** The one in which the day falls. */
    public Period $period;

    public function __construct(Request $request, Settings $settings)
    {
        $chosen = static function (string $name) use ($request): string {
            $value = $request->query->has($name) ? $request->query($name) : $request->session()->get("view.{$name}");

            return is_string($value) ? $value : '';
        };
        $asOf = $chosen('as_of');
        $this->asOf = $asOf === '' ? $settings->period()->last : Day::of($asOf);
        $this->period = $settings->calendar()->containing($this->asOf);
        $knownAt = $chosen('known_at');
        if ($knownAt !== '' && preg_match('/^\d{4}-\d\d-\d\d([T ]\d\d:\d\d(:\d\d(\.\d{1,6})?)?Z?)?$/D', $knownAt) !== 1) {
            throw new Refusal("“{$knownAt}” is not a moment; a day and a time are expected, such as 2026-11-02 17:30.");
        }
        $this->knownAt =
            $knownAt === '' ? null : rtrim(str_replace(' ', 'T', $knownAt), 'Z').(strlen($knownAt) <= 10 ? 'T23:59:59.999999Z' : 'Z');
        $this->account = $settings->controlAccount($chosen('account'));
        foreach (['as_of' => $asOf, 'known_at' => $knownAt, 'account' => $chosen('account')] as $name => $value) {
            $request->session()->put("view.{$name}", $value);
        }
    }

    /** The first day of a span that ends with the day looked at: the one that is asked for, else the period's. */
    public function since(Request $request): string
    {
        $typed = $request->string('from')->toString();

        return $typed === '' ? $this->period->first : Day::of($typed);
    }

    /** The first day of the year that ends with the period. */
    public function yearBack(): string
    {
        return Day::plus($this->period->first, -365);
    }
}
