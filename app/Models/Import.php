<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * @property int $id
 * @property string $source
 * @property string $who
 * @property string $recorded_at
 */
final class Import extends Model
{
    protected $table = 'imports';

    public $timestamps = false;

    protected $guarded = [];
}
