<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * @property int $id
 * @property string $account
 * @property string $name
 * @property string $type
 * @property ?string $role
 * @property ?string $currency
 */
final class Account extends Model
{
    protected $table = 'accounts';

    public $timestamps = false;

    protected $guarded = [];
}
