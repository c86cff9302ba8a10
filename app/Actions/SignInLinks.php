<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Refusal;
use App\Models\PeopleFile;
use App\Models\User;
use App\StandIn\Outbox;
use App\Support\AuditTrail;
use App\Support\Moment;
use App\Support\Passwords;
use App\Support\Sessions;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/** Links by which a person sets a password: the first one, or another in place of one that was forgotten. Each opens once. */
final readonly class SignInLinks
{
    /** In hours. */
    public const INVITATION = 7 * 24;

    private const FORGOTTEN = 1;

    public function __construct(private Outbox $outbox, private AuditTrail $audit) {}

    /** @return string the token of a link; those before it end */
    public function make(User $user, int $hours): string
    {
        $token = bin2hex(random_bytes(24));
        PeopleFile::transaction(static function () use ($user, $hours, $token): void {
            [$links, $person] = [PeopleFile::open()->table('sign_in_links'), $user->person()];
            (clone $links)->where('person_id', $person->id)->whereNull('used_at')->update(['used_at' => Moment::now()]);
            $links->insert([
                'person_id' => $person->id,
                'digest' => hash('sha256', $token),
                'holds_until' => Carbon::now('UTC')->addHours($hours)->format('Y-m-d\TH:i:s.u\Z'),
            ]);
        });

        return $token;
    }

    /** Whoever asks is told the same, so that nobody learns whose address is known. */
    public function sendForgotten(string $email, string $page): void
    {
        $user = User::admitted($email);
        if ($user === null) {
            return;
        }
        $token = $this->make($user, self::FORGOTTEN);
        $this->audit->record('send link for a forgotten password', "person {$user->id}");
        $this->outbox->keepPrivate(
            $user->email,
            'Another password for Ajuste',
            "Dear {$user->name},\n\nthis link sets another password. It holds for one hour and opens once:\n{$page}/{$token}\n\n"
                ."If you have not asked for it, leave it; your password stays as it is.\n",
        );
    }

    /** @throws Refusal when the link does not hold */
    public function person(string $token): User
    {
        $email = PeopleFile::open()->table('sign_in_links as l')
            ->join('people as p', 'p.id', '=', 'l.person_id')
            ->where('l.digest', hash('sha256', $token))
            ->whereNull('l.used_at')
            ->where('l.holds_until', '>=', Moment::now())
            ->value('p.email');
        $user = is_string($email) ? User::admitted($email) : null;

        return $user ?? throw new Refusal('This link was used already, or its time is over. Ask for another one.');
    }

    /** @throws Refusal when the link does not hold, or the password is weak */
    public function setPassword(string $token, string $password): User
    {
        Passwords::refuseWeak($password);

        return DB::transaction(function () use ($token, $password): User {
            $user = $this->person($token);
            $this->audit->record('set password', "person {$user->id}", 'by a link');
            PeopleFile::transaction(static function () use ($user, $token, $password): void {
                PeopleFile::open()->table('sign_in_links')->where('digest', hash('sha256', $token))->update(['used_at' => Moment::now()]);
                $user->person()->update(['password' => $password]);
            });
            Sessions::endOthers($user->id, '');

            return $user;
        });
    }
}
