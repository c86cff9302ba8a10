<?php

declare(strict_types=1);

namespace Tests\Core\Exchange;

use Ajuste\Core\Exchange\FileKind;
use Ajuste\Core\Exchange\LateEffect;
use Ajuste\Core\Money\Currency;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class LateEffectTest extends TestCase
{
    /** @return iterable<string, array{FileKind, array<string, string>, string, string}> */
    public static function rows(): iterable
    {
        yield 'an invoice' => [FileKind::Items, ['kind' => 'invoice', 'amount' => '80.00', 'base_amount' => '92.00'], '0.00', '92.00'];
        yield 'a receipt in base' => [FileKind::Items, ['kind' => 'receipt', 'amount' => '80.00', 'base_amount' => ''], '0.00', '-80.00'];
        yield 'a foreign one without its base is not known' => [
            FileKind::Items, ['kind' => 'invoice', 'currency' => 'GBP', 'amount' => '80.00', 'base_amount' => ''], '0.00', '0.00',
        ];
        yield 'a foreign one with it' => [
            FileKind::Items, ['kind' => 'invoice', 'currency' => 'GBP', 'amount' => '80.00', 'base_amount' => '92.00'], '0.00', '92.00',
        ];
        yield 'an adjustment says its side' => [
            FileKind::Items, ['kind' => 'adjustment', 'side' => 'credit', 'amount' => '5.00'], '0.00', '-5.00',
        ];
        yield 'a debit of the control account' => [
            FileKind::Ledger, ['account' => '1100', 'debit' => '7.00', 'credit' => ''], '7.00', '0.00',
        ];
        yield 'a credit of it' => [FileKind::Ledger, ['account' => '1120', 'debit' => '', 'credit' => '7.00'], '-7.00', '0.00'];
        yield 'another account' => [FileKind::Ledger, ['account' => '4000', 'debit' => '7.00', 'credit' => ''], '0.00', '0.00'];
        yield 'a match moves no balance (R1)' => [FileKind::Matches, ['amount' => '7.00'], '0.00', '0.00'];
        yield 'what cannot be read' => [FileKind::Items, ['kind' => 'invoice', 'amount' => 'seven'], '0.00', '0.00'];
    }

    /** @param  array<string, string>  $row */
    #[DataProvider('rows')]
    public function test_what_a_late_row_would_have_done(FileKind $kind, array $row, string $control, string $customers): void
    {
        $effect = LateEffect::of($kind, $row, ['1100', '1120'], Currency::of('EUR'));
        self::assertSame([$control, $customers], [$effect->control->decimal(), $effect->customers->decimal()]);
        self::assertSame($customers, LateEffect::none(Currency::of('EUR'))->plus($effect)->customers->decimal());
        self::assertSame($control, $effect->plus(LateEffect::none(Currency::of('EUR')))->control->decimal());
    }
}
