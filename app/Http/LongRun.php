<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Run\RunKind;
use App\Actions\CarryOut;
use App\Support\Actor;
use App\Values\WorkKind;
use Illuminate\Http\RedirectResponse;

/** What is done with a run of many lines is done beside the pages; the person is led to where it says how far it is. */
final class LongRun
{
    /** @param  array<string, string>  $more what else it is about */
    public static function begin(WorkKind $work, string $key, RunKind $kind, Account $account, array $more, Actor $actor): RedirectResponse
    {
        $of = ['key' => $key, 'kind' => $kind->value, 'account' => (string) $account->id, ...$more];

        return redirect()->route('work', CarryOut::begin($work, $key, $of, $actor));
    }
}
