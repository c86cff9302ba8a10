<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Refusal;
use App\Actions\Posting\Reason;
use App\Models\Person;
use App\Models\Role;
use App\Models\User;
use App\Support\AuditTrail;
use App\Support\Moment;
use App\Support\Passwords;
use App\Support\Sessions;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;

/** Who may open the books, and what they may do in them. */
final readonly class People
{
    public function __construct(private AuditTrail $audit) {}

    /**
     * With the password of that person, who may have it from other books.
     *
     * @throws Refusal as `join` does, or when the password is weak, or is not the one that the person has
     */
    public function add(string $name, string $email, string $role, string $password): User
    {
        $has = (string) Person::of($email)?->password;
        $has === '' && Passwords::refuseWeak($password);
        if ($has !== '' && ! Hash::check($password, $has)) {
            throw new Refusal("{$email} signs in to other books here with another password. Type that one.");
        }

        return DB::transaction(function () use ($name, $email, $role, $password, $has): User {
            $user = $this->join($name, $email, $role);
            $has === '' && $user->person()->update(['password' => $password]);

            return $user;
        });
    }

    /**
     * Gives a person a role in these books. Who is in no other books here has no password yet and sets one by a link.
     *
     * @throws Refusal when the address is none or taken, the name blank, or the role unknown
     */
    public function join(string $name, string $email, string $role): User
    {
        $email = mb_strtolower(trim($email));
        $name = Person::of($email)->name ?? trim($name);
        $as = Role::tryFrom($role) ?? throw new Refusal("“{$role}” is no role; preparer, reviewer or reader is expected.");
        if ($name === '' || filter_var($email, FILTER_VALIDATE_EMAIL) === false) {
            throw new Refusal('A name and an e-mail address are expected, such as ana@example.org.');
        }
        if (User::query()->where('email', $email)->orWhere('name', $name)->exists()) {
            throw new Refusal("{$name} or {$email} is in these books already. Every person has a name and an address of one's own.");
        }

        return DB::transaction(function () use ($name, $email, $as): User {
            $user = User::query()->create([
                'name' => $name, 'email' => $email, 'role' => $as, 'administers' => ! User::query()->exists(),
            ]);
            $this->audit->record('add person', "person {$user->id}", '', ['name' => $name, 'role' => $as->value]);
            $user->person();

            return $user;
        });
    }

    /** @throws Refusal when it is one's own role, the role unknown, or no reason is given */
    public function changeRole(User $by, int $id, string $role, bool $administers, string $reason): void
    {
        $user = User::query()->findOrFail($id);
        $as = Role::tryFrom($role) ?? throw new Refusal("“{$role}” is no role; preparer, reviewer or reader is expected.");
        $why = Reason::of($reason, 'Say why the role changes.');
        $this->refuseOneself($by, $user);
        DB::transaction(function () use ($user, $as, $administers, $why): void {
            $user->update(['role' => $as, 'administers' => $administers]);
            $this->audit->record('change role', "person {$user->id}", $why, [
                'role' => $as->value, 'administers' => $administers ? 'yes' : 'no',
            ]);
            Sessions::endOthers($user->id, '');
        });
    }

    /** So that somebody is always left who looks after the people, and nobody takes rights to oneself. */
    public function refuseOneself(User $by, User $user): void
    {
        if ($by->is($user)) {
            throw new Refusal('Nobody changes their own role or sign-in here. Ask another person who looks after the people.');
        }
    }

    /** @throws Refusal when the present password is not that, or the new one weak */
    public function changeOwnPassword(User $user, string $present, string $new, string $session): void
    {
        if (! Hash::check($present, $user->getAuthPassword())) {
            throw new Refusal('The present password is another one. Nothing was changed.');
        }
        $this->setPassword($user->email, $new);
        Sessions::endOthers($user->id, $session);
    }

    /** Makes somebody look after the others, from the command line: where whoever did has left. */
    public function administers(string $email): void
    {
        $user = $this->find($email);
        DB::transaction(function () use ($user): void {
            $user->update(['administers' => true]);
            $this->audit->record('change role', "person {$user->id}", 'from the command line', ['administers' => 'yes']);
        });
    }

    /** Lets in again whoever was disabled. */
    public function enable(int $id): void
    {
        $user = User::query()->findOrFail($id);
        DB::transaction(function () use ($user): void {
            $user->update(['disabled_at' => null]);
            $this->audit->record('enable person', "person {$user->id}");
        });
    }

    /** @throws Refusal when there is no such person, or the password is weak */
    public function setPassword(string $email, string $password): void
    {
        $user = $this->find($email);
        Passwords::refuseWeak($password);
        DB::transaction(function () use ($user, $password): void {
            $this->audit->record('set password', "person {$user->id}");
            $user->person()->update(['password' => $password]);
        });
    }

    /** Signed in or not, the person opens nothing any more; what was done stays under the name. */
    public function disable(string $email): void
    {
        $user = $this->find($email);
        DB::transaction(function () use ($user): void {
            $user->update(['disabled_at' => Moment::now()]);
            $this->audit->record('disable person', "person {$user->id}");
            Sessions::endOthers($user->id, '');
        });
    }

    /** @return list<User> by name */
    public function all(): array
    {
        return array_values(User::query()->orderBy('name')->get()->all());
    }

    /** @return array<string, int> addresses of those with a second factor, as keys */
    public function withSecondFactor(): array
    {
        return array_flip(array_map(strval(...), Person::query()->whereNotNull('second_factor')->pluck('email')->all()));
    }

    /** @throws Refusal */
    public function find(string $email): User
    {
        return User::query()->where('email', mb_strtolower(trim($email)))->first()
            ?? throw Refusal::notFound("Nobody has the address {$email} in these books. “./ajuste people list” shows who does.");
    }
}
