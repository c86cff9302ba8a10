<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Refusal;
use App\Actions\Approvals\SecondPerson;
use App\Actions\Posting\Once;
use App\Actions\Posting\Reason;
use App\Queries\MoneyAccounts;
use App\Queries\Settings;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;

/** Changes a policy of the books. What held before stays in them, with who said it and why. */
final readonly class KeepPolicy
{
    public function __construct(
        private Settings $settings,
        private MoneyAccounts $money,
        private Actor $actor,
        private AuditTrail $audit,
    ) {}

    /**
     * @param string $name such as `residue_limit`, or for one currency or run `residue_limit.GBP`
     * @param string $from the first day on which it holds; blank: the first open one
     *
     * @throws Refusal when there is no such policy, it cannot have the value, it is the same, no reason is given, the day is locked, or the
     *                 person may not
     */
    public function post(string $key, string $name, string $value, string $reason, string $from = ''): void
    {
        Once::for($key, function () use ($name, $value, $reason, $from): int {
            $value = trim($value);
            [$setting] = Setting::named($name);
            if (! $setting->isPolicy()) {
                throw new Refusal("“{$name}” is not changed here: the base currency stays, and the period moves on when it is signed.");
            }
            if ($setting->isOfTheSecondPerson()) {
                SecondPerson::refuseOthers();
            }
            $setting->check($value);
            $setting === Setting::MoneyAccount && $this->money->numbered($value);
            $from = $this->firstDay($from);
            $stands = $this->settings->on($from)->named($name);
            if ($stands === $value) {
                $is = $value === '' ? 'none' : "“{$value}”";
                throw new Refusal("It is {$is} already".($from === '' ? '' : " on {$from}").'. Nothing was changed.');
            }
            $why = Reason::of($reason, 'Say why the policy changes.');
            $id = DB::table('settings')->insertGetId([
                'name' => $name, 'value' => $value, 'from_day' => $from, 'recorded_at' => Moment::now(), 'who' => $this->actor->who,
                'reason' => $why,
            ]);
            $this->audit->record('policy', "setting {$id}", $why, [
                'name' => $name, 'from' => $stands, 'to' => $value, 'from_day' => $from,
            ]);
            $this->settings->forget();

            return $id;
        });
    }

    /** @throws Refusal when it is no day, is locked, or is far ahead: what binds a locked period does not change for it */
    private function firstDay(string $typed): string
    {
        $locked = $this->settings->locked();
        if (trim($typed) === '') {
            return $locked->firstOpenFrom('');
        }
        $day = Day::of(trim($typed));
        $locked->refuse($day, 'A policy');

        return $day;
    }
}
