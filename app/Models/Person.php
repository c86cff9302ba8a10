<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * Somebody who opens books: one sign-in for all books of a shelf.
 *
 * @property int $id
 * @property string $email
 * @property string $name
 * @property string $password blank while none was set
 * @property ?string $second_factor the secret of its codes
 * @property int $second_factor_step of the last code that was taken
 */
final class Person extends Model
{
    protected $table = 'people';

    public $timestamps = false;

    protected $guarded = [];

    protected $hidden = ['password', 'second_factor'];

    public static function of(string $email): ?self
    {
        return self::query()->where('email', mb_strtolower(trim($email)))->first();
    }

    /** Made, without a password, where there is none. */
    public static function known(string $email, string $name): self
    {
        return self::query()->firstOrCreate(['email' => mb_strtolower(trim($email))], ['name' => $name]);
    }

    public function getConnectionName(): string
    {
        return (string) PeopleFile::open()->getName();
    }

    public function hasPassword(): bool
    {
        return (string) $this->password !== '';
    }

    protected function casts(): array
    {
        return ['password' => 'hashed', 'second_factor' => 'encrypted'];
    }
}
