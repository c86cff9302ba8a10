<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * @property int $id
 * @property string $kind
 * @property int $account_id
 * @property string $as_of
 * @property string $policy
 * @property int $total
 * @property string $who
 * @property string $recorded_at
 */
final class Run extends Model
{
    protected $table = 'runs';

    public $timestamps = false;

    protected $guarded = [];
}
