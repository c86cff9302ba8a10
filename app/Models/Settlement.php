<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * @property int $id
 * @property int $customer_id
 * @property string $date
 * @property string $who
 * @property string $recorded_at
 */
final class Settlement extends Model
{
    protected $table = 'settlements';

    public $timestamps = false;

    protected $guarded = [];
}
