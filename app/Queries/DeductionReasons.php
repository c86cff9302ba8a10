<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\DeductionReason;
use Illuminate\Support\Facades\DB;
use stdClass;

/** The reasons for deductions that the books list. */
final readonly class DeductionReasons
{
    public function __construct(private Settings $settings) {}

    /** @return list<DeductionReason> those in use, by code */
    public function all(): array
    {
        return array_values(
            DB::table('deduction_reasons')->whereNull('retired_at')->orderBy('code')->get()->map($this->reason(...))->all(),
        );
    }

    /** @throws Refusal when the books have no such reason */
    public function coded(string $code): DeductionReason
    {
        $row = DB::table('deduction_reasons')->where('code', $code)->whereNull('retired_at')->first();

        return $row instanceof stdClass
            ? $this->reason($row)
            : throw new Refusal("There is no deduction reason “{$code}”. Choose one of the list, or add it under Settings.");
    }

    private function reason(stdClass $row): DeductionReason
    {
        return new DeductionReason(
            $row->code,
            $row->words,
            $row->account_id === null ? null : $this->settings->accounts()->withId($row->account_id),
            (bool) $row->tax_relief,
            $row->rate,
            (bool) $row->names_invoice,
        );
    }
}
