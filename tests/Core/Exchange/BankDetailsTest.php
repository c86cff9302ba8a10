<?php

declare(strict_types=1);

namespace Tests\Core\Exchange;

use Ajuste\Core\Exchange\Bank\BankDetails;
use PHPUnit\Framework\TestCase;

final class BankDetailsTest extends TestCase
{
    public function test_a_changed_number_is_new_for_thirty_days(): void
    {
        self::assertSame(
            [false, true, true, false],
            [
                BankDetails::areNew('', '2026-10-31'),
                BankDetails::areNew('2026-10-31', '2026-10-31'),
                BankDetails::areNew('2026-10-01', '2026-10-31'),
                BankDetails::areNew('2026-09-30', '2026-10-31'),
            ],
        );
    }
}
