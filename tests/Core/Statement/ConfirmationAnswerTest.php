<?php

declare(strict_types=1);

namespace Tests\Core\Statement;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Statement\ConfirmationAnswer;
use PHPUnit\Framework\TestCase;

final class ConfirmationAnswerTest extends TestCase
{
    public function test_what_the_customer_states_beside_the_letter(): void
    {
        $eur = static fn (string $amount): Money => Money::parse($amount, 'EUR');
        $agrees = ConfirmationAnswer::of($eur('100.00'), null, '  ');
        self::assertSame([true, '0.00', ''], [$agrees->agrees(), $agrees->difference->decimal(), $agrees->words]);
        self::assertTrue(ConfirmationAnswer::of($eur('100.00'), $eur('100.00'), '')->agrees());
        $less = ConfirmationAnswer::of($eur('100.00'), $eur('70.00'), ' I2 is paid ');
        self::assertSame([false, '-30.00', 'I2 is paid'], [$less->agrees(), $less->difference->decimal(), $less->words]);
        $this->expectException(Refusal::class);
        ConfirmationAnswer::of($eur('100.00'), $eur('100.01'), ' ');
    }
}
