<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property int $id
 * @property string $number
 * @property string $date
 * @property string $text
 * @property ?int $run_id
 * @property ?int $settlement_id
 * @property ?int $reverses_id
 * @property string $who
 * @property string $recorded_at
 */
final class Voucher extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    /** @return HasMany<Posting, $this> */
    public function postings(): HasMany
    {
        return $this->hasMany(Posting::class)->orderBy('id');
    }
}
