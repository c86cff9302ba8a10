<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * @property int $id
 * @property string $recorded_at
 * @property string $who
 * @property string $what
 * @property string $subject
 * @property string $why
 * @property string $details
 * @property string $source
 * @property string $previous
 * @property string $digest
 */
final class AuditRecord extends Model
{
    protected $table = 'audit_records';

    public $timestamps = false;

    protected $guarded = [];
}
