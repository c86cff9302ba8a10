<?php

declare(strict_types=1);

namespace Tests\Core\Contra;

use Ajuste\Core\Contra\Agreement;
use Ajuste\Core\Contra\Bill;
use Ajuste\Core\Contra\LikelyParties;
use Ajuste\Core\Contra\LikelyParty;
use Ajuste\Core\Contra\Scope;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Proposal\PayerProfile;
use Ajuste\Core\Refusal;
use PHPUnit\Framework\TestCase;

final class LikelyPartiesTest extends TestCase
{
    /** @return list<string> */
    private static function of(string $name, string $account): array
    {
        $likely = new LikelyParties([
            new PayerProfile(1, ['Olivar Alto SL'], []),
            new PayerProfile(2, ['Molino Bajo'], ['GB29 NWBK 6016 1331 9268 19']),
            new PayerProfile(3, ['Molino Bajo y Hermanos de Arriba'], []),
        ]);

        return array_map(
            static fn (LikelyParty $of): string => "{$of->customerId} {$of->supplierId} {$of->why}",
            $likely->of(9, $name, $account),
        );
    }

    public function test_the_same_account_or_a_name_alike_is_likely(): void
    {
        self::assertSame(['1 9 name, 100 of 100 alike'], self::of('OLIVAR ALTO, S.L.', ''));
        self::assertSame(['2 9 account known, ends in 6819'], self::of('Other', 'GB29NWBK60161331926819'));
        self::assertSame([], self::of('Molino Norte', ''), 'half alike is not enough');
        self::assertSame([], self::of('', ''));
    }

    public function test_an_agreement_does_not_end_before_it_begins(): void
    {
        $agreement = new Agreement('A', '2026-01-01', '', Scope::All);
        self::assertTrue($agreement->endedOn('2026-01-01')->isInForce('2026-01-01'));
        self::assertFalse($agreement->endedOn('2026-01-01')->isInForce('2026-01-02'));
        $this->expectException(Refusal::class);
        $agreement->endedOn('2025-12-31');
    }

    public function test_what_a_bill_adds_to_what_is_owed(): void
    {
        $eur = static fn (int $minor): Money => Money::ofMinor($minor, 'EUR');
        $bill = static fn (bool $credit): Bill => new Bill(1, 'B', '2026-10-05', '2026-11-05', $eur(5_00), $eur(6_00), $credit);
        self::assertSame(600, $bill(false)->owedOn('2026-10-05')->minor);
        self::assertSame(-600, $bill(true)->owedOn('2026-10-31')->minor);
        self::assertSame(0, $bill(false)->owedOn('2026-10-04')->minor);
    }
}
