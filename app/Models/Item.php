<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * @property int $id
 * @property int $root_id
 * @property int $version
 * @property string $document
 * @property string $kind
 * @property int $customer_id
 * @property string $side
 * @property string $date
 * @property string $due_date
 * @property string $currency
 * @property int $amount
 * @property int $base
 * @property int $control_account_id
 * @property string $reference
 * @property string $entry
 * @property string $batch
 * @property string $terms
 * @property ?int $source_item_id
 * @property ?int $voucher_id
 * @property ?int $import_file_id
 * @property ?int $source_row
 * @property string $recorded_at
 * @property ?string $superseded_at
 */
final class Item extends Model
{
    protected $table = 'items';

    public $timestamps = false;

    protected $guarded = [];
}
