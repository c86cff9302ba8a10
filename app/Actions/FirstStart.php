<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Exchange\RowFault;
use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Refusal;
use Ajuste\Core\RefusalKind;
use App\Models\User;
use App\Queries\Settings;
use App\Support\Moment;
use Closure;
use Illuminate\Support\Facades\DB;

/** Books that nobody can open yet: whose they are, and the first person. All or nothing. */
final readonly class FirstStart
{
    /**
     * @param array<string, string> $settings of the books, by name
     * @param Closure(): User $first adds the first person
     *
     * @throws Refusal when somebody is there already, or something does not fit
     */
    public function post(array $settings, Closure $first): User
    {
        return DB::transaction(function () use ($settings, $first): User {
            if (User::query()->exists()) {
                throw new Refusal('These books have their people already. Sign in, or ask one of them.', RefusalKind::Rights);
            }
            foreach ($settings as $setting => $value) {
                try {
                    Setting::from($setting)->check($value);
                } catch (RowFault $fault) {
                    throw new Refusal(str_replace('_', ' ', $setting).": {$fault->expected}.");
                }
                DB::table('settings')->insert([
                    'name' => $setting, 'value' => $value, 'recorded_at' => Moment::now(), 'reason' => 'when the books were made',
                ]);
            }
            app(Settings::class)->forget();

            return $first();
        });
    }
}
