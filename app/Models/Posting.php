<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * @property int $id
 * @property ?int $voucher_id
 * @property ?int $import_file_id
 * @property ?int $source_row
 * @property string $entry
 * @property string $date
 * @property int $account_id
 * @property int $base
 * @property string $description
 * @property string $document
 * @property string $customer
 * @property string $reference
 * @property string $source
 * @property string $batch
 * @property string $currency
 * @property ?int $currency_amount
 * @property string $recorded_at
 * @property ?string $superseded_at
 */
final class Posting extends Model
{
    protected $table = 'postings';

    public $timestamps = false;

    protected $guarded = [];
}
