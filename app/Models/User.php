<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Auth\AuthenticationException;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Illuminate\Support\Facades\Auth;

/**
 * What a person is in these books; password and second factor are the person's own.
 *
 * @property int $id
 * @property string $name
 * @property string $email
 * @property Role $role
 * @property ?string $disabled_at
 * @property bool $administers whether the person looks after the others
 * @property ?string $signed_in_at
 */
final class User extends Authenticatable
{
    public $timestamps = false;

    protected $guarded = [];

    /** @throws AuthenticationException when nobody is signed in */
    public static function signedIn(): self
    {
        $user = Auth::user();

        return $user instanceof self ? $user : throw new AuthenticationException();
    }

    /** Who may open these books by an address; null where nobody may. */
    public static function admitted(string $email): ?self
    {
        return self::query()->where('email', mb_strtolower(trim($email)))->whereNull('disabled_at')->first();
    }

    public function person(): Person
    {
        return Person::known($this->email, $this->name);
    }

    public function getAuthPassword(): string
    {
        return (string) Person::of($this->email)?->password;
    }

    /** By the role, or as the deputy of a reviewer who is away. */
    public function mayReview(): bool
    {
        return $this->role->mayReview() || $this->deputyOf() !== '';
    }

    /** The reviewer in whose place this person approves today; blank where there is none, or where the role itself allows it. */
    public function deputyOf(): string
    {
        return $this->role->mayReview() ? '' : app(Deputies::class)->standsFor($this->id);
    }

    protected function casts(): array
    {
        return ['role' => Role::class, 'administers' => 'boolean'];
    }
}
