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
use Illuminate\Support\Facades\DB;

/** Books that nobody can open yet: whose they are, and the first person. All or nothing. */
final readonly class FirstStart
{
    public function __construct(private People $people, private Settings $settings) {}

    /**
     * @param array<string, string> $settings of the books, by name
     *
     * @throws Refusal when somebody is there already, or something does not fit
     */
    public function post(array $settings, string $name, string $email, string $password): User
    {
        return DB::transaction(function () use ($settings, $name, $email, $password): User {
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
            $this->settings->forget();

            return $this->people->add($name, $email, 'preparer', $password);
        });
    }
}
