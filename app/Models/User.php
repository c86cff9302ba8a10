<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Auth\AuthenticationException;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Illuminate\Support\Facades\Auth;

/**
 * @property int $id
 * @property string $name
 * @property string $email
 * @property string $password
 * @property Role $role
 * @property ?string $disabled_at
 * @property bool $administers whether the person looks after the others
 * @property ?string $second_factor the secret of its codes
 * @property int $second_factor_step of the last code that was taken
 * @property ?string $signed_in_at
 */
final class User extends Authenticatable
{
    public $timestamps = false;

    protected $guarded = [];

    protected $hidden = ['password', 'remember_token', 'second_factor'];

    /** @throws AuthenticationException when nobody is signed in */
    public static function signedIn(): self
    {
        $user = Auth::user();

        return $user instanceof self ? $user : throw new AuthenticationException();
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
        return ['password' => 'hashed', 'role' => Role::class, 'administers' => 'boolean', 'second_factor' => 'encrypted'];
    }
}
