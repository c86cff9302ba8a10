<?php

declare(strict_types=1);

namespace Tests\Core\Currency;

use Ajuste\Core\Currency\UnrealisedProof;
use Ajuste\Core\Money\Money;
use PHPUnit\Framework\TestCase;
use Tests\Core\Sample;

final class UnrealisedProofTest extends TestCase
{
    public function test_what_is_posted_and_what_is_carried_are_the_same_or_their_difference_is_said(): void
    {
        $of = static fn (string $posted, string $carried): string => (new UnrealisedProof(
            'GBP', Sample::accounts()->numbered('4800'), Money::parse($posted, 'EUR'), Money::parse($carried, 'EUR'),
        ))->difference()->decimal();
        self::assertSame(['0.00', '54.00', '-1.00'], [$of('90.00', '90.00'), $of('144.00', '90.00'), $of('0.00', '1.00')]);
    }
}
