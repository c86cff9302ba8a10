<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Refusal;
use App\Models\PeopleFile;
use App\Models\Person;
use App\Models\User;
use App\Support\AuditTrail;
use App\Support\Moment;
use App\Support\OneTimeCode;
use Illuminate\Support\Facades\DB;

/** A second factor beside the password, and the codes for the day on which it is lost. */
final readonly class SecondFactor
{
    private const RECOVERY_CODES = 10;

    public function __construct(private AuditTrail $audit) {}

    /**
     * Takes it up once a person has shown a code of it.
     *
     * @return list<string> recovery codes, which are shown this once
     *
     * @throws Refusal when the code does not fit
     */
    public function takeUp(User $user, string $secret, string $code): array
    {
        $step = OneTimeCode::step($secret, $code, time(), 0)
            ?? throw new Refusal('This code does not fit the key. Look at the clock of the device, and type the code that it shows now.');

        return DB::transaction(function () use ($user, $secret, $step): array {
            $this->audit->record('take up second factor', "person {$user->id}");

            return PeopleFile::transaction(static function () use ($user, $secret, $step): array {
                $person = self::without($user);
                $person->update(['second_factor' => $secret, 'second_factor_step' => $step]);
                $codes = [];
                for ($n = 0; $n < self::RECOVERY_CODES; $n++) {
                    $codes[] = implode('-', str_split(bin2hex(random_bytes(8)), 4));
                    $digest = hash('sha256', $codes[$n]);
                    PeopleFile::open()->table('recovery_codes')->insert(['person_id' => $person->id, 'digest' => $digest]);
                }

                return $codes;
            });
        });
    }

    public function giveUp(User $user): void
    {
        DB::transaction(function () use ($user): void {
            $this->audit->record('give up second factor', "person {$user->id}");
            PeopleFile::transaction(static fn (): Person => self::without($user));
        });
    }

    private static function without(User $user): Person
    {
        $person = $user->person();
        $person->update(['second_factor' => null, 'second_factor_step' => 0]);
        PeopleFile::open()->table('recovery_codes')->where('person_id', $person->id)->delete();

        return $person;
    }

    /** Whether a code opens: each opens once. */
    public function opens(User $user, string $code): bool
    {
        return PeopleFile::transaction(static function () use ($user, $code): bool {
            [$people, $person] = [PeopleFile::open(), $user->person()];
            $step = OneTimeCode::step((string) $person->second_factor, $code, time(), $person->second_factor_step);
            if ($step !== null) {
                // Of two requests with the same code one finds it used.
                return $people->table('people')
                    ->where('id', $person->id)
                    ->where('second_factor_step', '<', $step)
                    ->update(['second_factor_step' => $step]) === 1;
            }

            return $people->table('recovery_codes')
                ->where(['person_id' => $person->id, 'digest' => hash('sha256', mb_strtolower(trim($code)))])
                ->whereNull('used_at')
                ->update(['used_at' => Moment::now()]) === 1;
        });
    }
}
