<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Refusal;
use App\Actions\Posting\Once;
use App\Actions\Posting\Reason;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;

/** Adds a check of the firm's own to every sign-off from now on, or ends it. */
final readonly class KeepOwnCheck
{
    public function __construct(private Actor $actor, private AuditTrail $audit) {}

    /** @throws Refusal when it says nothing */
    public function add(string $key, string $words): void
    {
        $says = Reason::of($words, 'Say what is to be checked, such as “the largest ten were looked at”.');
        Once::for($key, function () use ($says): int {
            $id = DB::table('own_checks')->insertGetId(['words' => $says, 'who' => $this->actor->who, 'recorded_at' => Moment::now()]);
            $this->audit->record('add check', "check {$id}", '', ['words' => $says]);

            return $id;
        });
    }

    /** @throws Refusal when it has ended, or no reason is given */
    public function end(string $key, int $id, string $reason): void
    {
        $why = Reason::of($reason, 'Say why it is not checked any more.');
        Once::for($key, function () use ($id, $why): int {
            if (! DB::table('own_checks')->where('id', $id)->exists() || DB::table('own_checks_ended')->where('check_id', $id)->exists()) {
                throw Refusal::done('There is no such check any more. Load the page again.');
            }
            DB::table('own_checks_ended')->insert([
                'check_id' => $id, 'reason' => $why, 'who' => $this->actor->who, 'recorded_at' => Moment::now(),
            ]);
            $this->audit->record('end check', "check {$id}", $why);

            return $id;
        });
    }
}
