<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * @property int $id
 * @property int $import_id
 * @property string $name
 * @property string $kind
 * @property string $sha256
 * @property int $bytes
 * @property string $report
 * @property ?string $first_date
 * @property ?string $last_date
 */
final class ImportFile extends Model
{
    protected $table = 'import_files';

    public $timestamps = false;

    protected $guarded = [];
}
