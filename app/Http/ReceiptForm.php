<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Settlement\RestPlace;
use App\Actions\Receipts\ReceiptRequest;

/** The form of the receipts' worktop. */
final class ReceiptForm
{
    /** @param  array<array-key, mixed>  $input what was sent, or was sent before and refused */
    public static function read(array $input, int $lineId): ReceiptRequest
    {
        $form = new WorktopForm($input);

        return new ReceiptRequest(
            $lineId, (int) $form->text('customer'), $form->typed(), $form->discounts(), $form->deductions(), $form->text('kept_back'), RestPlace::tryFrom($form->text('rest')),
            $form->text('currency'), $form->text('worth'), $form->text('deposit_tax'), $form->lines(),
        );
    }
}
