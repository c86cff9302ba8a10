<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * @property int $id
 * @property string $customer
 * @property string $name
 * @property string $trading_name
 * @property string $currency
 * @property string $terms
 * @property ?int $control_account_id
 * @property ?int $supplier_id
 * @property string $customer_group
 * @property string $iban
 * @property string $email
 * @property string $tax_id
 * @property string $country
 * @property ?int $credit_limit
 */
final class Customer extends Model
{
    protected $table = 'customers';

    public $timestamps = false;

    protected $guarded = [];
}
